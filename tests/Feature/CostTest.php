<?php

declare(strict_types=1);

use App\Prices\SupplierService;
use Illuminate\Http\Client\Factory;
use Symfony\Component\Process\Process;
use Tests\Core\Gardens;

/** @return array<string, mixed> */
function marshLantern(): array
{
    return json_decode((string) file_get_contents(base_path('data/demo.kelp.json')), true);
}

it('answers what the command line does: figures, savings, sheet and files', function () {
    $text = (string) file_get_contents(base_path('data/demo.kelp.json'));
    $kelp = function (string ...$arguments): string {
        $run = new Process([
            PHP_BINARY,
            base_path('bin/kelp'),
            $arguments[0],
            base_path('data/demo.kelp.json'),
            ...array_slice($arguments, 1),
        ]);

        return $run->mustRun()->getOutput();
    };
    $post = fn (string $path) => $this->call('POST', "/api/$path", [], [], [], [
        'CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json',
    ], $text)->assertOk();
    $plan = json_decode($kelp('plan', '--json'), true);
    $savings = json_decode($kelp('savings', '--json'), true);
    $sheet = json_decode($kelp('build', '--tub', 'foredeck', '--as', 'json'), true);

    expect($post('cost')->json('budget'))->toEqual($plan['budget'])
        ->and($post('savings')->json())->toEqual($savings)
        ->and($post('build?tub=foredeck')->json())->toEqual($sheet)
        ->and($post('parts?as=csv')->getContent())->toBe($kelp('parts', '--as', 'csv'))
        ->and($post('parts?as=pdf')->getContent())->toBe($kelp('parts', '--as', 'pdf'))
        ->and($post('build/print?tub=foredeck')->getContent())->toBe($kelp('build', '--tub', 'foredeck', '--as', 'pdf'));
    foreach (['pdf', 'svg', 'dxf'] as $as) {
        $answer = $post("template?tub=foredeck&what=all&as=$as");
        expect($answer->getContent())->toBe($kelp('template', '--tub', 'foredeck', '--what', 'all', '--as', $as))
            ->and($answer->headers->get('Content-Disposition'))->toMatch("/filename=\"foredeck-tote-all(-a4)?\\.$as\"/");
    }
});

it('says what a tub costs alone, the next one, and three alike: packs shared, tools once', function () {
    $tubs = collect($this->postJson('/api/cost', marshLantern())->assertOk()->json('tubs'))->keyBy('id');
    $tote = $tubs['foredeck'];

    expect($tubs)->toHaveCount(6)
        ->and($tote['next'])->toBeLessThan($tote['alone'])
        ->and($tote['three'])->toBeGreaterThan($tote['alone'])->toBeLessThan(3 * $tote['alone']);
});

it('refuses what cannot be made, by what was given', function (string $path, string $says) {
    $faults = $this->postJson("/api/$path", marshLantern())->assertStatus(422)->json();

    expect(json_encode($faults, JSON_UNESCAPED_UNICODE))->toContain($says);
})->with([
    'no such tub' => ['build?tub=nowhere', 'nowhere'],
    'no such copy' => ['build?tub=well-deck&copy=3', 'there are 2 of Well-deck pails'],
    'no such template' => ['template?tub=foredeck&as=pdf&what=wrap', 'Foredeck tote has lid, wall, gauge'],
    'no such form' => ['template?tub=foredeck&as=doc', 'as'],
    'no such paper' => ['template?tub=foredeck&as=pdf&paper=a9', 'there are a4 and letter'],
    'no such list' => ['parts?as=doc', 'as'],
]);

it('says the same on the command line, on one line, and writes nothing', function (array $arguments, string $says) {
    $out = sys_get_temp_dir().'/kelp-nothing-'.getmypid();
    $run = new Process([
        PHP_BINARY,
        base_path('bin/kelp'),
        $arguments[0],
        base_path('data/demo.kelp.json'),
        ...array_slice($arguments, 1),
        '--out',
        $out,
    ]);
    $run->run();

    expect($run->getExitCode())->toBe(2)->and($run->getErrorOutput())->toContain($says)
        ->and(substr_count(trim($run->getErrorOutput()), "\n"))->toBe(0)
        ->and($run->getOutput())->toBe('')->and(is_file($out))->toBeFalse();
})->with([
    [['template'], 'say which tub: --tub, one of foredeck'],
    [['template', '--tub', 'x'], 'there is no tub x'],
    [['template', '--tub', 'foredeck', '--what', 'raft'], 'has no template raft'],
    [['template', '--tub', 'foredeck', '--as', 'doc'], 'there are pdf, svg and dxf'],
    [['template', '--tub', 'foredeck', '--paper', 'a9'], 'there are a4 and letter'],
    [['build', '--tub', 'well-deck', '--copy', '3'], 'there are 2'],
    [['parts', '--as', 'doc'], 'there are csv, json and pdf'],
]);

it('says where a file cannot be written', function () {
    $run = new Process([PHP_BINARY, base_path('bin/kelp'), 'parts', base_path('data/demo.kelp.json'), '--out', '/nowhere/parts.csv']);
    $run->run();

    expect($run->getExitCode())->toBe(2)->and($run->getErrorOutput())->toContain('/nowhere/parts.csv cannot be written');
});

it('reads a price list however it is written', function (string $text, array $offers) {
    $answer = $this->postJson('/api/prices/read', ['garden' => marshLantern(), 'text' => $text])->assertOk()->json();

    expect($answer['faults'])->toBe([])->and($answer['offers'])->toEqual($offers);
})->with([
    'commas' => [
        "part,pack,price,supplier\nnet-cup-50,20,6.50,Quay stall\n",
        [['part' => 'net-cup-50', 'pack' => 20, 'price' => 6.5, 'supplier' => 'Quay stall']],
    ],
    'semicolons, decimal commas, a mark' => ["\u{feff}part;price\ntee;0,50\n", [['part' => 'tee', 'pack' => 1, 'price' => 0.5]]],
    'headings in any order, in words' => [
        "Price;Shop;Item;Pack size\r\n€6,50;Quay stall;50 mm net cup;20\r\n\r\n",
        [['part' => 'net-cup-50', 'pack' => 20, 'price' => 6.5, 'supplier' => 'Quay stall']],
    ],
    'tabs, a unit after the pack' => [
        "part\tpack\tprice\ntube-4-6\t5000 mm\t3.6\n",
        [['part' => 'tube-4-6', 'pack' => 5000, 'price' => 3.6]],
    ],
    'quoted, over two lines' => [
        "part,price,supplier\ntee,\"0.50\",\"Quay\nstall\"\n",
        [['part' => 'tee', 'pack' => 1, 'price' => 0.5, 'supplier' => 'Quay stall']],
    ],
    'a parcel' => [
        "part,price,from,delivery\ntee,0.5,Quay stall,4\n",
        [['part' => 'tee', 'pack' => 1, 'price' => 0.5, 'supplier' => 'Quay stall', 'delivery' => 4]],
    ],
]);

it('names the rows that will not do, and keeps the others', function () {
    $rows = ["part,pack,price,currency\n"];
    for ($i = 2; $i <= 1001; $i++) {
        $rows[] = match ($i) {
            17 => "unicorn,1,2,\n",
            400 => "tee,0,2,\n",
            999 => "tee,1,two,\n",
            default => "tee,$i,2,\n",
        };
    }
    $answer = $this->postJson('/api/prices/read', ['garden' => marshLantern(), 'text' => implode('', $rows)])->assertOk()->json();

    expect($answer['offers'])->toHaveCount(997)
        ->and(array_column($answer['faults'], 'row'))->toBe([17, 400, 999])
        ->and($answer['faults'][0]['message'])->toContain('“unicorn” is no part')
        ->and($answer['faults'][1]['message'])->toContain('“0” is no pack')
        ->and($answer['faults'][2]['message'])->toContain('"two" is no sum of money');
});

it('refuses another currency, no headings, an empty list and one too long', function (string $text, string $says) {
    $answer = $this->postJson('/api/prices/read', ['garden' => marshLantern(), 'text' => $text])->assertOk()->json();

    expect($answer['offers'])->toBe([])->and($answer['faults'][0]['message'])->toContain($says);
})->with([
    ["part,price,currency\ntee,2,USD\n", 'is in USD, and this garden counts in EUR'],
    ["tee,2\n", 'names no part and no price'],
    ['', 'is empty'],
    ["part,price\n".str_repeat("tee,2\n", 2001), 'past the 2000 rows'],
]);

it('reads the parts list that it has written itself, as CSV and as a spreadsheet, every price of it', function () {
    $garden = marshLantern();
    $bought = [];
    foreach ($this->postJson('/api/plan', $garden)->assertOk()->json('parts') as $part) {
        foreach ($part['buy'] as $buy) {
            $bought[] = [$part['key'], (float) $buy['pack'], (float) $buy['price']];
        }
    }
    $csv = $this->postJson('/api/parts?as=csv', $garden)->assertOk()->getContent();
    $rows = $this->postJson('/api/parts?as=rows', $garden)->assertOk()->json('rows');
    $told = static fn (array $answer): array => array_map(
        static fn (array $o): array => [$o['part'], (float) $o['pack'], (float) $o['price']],
        $answer['offers'],
    );
    foreach ([['text' => $csv], ['rows' => array_map(static fn (array $row): array => array_map(strval(...), $row), $rows)]] as $list) {
        $answer = $this->postJson('/api/prices/read', ['garden' => $garden, ...$list])->assertOk()->json();
        expect($answer['faults'])->toBe([])->and($told($answer))->toEqual($bought);
    }
    // The same columns in both, amounts as numbers with their unit beside them, what is had apart from what is to buy.
    $head = str_getcsv((string) strtok(substr((string) $csv, 3), "\r\n"), escape: '');
    expect($rows[0])->toBe($head)->and($head)->toContain('need', 'unit', 'owned', 'to buy', 'pack', 'price');
    $drill = array_combine($head, array_column($rows, null, 0)['drill']);
    expect($drill['owned'])->toBeGreaterThan(0)->and($drill['to buy'])->toEqual(0)->and($drill['price'])->toBeNull();
});

it('reads the rows of a spreadsheet the same', function () {
    $garden = marshLantern();
    $rows = [['price', 'part'], [2.5, 'tee'], ['', ''], [1, 'nothing of it']];
    $answer = $this->postJson('/api/prices/read', ['garden' => $garden, 'rows' => $rows])->assertOk()->json();

    expect($answer['offers'])->toEqual([['part' => 'tee', 'pack' => 1, 'price' => 2.5]])->and($answer['faults'][0]['row'])->toBe(4);
    $this->postJson('/api/prices/read', ['garden' => $garden, 'rows' => 'no rows'])->assertStatus(422);
    $this->postJson('/api/prices/read', ['garden' => $garden, 'rows' => ['no row']])->assertStatus(422);
});

/** A supplier that answers so. */
function supplierSays(mixed $body, int $status = 200): SupplierService
{
    $http = new Factory;
    $http->fake(['*' => fn () => $http::response(is_string($body) ? $body : json_encode($body), $status)]);

    return new SupplierService($http, 'http://127.0.0.1/stand-ins/supplier');
}

it('leaves prices as they are when the supplier is down, slow or talks nonsense', function (mixed $body, int $status, string $says) {
    expect(supplierSays($body, $status)->prices('EUR'))->toBeString()->toContain($says);
})->with([
    'down' => ['', 503, 'makes no sense'],
    'a page in place of prices' => ['<!doctype html><p>moved', 200, 'makes no sense'],
    'no items' => [['supplier' => ['name' => 'X'], 'currency' => 'EUR', 'items' => []], 200, 'makes no sense'],
    'a pack of zero' => [
        ['supplier' => ['name' => 'X'], 'currency' => 'EUR', 'items' => [['part' => 'tee', 'pack' => 0, 'price' => 1]]],
        200,
        'makes no sense',
    ],
    'a price below nothing' => [
        ['supplier' => ['name' => 'X'], 'currency' => 'EUR', 'items' => [['part' => 'tee', 'pack' => 1, 'price' => -1]]],
        200,
        'makes no sense',
    ],
    'another currency' => [
        ['supplier' => ['name' => 'X'], 'currency' => 'USD', 'items' => [['part' => 'tee', 'pack' => 1, 'price' => 1]]],
        200,
        'counts in USD',
    ],
]);

it('says so when nobody answers at all', function () {
    expect((new SupplierService(new Factory, 'http://127.0.0.1:1/stand-ins/supplier'))->prices('EUR'))->toContain('does not answer');
});

it('lists what is new or has changed of what this garden buys, and no more', function () {
    $items = [
        ['part' => 'tee', 'pack' => 10, 'price' => 2.5, 'stock' => 3],
        ['part' => 'net-cup-50', 'pack' => 20, 'price' => 6.0, 'stock' => 9],
        ['part' => 'tote-45', 'pack' => 1, 'price' => 12.0, 'stock' => 0],
        ['part' => 'bucket-5', 'pack' => 1, 'price' => 2.0, 'stock' => 5],
    ];
    $this->app->instance(
        SupplierService::class,
        supplierSays(['supplier' => ['name' => 'Towpath'], 'currency' => 'EUR', 'items' => $items]),
    );
    $garden = marshLantern();
    $garden['prices'] = [
        ['part' => 'tee', 'pack' => 10, 'price' => 2.0, 'supplier' => 'Towpath'],
        ['part' => 'net-cup-50', 'pack' => 20, 'price' => 6, 'supplier' => 'Towpath'],
    ];
    $changes = $this->postJson('/api/prices/refresh', ['garden' => $garden])->assertOk()->json('changes');

    expect($changes)->toEqual([['part' => 'tee', 'pack' => 10, 'price' => 2.5, 'before' => 2.0, 'stock' => 3]]);
});

it('ships a supplier of some sixty generic parts, with its bad days', function () {
    $ask = function (string $query): string {
        $script = '$_GET = []; parse_str($argv[1], $_GET); $_SERVER["HTTP_HOST"] = "127.0.0.1"; include $argv[2];';

        return (new Process([PHP_BINARY, '-r', $script, '--', $query, app_path('StandIns/supplier.php')]))->mustRun()->getOutput();
    };
    $said = json_decode($ask(''), true);
    $since = json_decode($ask('since=2026-08-01'), true);
    $service = supplierSays($said);

    expect(count(array_unique(array_column($said['items'], 'part'))))->toBeGreaterThanOrEqual(60)
        ->and($service->prices('EUR'))->toBeInstanceOf(stdClass::class)
        ->and(count($since['items']))->toBeLessThan(count($said['items']))->toBeGreaterThan(0)
        ->and(json_decode($ask('day=nonsense')))->toBeNull()
        ->and(array_diff(array_column($said['items'], 'part'), Gardens::library()->offers->parts()))->toBe([]);
});
