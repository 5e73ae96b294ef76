<?php

declare(strict_types=1);

// Small requests that once held a worker for seconds: made here, asked by bench.php, and by the tests in small.

/** @return array<string, string> gardens by name */
function slowGardens(): array
{
    mt_srand(5);
    $between = static fn (float $from, float $to): float => round($from + ($to - $from) * mt_rand() / mt_getrandmax(), 1);
    $keepOuts = static fn (int $count, float $length, float $width): array => array_map(static fn (): array => [
        'x_mm' => $between(-$length / 2, $length / 2), 'y_mm' => $between(-$width / 2, $width / 2),
        'length_mm' => $between(8, 40), 'width_mm' => $between(8, 40),
    ], range(1, $count));
    $box = static fn (float $length, float $width, array $keepOuts = []): array => [
        'kind' => 'tote',
        'stations' => [
            ['height_mm' => 0, 'length_mm' => $length - 30, 'width_mm' => $width - 30],
            ['height_mm' => 350, 'length_mm' => $length, 'width_mm' => $width],
        ],
        'lid' => ['length_mm' => $length + 20, 'width_mm' => $width + 20, 'keep_outs' => $keepOuts],
    ];
    $holes = static fn (): array => ['pattern' => 'manual', 'holes' => array_map(
        static fn (): array => ['x_mm' => $between(-1400, 1400), 'y_mm' => $between(-1000, 1000)],
        range(1, 200),
    )];
    $garden = static fn (array $tubs, array $rest = []): string => (string) json_encode([
        'format' => 'kelp-tub.garden',
        'version' => 1,
        'tubs' => array_map(static fn (array $tub, int $i): array => [
            'id' => "t$i", 'system' => 'aerated', 'stones' => ['kind' => 'disc-100', 'count' => 2], ...$tub,
        ], $tubs, array_keys($tubs)),
        'air' => [[
            'id' => 'p', 'pump' => 'pump-20w-6', 'check_valve' => true,
            'branches' => array_map(static fn (int $i): array => ['tub' => "t$i"], array_keys($tubs)),
        ]],
        ...$rest,
    ]);
    $twenty = array_map(static fn (string $crop): array => ['crop' => $crop, 'plants' => 10], [
        'lettuce-leaf', 'lettuce-romaine', 'endive', 'mizuna', 'rocket', 'spinach', 'watercress', 'tatsoi', 'pak-choi', 'cabbage-mini',
        'kale', 'chard', 'sorrel', 'celery', 'celery-leaf', 'kohlrabi', 'spring-onion', 'basil', 'coriander', 'parsley',
    ]);
    $any = array_map(static fn (array $wish): array => ['crop' => $wish['crop']], $twenty);
    $free = array_map(static fn (int $pack): array => ['part' => 'net-cup-50', 'pack' => $pack, 'price' => 0], [1, 2, 3, 4, 5, 7]);

    return [
        'one rib' => $garden([['vessel' => $box(560, 370, [['x_mm' => 0, 'y_mm' => 0, 'length_mm' => 40, 'width_mm' => 370]])]]),
        'ten keep-outs' => $garden([['vessel' => $box(560, 370, $keepOuts(10, 560, 370)), 'crop' => 'basil']]),
        'forty keep-outs' => $garden([['vessel' => $box(800, 500, $keepOuts(40, 800, 500)), 'crop' => 'basil']]),
        'a hundred keep-outs' => $garden([['vessel' => $box(2900, 2900, $keepOuts(100, 2900, 2900)), 'cup' => 'net-cup-38']]),
        '200 holes, 20 crops, 10 keep-outs' => $garden([
            ['vessel' => $box(2900, 2100, $keepOuts(10, 2900, 2100)), 'layout' => $holes(), 'crops' => $twenty],
        ]),
        '20 crops on a lid' => $garden([['vessel' => 'tote-90', 'crops' => $any]]),
        '60 tubs of 50 copies' => $garden(array_fill(0, 60, ['vessel' => 'bucket-20', 'count' => 50, 'crop' => 'basil'])),
        '60 tubs of 200 holes' => $garden(
            array_map(static fn (): array => ['vessel' => $box(2900, 2100), 'layout' => $holes(), 'crop' => 'basil'], range(1, 60)),
        ),
        'packs for nothing' => $garden([['vessel' => 'bucket-20', 'count' => 50, 'layout' => ['cups' => 4]]], ['prices' => $free]),
    ];
}
