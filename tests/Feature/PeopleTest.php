<?php

declare(strict_types=1);

use App\Growers\Acting;
use App\Growers\Codes;
use App\Growers\Passwords;
use App\Growers\People;
use App\Growers\Purpose;
use App\Http\Middleware\MustBeKnown;
use App\Models\Device;
use App\Models\Garden;
use App\Models\Grower;
use App\Models\OneTimeCode;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Route;
use Tests\Feature\Visitor;

function onHouseNetwork(): void
{
    config(['kelp.asks_who' => true, 'kelp.addresses' => ['http://192.168.1.5:8000']]);
}

/** Two growers; the first has what was here before. @return array{Visitor, Visitor} */
function twoGrowers(): array
{
    send('POST', '/api/gardens', '{"name":"From before"}')->assertCreated();
    onHouseNetwork();
    $codes = app(Codes::class);
    $first = (new Visitor)->joins($codes->make(Purpose::First), 'Nele');
    $second = (new Visitor('192.168.1.31'))->joins($codes->make(Purpose::Invitation), 'Oke');

    return [$first, $second];
}

it('asks nobody on loopback, and has neither growers nor cookies there', function (string $method, string $uri) {
    expect(send($method, $uri, '{}')->status())->toBe(404)
        ->and($this->get('/')->assertOk()->headers->getCookies())->toBe([])
        ->and(send('GET', '/api/gardens', '')->assertOk()->headers->getCookies())->toBe([]);
})->with([
    ['GET', '/sign-in'], ['GET', '/join/x'], ['GET', '/let-in'], ['GET', '/people'], ['POST', '/api/sign-in'], ['POST', '/api/join'],
    ['POST', '/api/let-in'], ['POST', '/api/people/invite'], ['POST', '/api/people/device'], ['POST', '/api/sign-out'],
]);

it('shows whoever sits at the machine the first grower’s gardens, once there is one', function () {
    [$first, $second] = twoGrowers();
    $second->garden('Hidden');
    config(['kelp.asks_who' => false, 'kelp.grower' => Grower::first()->id]);
    expect((new Visitor)->send('GET', '/api/gardens')->json('gardens.*.name'))->toBe(['From before']);
});

it('answers nobody whom it does not know, on any route', function () {
    onHouseNetwork();
    $nobody = new Visitor;
    $nobody->send('GET', '/up')->assertOk();
    $open = [];
    foreach (Route::getRoutes()->getRoutes() as $route) {
        $method = $route->methods()[0];
        $uri = '/'.ltrim((string) preg_replace('/\{[^}]+\}/', 'vessels', $route->uri()), '/');
        $uri = str_replace(['file.vessels', 'days.vessels', 'revisions/vessels'], ['file.csv', 'days.csv', 'revisions/1'], $uri);
        if (! in_array(MustBeKnown::class, Route::gatherRouteMiddleware($route), true)) {
            $open[] = "$method $uri";

            continue;
        }
        $answer = $nobody->send($method, $uri, '{}', ['If-Match' => '"1"']);
        if (str_starts_with($uri, '/api/')) {
            expect($answer->status())->toBe(401, "$method $uri")
                ->and($answer->json())->toBe(['message' => MustBeKnown::SAYS], $uri);
        } else {
            expect($answer->status())->toBe(302, "$method $uri")->and((string) $answer->headers->get('Location'))->toContain('/sign-in');
        }
    }
    sort($open);
    expect($open)->toBe([
        'GET /join/vessels', 'GET /let-in/vessels', 'GET /sign-in', 'GET /stand-ins/meter', 'GET /up',
        'POST /api/join', 'POST /api/let-in', 'POST /api/sign-in',
    ]);
});

it('says not found of another grower’s things, on every route that names one', function () {
    [$first, $second] = twoGrowers();
    $garden = $first->garden('Nele’s');
    $first->send('DELETE', '/api/gardens/'.$first->garden('Nele’s old one'), '{}', ['If-Match' => '"1"'])->assertOk();
    $deleted = (string) DB::table('gardens')->whereNotNull('deleted_at')->value('id');
    $lesson = $first->post('/api/dry-runs', ['lesson' => 'no-bubbles']);
    $run = (string) $lesson->json('id');
    expect($run)->not->toBe('', (string) $lesson->getContent());
    $device = Device::query()->where('name', 'Nele’s phone')->sole()->id;
    $before = array_map(static fn (string $of): string => DB::table($of)->get()->toJson(), ['gardens', 'dry_runs', 'revisions', 'devices']);
    $asked = 0;
    foreach (Route::getRoutes()->getRoutes() as $route) {
        if (preg_match('/\{(garden|id|run|device)\}/', $route->uri()) !== 1) {
            continue;
        }
        foreach (str_contains($route->uri(), '{garden}') || str_contains($route->uri(), '{id}') ? [$garden, $deleted] : [''] as $id) {
            $values = ['garden' => $id, 'id' => $id, 'run' => $run, 'device' => $device, 'revision' => '1', 'form' => 'csv'];
            $uri = '/'.preg_replace_callback('/\{(\w+)\??\}/', static fn (array $m): string => $values[$m[1]] ?? 'x', $route->uri());
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                $body = $method === 'PUT' ? demo() : '{}';
                $answer = $second->send($method, $uri, $body, ['If-Match' => '"1"', 'Content-Type' => 'application/json']);
                expect($answer->status())->toBe(404, "$method $uri");
                $asked++;
            }
        }
    }
    $after = array_map(static fn (string $of): string => DB::table($of)->get()->toJson(), ['gardens', 'dry_runs', 'revisions', 'devices']);
    expect($asked)->toBeGreaterThan(50)->and($after)->toBe($before);
});

it('tells a grower nothing of another’s, on any page or list', function () {
    [$first, $second] = twoGrowers();
    $garden = $first->garden('Zanzibar');
    $row = ['name' => 'Zanzibar tub', 'diameter_mm' => 51];
    $saw = (string) $first->post('/api/library/saws', $row)->assertCreated()->json('key');
    expect($second->send('DELETE', "/api/library/saws/$saw", '{}')->status())->toBe(404);
    $first->send('DELETE', '/api/gardens/'.$first->garden('Zanzibar old'), '{}', ['If-Match' => '"1"'])->assertOk();
    $places = [
        '/', '/deleted', '/library/saws', '/dry-runs', '/people', "/compare?of=$garden", "/wish?into=$garden", '/api/gardens',
        '/api/due?now=2027-04-18T07:40',
        '/api/library/saws', '/api/library/saws/file.csv', '/api/everything',
    ];
    foreach ($places as $place) {
        $answer = $second->send('GET', $place);
        $text = $answer->baseResponse instanceof Symfony\Component\HttpFoundation\StreamedResponse
            ? $answer->streamedContent() : (string) $answer->getContent();
        expect($answer->getStatusCode())->toBeIn([200, 404], $place)->and(str_contains($text, 'Zanzibar'))->toBeFalse($place);
    }
    foreach (['/api/gardens', '/api/library/saws', '/deleted', "/compare?of=$garden"] as $place) {
        expect((string) $first->send('GET', $place)->getContent())->toContain('Zanzibar');
    }
});

it('gives what was there to the first grower, and to no other', function () {
    [$first, $second] = twoGrowers();
    expect($first->send('GET', '/api/gardens')->json('gardens.*.name'))->toBe(['From before'])
        ->and($second->send('GET', '/api/gardens')->json('gardens'))->toBe([])
        ->and(DB::table('gardens')->where('owner_id', '')->count())->toBe(0);
});

it('lets in by a code once, for what it is for, and not when it is old', function () {
    onHouseNetwork();
    $codes = app(Codes::class);
    $code = $codes->make(Purpose::Invitation);
    (new Visitor)->joins(strtoupper($code), 'Nele');
    $ask = ['name' => 'Oke', 'password' => 'four words in a row'];
    $says = fn (string $code, string $path = 'join'): array => (new Visitor)->post("/api/$path", ['code' => $code, ...$ask])
        ->json('faults.*.pointer') ?? [];
    expect($says($code))->toBe(['/code'])
        ->and($says($codes->make(Purpose::Device, Grower::first()->id)))->toBe(['/code'])
        ->and($says($codes->make(Purpose::Invitation), 'let-in'))->toBe(['/code']);
    $old = $codes->make(Purpose::Invitation);
    $this->travel(7 * 24 * 60 - 1)->minutes();
    expect((new Visitor)->send('GET', "/join/$old")->getContent())->toContain('"purpose":"invitation"');
    $this->travel(2)->minutes();
    expect($says($old))->toBe(['/code'])->and(Grower::query()->count())->toBe(1)
        // Nobody who reads the table has a code.
        ->and(OneTimeCode::query()->get()->toJson())->not->toContain($old);
});

it('lets a phone in for five minutes, and nothing by looking at a link', function () {
    [$first] = twoGrowers();
    $made = $first->post('/api/people/device')->assertCreated()->json();
    expect($made['minutes'])->toBe(5)->and(strlen($made['code']))->toBe(8);
    $phone = new Visitor('192.168.1.40');
    $phone->send('GET', $made['path'])->assertOk();
    $phone->send('GET', '/api/gardens')->assertUnauthorized();
    $phone->post('/api/let-in', ['code' => substr($made['code'], 0, 4).' '.substr($made['code'], 4), 'device' => 'Shed phone'])->assertOk();
    expect($phone->send('GET', '/api/gardens')->json('gardens.*.name'))->toBe(['From before']);

    $late = $first->post('/api/people/device')->json('code');
    $this->travel(301)->seconds();
    expect((new Visitor)->post('/api/let-in', ['code' => $late])->status())->toBe(422);

    // Put out, it is nobody’s.
    $first->send('DELETE', '/api/people/devices/'.Device::query()->where('name', 'Shed phone')->sole()->id, '{}')->assertOk();
    $phone->send('GET', '/api/gardens')->assertUnauthorized();
    $first->send('GET', '/api/gardens')->assertOk();
});

it('signs in by name and password, under a session that was not known before', function () {
    [$first] = twoGrowers();
    $visitor = new Visitor;
    $visitor->send('GET', '/sign-in')->assertOk();
    $planted = $visitor->cookie;
    $visitor->post('/api/sign-in', ['name' => ' nele ', 'password' => 'four words in a row'])->assertOk()->assertJson(['name' => 'Nele']);
    expect($visitor->cookie)->not->toBe($planted);
    $thief = new Visitor;
    $thief->cookie = $planted;
    $thief->send('GET', '/api/gardens')->assertUnauthorized();
    $visitor->send('GET', '/api/gardens')->assertOk();

    $kept = $visitor->cookie;
    $visitor->post('/api/sign-out')->assertOk();
    $visitor->cookie = $kept;
    $visitor->send('GET', '/api/gardens')->assertUnauthorized();
});

it('guards its cookie, and takes it from its own pages only', function () {
    [$first] = twoGrowers();
    $cookie = collect($first->send('GET', '/')->headers->getCookies())->first(fn ($c) => $c->getName() === Visitor::COOKIE);
    expect($cookie->isHttpOnly())->toBeTrue()->and($cookie->getSameSite())->toBe('lax');
    $foreign = ['Origin' => 'http://192.168.1.66', 'Sec-Fetch-Site' => 'cross-site'];
    expect($first->send('POST', '/api/gardens', '{"name":"x"}', ['Origin' => 'http://192.168.1.66'])->status())->toBe(403)
        ->and($first->send('POST', '/api/people/invite', '{}', $foreign)->status())->toBe(403)
        ->and((new Visitor)->send('POST', '/api/sign-in', '{}', $foreign)->status())->toBe(403);
    // A form of another site can send no JSON.
    $server = ['CONTENT_TYPE' => 'application/x-www-form-urlencoded', 'REMOTE_ADDR' => '192.168.1.30'];
    $cookies = [Visitor::COOKIE => (string) $first->cookie];
    expect($this->call('POST', '/api/sign-out', cookies: $cookies, server: $server, content: '')->status())->toBe(415);
    $secure = $this->call('GET', 'https://127.0.0.1/sign-in');
    expect(collect($secure->headers->getCookies())->every(fn ($c) => $c->isSecure()))->toBeTrue();
});

it('has who tries too often wait, by name from anywhere and by address for any name', function () {
    twoGrowers();
    $try = fn (string $name, string $from, string $password = 'wrong and long enough') => (new Visitor($from))
        ->post('/api/sign-in', ['name' => $name, 'password' => $password]);
    for ($i = 1; $i <= 10; $i++) {
        expect($try('Nele', "192.168.2.$i")->status())->toBe(422);
    }
    $wait = $try('NELE', '192.168.2.99', 'four words in a row');
    expect($wait->status())->toBe(429)->and((int) $wait->headers->get('Retry-After'))->toBeBetween(1, 900)
        ->and($wait->json('message'))->toBe('That was tried too often. Try again in 15 min.')
        ->and($try('Oke', '192.168.2.99', 'four words in a row')->status())->toBe(200);
    $this->travel(901)->seconds();
    expect($try('Nele', '192.168.2.99', 'four words in a row')->status())->toBe(200);

    for ($i = 1; $i <= 40; $i++) {
        (new Visitor('10.0.0.9'))->post('/api/let-in', ['code' => "guess-$i"])->assertStatus(422);
    }
    expect((new Visitor('10.0.0.9'))->post('/api/let-in', ['code' => 'guess'])->status())->toBe(429)
        ->and($try('Oke', '10.0.0.9', 'four words in a row')->status())->toBe(429)
        ->and((new Visitor('10.0.0.9'))->send('GET', '/join/guess')->status())->toBe(429);
});

it('takes as long for a name that is not there, and says the same', function () {
    twoGrowers();
    Hash::shouldReceive('make')->andReturn('the hash of nobody');
    Hash::shouldReceive('check')->twice()->andReturn(false);
    $says = fn (string $name): array => (new Visitor)->post('/api/sign-in', ['name' => $name, 'password' => 'wrong enough'])->json();
    expect($says('Nobody'))->toBe($says('Nele'));
});

it('changes a password for who knows the old one, and puts all other devices out', function () {
    [$first] = twoGrowers();
    $other = new Visitor('192.168.1.50');
    $other->post('/api/sign-in', ['name' => 'Nele', 'password' => 'four words in a row'])->assertOk();
    expect($first->post('/api/people/password', ['old' => 'no', 'new' => 'quite another one'])->json('faults.0.pointer'))->toBe('/old');
    $first->post('/api/people/password', ['old' => 'four words in a row', 'new' => 'quite another one'])->assertOk();
    $first->send('GET', '/api/gardens')->assertOk();
    $other->send('GET', '/api/gardens')->assertUnauthorized();
    expect((new Visitor)->post('/api/sign-in', ['name' => 'Nele', 'password' => 'four words in a row'])->status())->toBe(422)
        ->and(Grower::first()->password)->toStartWith('$argon2id$');
});

it('sets a password anew by the command line, and nothing else', function () {
    [$first] = twoGrowers();
    Artisan::call('kelp:people', ['do' => 'reset', 'name' => 'nele']);
    preg_match('#http://192\.168\.1\.5:8000/join/(\w+)#', Artisan::output(), $link);
    expect($link)->toHaveCount(2);
    $visitor = new Visitor;
    expect($visitor->send('GET', "/join/$link[1]")->getContent())->toContain('Nele');
    $visitor->post('/api/join', ['code' => $link[1], 'password' => 'quite another one'])->assertOk()->assertJson(['name' => 'Nele']);
    $first->send('GET', '/api/gardens')->assertUnauthorized();
    expect(Grower::query()->count())->toBe(2)
        ->and(Artisan::call('kelp:people', ['do' => 'reset', 'name' => 'Nobody']))->toBe(1)
        ->and(Artisan::call('kelp:people', ['do' => 'frist']))->toBe(1);
});

it('names the first one’s code until there is a first one', function () {
    onHouseNetwork();
    Artisan::call('kelp:people', ['do' => 'first']);
    preg_match('#/join/(\w+)#', Artisan::output(), $before);
    Artisan::call('kelp:people', ['do' => 'first']);
    preg_match('#/join/(\w+)#', Artisan::output(), $link);
    // The one that an earlier start named holds no more.
    $late = ['code' => $before[1], 'name' => 'Nele', 'password' => 'four words in a row'];
    expect((new Visitor)->post('/api/join', $late)->status())->toBe(422);
    (new Visitor)->joins($link[1], 'Nele');
    Artisan::call('kelp:people', ['do' => 'first']);
    expect(Artisan::output())->toBe('');
});

it('removes a grower with all that is theirs, when that is said', function () {
    [$first, $second] = twoGrowers();
    $second->garden('Oke’s');
    expect(Artisan::call('kelp:people', ['do' => 'remove', 'name' => 'Oke']))->toBe(1)->and(DB::table('gardens')->count())->toBe(2);
    Artisan::call('kelp:people', ['do' => 'remove', 'name' => 'Oke', '--for-good' => true]);
    $second->send('GET', '/api/gardens')->assertUnauthorized();
    expect(DB::table('gardens')->pluck('name')->all())->toBe(['From before'])->and(Device::query()->count())->toBe(1);
});

it('goes on after signing in to a place of its own, and to no other', function (string $to, string $goes) {
    onHouseNetwork();
    $page = (new Visitor)->send('GET', '/sign-in?to='.rawurlencode($to))->assertOk();
    expect($page->getContent())->toContain('"to":'.json_encode($goes));
})->with([
    ['/people', '/people'], ['/gardens/x/a/log?day=3', '/gardens/x/a/log?day=3'], ['//evil.example', '/'], ['https://evil.example', '/'],
    ['/\\evil.example', '/'], ["/\tevil", '/'], ['javascript:alert(1)', '/'], ['', '/'],
]);

it('takes passwords that nobody would try', function (string $password, bool $isFine) {
    $passwords = new Passwords(base_path('data/common-passwords.txt'));
    expect($passwords->fault($password, 'Nele Harm') === null)->toBe($isFine);
})->with([
    'nine signs' => ['kelp-rope', false], 'ten signs' => ['kelp-ropes', true], 'two hundred' => [str_repeat('kelp rope ', 20), true],
    'a sentence' => ['the heron eats at six', true], 'common' => ['qwertyuiop', false], 'with digits behind' => ['Password2026!', false],
    'with look-alikes' => ['p4$$w0rd!!', false], 'twice' => ['sunshinesunshine', false], 'one sign' => ['aaaaaaaaaaaa', false],
    'a run' => ['1234567890', false], 'a run down' => ['9876543210', false], 'the name' => ['Nele Harm 1', false],
    'too long' => [str_repeat('aq7', 67), false], 'letters of elsewhere' => ['водоросли в ведре', true],
]);

it('lets two growers have things of one key, and take in the same file', function () {
    [$first, $second] = twoGrowers();
    $first->garden('Shared');
    $file = $first->send('GET', '/api/everything')->streamedContent();
    $came = $second->send('POST', '/api/everything', $file)->assertOk()->json();
    $again = $second->send('POST', '/api/everything', $file)->assertOk()->json();
    expect($came['new'])->toHaveCount(2)
        ->and($second->send('GET', '/api/gardens')->json('gardens'))->toHaveCount(2)
        ->and($again['places'])->toBe($came['places'])
        ->and(array_intersect($came['places'], array_keys($came['places'])))->toBe([])
        ->and(Garden::query()->withoutGlobalScopes()->count())->toBe(4);

    foreach ([$first, $second] as $grower) {
        expect($grower->post('/api/library/saws', ['key' => 'mine', 'name' => 'Mine', 'diameter_mm' => 51])->json('key'))->toBe('mine');
        $grower->send('POST', '/api/gardens', '{"name":"One write"}', ['Idempotency-Key' => 'the-same-key'])->assertCreated();
    }
    expect(DB::table('gardens')->where('name', 'One write')->distinct()->count('owner_id'))->toBe(2);
});

it('refuses a name that is taken, and says what is wrong with what was typed', function (string $name, string $password, array $where) {
    [$first] = twoGrowers();
    $code = app(Codes::class)->make(Purpose::Invitation);
    $answer = (new Visitor)->post('/api/join', ['code' => $code, 'name' => $name, 'password' => $password]);
    expect($answer->status())->toBe(422)->and($answer->json('faults.*.pointer'))->toBe($where);
    // The code holds still: nothing was half done.
    (new Visitor)->joins($code, 'Third');
})->with([
    ['Nele', 'four words in a row', ['/name']], ['  NELE ', 'four words in a row', ['/name']], ['', 'short', ['/name', '/password']],
    [str_repeat('x', People::NAME_LENGTH + 1), 'four words in a row', ['/name']], ["a\u{200B}b", 'four words in a row', ['/name']],
]);

it('does not answer a request of which nobody said for whom it is', function () {
    expect(fn () => (new Acting(isCommand: false))->id())->toThrow(LogicException::class)
        ->and((new Acting(isCommand: true))->id())->toBeNull();
});

it('lets no word of one grower come to another by what the server remembers of tubs', function () {
    [$first, $second] = twoGrowers();
    $named = static fn (string $word): string => str_replace('Zanzibar', $word, (string) json_encode([
        'format' => 'kelp-tub.garden', 'version' => 1, 'name' => 'Zanzibar garden',
        'tubs' => [[
            'id' => 'zanzibar-tub', 'name' => 'Zanzibar tub', 'system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'basil',
            'stones' => ['kind' => 'disc-100'],
        ]],
    ]));
    foreach (['/api/preview', '/api/plan', '/api/preview'] as $route) {
        $one = $first->send('POST', $route, $named('Zanzibar'))->assertOk();
        $other = $second->send('POST', $route, $named('Molehill'))->assertOk();
        expect((string) $one->getContent())->toContain('Zanzibar')
            ->and(str_contains((string) $other->getContent(), 'Zanzibar'))->toBeFalse()
            ->and((string) $other->getContent())->toContain('Molehill');
    }
});
