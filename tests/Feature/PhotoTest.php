<?php

declare(strict_types=1);

use App\Gardens\Everything;
use App\Gardens\GardenHistory;
use App\Logs\Photo;
use App\Logs\Photos;
use App\Models\Garden;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use KelpTub\Core\File\RefusedGarden;
use Tests\Core\Grown;

// Photographs of a log: what comes is written anew, upright and without a word about where it was taken.

/** A picture whose left half is red and whose right half is blue. */
function picture(int $width, int $height, string $kind = 'jpeg'): string
{
    $image = imagecreatetruecolor($width, $height) ?: throw new RuntimeException('no picture');
    imagefilledrectangle($image, 0, 0, intdiv($width, 2) - 1, $height, 0xD02020);
    imagefilledrectangle($image, intdiv($width, 2), 0, $width, $height, 0x2020D0);
    ob_start();
    match ($kind) {
        'png' => imagepng($image),
        'webp' => imagewebp($image),
        default => imagejpeg($image, null, 90),
    };

    return (string) ob_get_clean();
}

/** The same turned on its side by what a camera says, with the place where it was taken. */
function turned(string $jpeg, int $orientation = 6): string
{
    // One directory: orientation (0x0112), and one that points to a place (0x8825) with its latitude's letter.
    $tiff = "MM\0\x2A\0\0\0\x08\0\x02"
        .pack('nnNnn', 0x0112, 3, 1, $orientation, 0)
        .pack('nnNN', 0x8825, 4, 1, 38)."\0\0\0\0"
        ."\0\x01".pack('nnN', 1, 2, 2)."N\0\0\0"."\0\0\0\0".'SECRET-PLACE';
    $exif = "Exif\0\0$tiff";

    return "\xFF\xD8\xFF\xE1".pack('n', strlen($exif) + 2).$exif.substr($jpeg, 2);
}

/** A PNG that says of itself how large it is, and has no pixels to go with it. */
function bomb(int $width, int $height): string
{
    $head = 'IHDR'.pack('NNCCCCC', $width, $height, 8, 2, 0, 0, 0);

    return "\x89PNG\r\n\x1A\n".pack('N', 13).$head.pack('N', crc32($head));
}

/** @return list<int> red, green, blue at a share of the picture's width and height */
function colourAt(string $jpeg, float $x, float $y): array
{
    $image = imagecreatefromstring($jpeg) ?: throw new RuntimeException('no picture');
    $colour = (int) imagecolorat($image, (int) ($x * (imagesx($image) - 1)), (int) ($y * (imagesy($image) - 1)));

    return [$colour >> 16 & 255, $colour >> 8 & 255, $colour & 255];
}

function sendPhoto(string $garden, string $bytes, ?string $id = null, string $type = 'image/jpeg'): TestResponse
{
    return test()->call(
        'POST',
        "/api/gardens/$garden/photos?id=".($id ?? Str::ulid()),
        server: ['CONTENT_TYPE' => $type, 'HTTP_HOST' => '127.0.0.1'],
        content: $bytes,
    );
}

function picturedGarden(): string
{
    return send('POST', '/api/gardens', (string) json_encode(Grown::garden([], [[]])->document))->assertCreated()->json('id');
}

it('keeps what a camera takes, small enough, upright and without its place', function () {
    $photo = Photo::of(turned(picture(3000, 2000)));
    $size = getimagesizefromstring($photo->large);

    // Turned a quarter to the right: what was left is above.
    expect(array_slice((array) $size, 0, 3))->toBe([1067, 1600, IMAGETYPE_JPEG])
        ->and(colourAt($photo->large, 0.5, 0.1)[0])->toBeGreaterThan(180)
        ->and(colourAt($photo->large, 0.5, 0.9)[2])->toBeGreaterThan(180)
        ->and($photo->large)->not->toContain('SECRET-PLACE')->not->toContain('Exif')
        ->and(array_slice((array) getimagesizefromstring($photo->small), 0, 2))->toBe([213, 320]);
});

it('takes away a place from a picture that is small enough as it is', function () {
    $photo = Photo::of(turned(picture(300, 200), 1));

    expect($photo->large)->not->toContain('SECRET-PLACE')
        ->and(array_slice((array) getimagesizefromstring($photo->large), 0, 2))->toBe([300, 200]);
});

it('takes a PNG and a WebP', function (string $kind) {
    $photo = Photo::of(picture(400, 100, $kind));

    expect(((array) getimagesizefromstring($photo->large))[2])->toBe(IMAGETYPE_JPEG)->and(colourAt($photo->large, 0.2, 0.5)[0])
        ->toBeGreaterThan(180);
})->with(['png', 'webp']);

it('leaves one that it wrote itself as it is, to the byte', function () {
    $once = Photo::of(picture(2000, 900))->large;

    expect(md5(Photo::of($once)->large))->toBe(md5($once))
        // What hangs on behind its end is no part of a picture.
        ->and(Photo::of($once.'<script>alert(1)</script>')->large)->not->toContain('script');
});

it('refuses what is none, is damaged, or says that it is huge before any of its pixels is read', function (Closure $bytes, string $why) {
    $before = memory_get_peak_usage();
    try {
        Photo::of($bytes());
        $said = '';
    } catch (RefusedGarden $refused) {
        $said = (string) $refused->faults[0];
    }

    expect($said)->toContain($why)->and(memory_get_peak_usage() - $before)->toBeLessThan(60_000_000);
})->with([
    'a text' => [fn () => 'a photograph, honestly', 'none that can be read'],
    'nothing' => [fn () => '', 'none that can be read'],
    'a drawing' => [fn () => '<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>', 'none that can be read'],
    'a GIF' => [fn () => base64_decode('R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7'), 'none that can be read'],
    'a little too many' => [fn () => bomb(7100, 7043), '7100 × 7043, 50.1 million pixels; the most is 50 million'],
    '200 megapixels' => [fn () => bomb(20_000, 10_000), '20000 × 10000, 200 million pixels; the most is 50 million'],
    'no pixels' => [fn () => bomb(100, 100), 'damaged'],
    'too many bytes' => [fn () => picture(10, 10).str_repeat("\0", Photo::MOST_BYTES), 'the most is 12'],
]);

it('keeps a photograph once by its id, and hands it out large and small', function () {
    $garden = picturedGarden();
    $id = (string) Str::ulid();
    sendPhoto($garden, picture(640, 480), $id)->assertOk()->assertJson(['result' => 'kept']);
    sendPhoto($garden, picture(640, 480), $id)->assertOk()->assertJson(['result' => 'known']);
    $large = send('GET', "/api/gardens/$garden/photos/$id.jpg", '')->assertOk();
    $small = send('GET', "/api/gardens/$garden/photos/$id.jpg?small", '')->assertOk();

    expect($large->headers->get('Content-Type'))->toBe('image/jpeg')
        ->and($large->headers->get('X-Content-Type-Options'))->toBe('nosniff')
        ->and(((array) getimagesize($large->baseResponse->getFile()->getPathname()))[0])->toBe(640)
        ->and(((array) getimagesize($small->baseResponse->getFile()->getPathname()))[0])->toBe(320)
        ->and(app(Photos::class)->of($garden))->toBe([$id]);
    send('GET', '/api/gardens/'.picturedGarden()."/photos/$id.jpg", '')->assertNotFound();
    foreach (['../../secrets/database', '..%2F..%2Fx', str_repeat('0', 26)] as $name) {
        send('GET', "/api/gardens/$garden/photos/$name.jpg", '')->assertNotFound();
    }
});

it('says what is wrong with a photograph that it does not take, and keeps nothing of it', function () {
    $garden = picturedGarden();
    sendPhoto($garden, 'x')->assertStatus(422)->assertJsonPath('faults.0.pointer', '/photo');
    sendPhoto($garden, picture(10, 10), 'short')->assertStatus(422)->assertJsonPath('faults.0.pointer', '/id');
    sendPhoto($garden, picture(10, 10), '../../../../../../etc/x')->assertStatus(422);
    sendPhoto($garden, picture(10, 10), type: 'text/html')->assertStatus(415);
    sendPhoto($garden, picture(10, 10), type: 'application/x-www-form-urlencoded')->assertStatus(415);
    sendPhoto('01zzzzzzzzzzzzzzzzzzzzzzzz', picture(10, 10))->assertNotFound();

    expect(app(Photos::class)->gardens())->toBe([]);
});

it('hands out everything with its photographs, and takes them in again to the byte', function () {
    $garden = picturedGarden();
    $id = (string) Str::ulid();
    sendPhoto($garden, picture(2000, 1000), $id)->assertOk();
    ask("/api/gardens/$garden/entries", ['entries' => [
        ['id' => (string) Str::ulid(), 'tub' => 'tub', 'at' => '2026-03-05T08:00', 'photo' => $id],
    ]])->assertJsonPath('entries.0.result', 'kept');
    expect(send('GET', '/', '')->viewData('page')['props']['everything'])->toBe('/api/everything.zip');
    $kept = md5_file((string) app(Photos::class)->file($garden, $id));

    $answer = send('GET', '/api/everything.zip', '')->assertOk();
    $zip = tempnam(sys_get_temp_dir(), 'kelp') ?: '';
    rename($answer->baseResponse->getFile()->getPathname(), $zip);
    $folder = "$zip-out";
    $archive = new ZipArchive;
    $archive->open($zip);
    $archive->extractTo($folder);
    // Elsewhere, where that garden is not.
    DB::table('entries')->delete();
    Garden::query()->forceDelete();
    app(Photos::class)->forget($garden);
    $came = app(Everything::class)->takeIn((string) file_get_contents("$folder/kelp-tub.json"));
    [$many, $refused] = app(Photos::class)->bring("$folder/photos", $came->places);
    File::deleteDirectory($folder);
    unlink($zip);

    expect([$many, $refused])->toBe([1, []])
        ->and(md5_file((string) app(Photos::class)->file($garden, $id)))->toBe($kept)
        ->and(json_decode(DB::table('entries')->value('document'))->photo)->toBe($id);
});

it('removes the photographs of gardens that are gone for good, and no others', function () {
    [$gone, $here] = [picturedGarden(), picturedGarden()];
    foreach ([$gone, $here] as $garden) {
        sendPhoto($garden, picture(20, 20))->assertOk();
    }
    Garden::findOrFail($gone)->delete();
    $history = app(GardenHistory::class);
    DB::table('tidyings')->insert(['at' => now()->subDay()]);
    $history->tidy();
    expect(app(Photos::class)->of($gone))->toHaveCount(1);

    $this->travel(GardenHistory::DAYS_DELETED + 1)->days();
    DB::table('tidyings')->update(['at' => now()->subDay()]);
    $history->tidy();

    expect(app(Photos::class)->gardens())->toBe([strtolower($here)]);
});
