<?php

declare(strict_types=1);

// Started by bin/mutate --named. Breaks the core in places that once were broken by hand without a test seeing it, one at a time, and runs
// the tests that are to see each. Ends with 1 where one lives, or where a place is not found any more.

use Tests\Mutation\Bench;
use Tests\Mutation\Mutant;

$root = dirname(__DIR__, 2);
require "$root/vendor/autoload.php";
$php = explode(' ', getopt('', ['php:'])['php'] ?? 'php');

/** What is broken, in which file, what stands there, what is put in its place, and in which test files it is to be caught. */
$breaks = [
    ['grow and bloom shares swapped', 'Feed/FeedProduct.php', "? 'bloom' : 'grow'", "? 'grow' : 'bloom'", 'OnceLivedTest'],
    ['places from the front by the length', 'Marks/Lid/LidReport.php', '$p->y + $outline->width / 2', '$p->y + $outline->length / 2',
        'LidTest'],
    ['the wrap mirrored', 'Marks/Build/Templates.php', 'fmod(rad2deg(atan2($point->y, $point->x)) + 360.0, 360.0)',
        'fmod(360.0 - rad2deg(atan2($point->y, $point->x)), 360.0)', 'OnceLivedTest'],
    ['the tube’s place not looked for', 'Marks/Build/Templates.php', 'if ($clear > $most + 1.0e-6) {', 'if ($clear < $most) {',
        'TemplateTest'],
    ['a print without its parts', 'Build/Step.php', 'array_map($amounts, $this->parts),', '[],', 'OnceLivedTest'],
    ['appetite dropped', 'Season/Season.php', '* sqrt($climate) * $this->eats)', '* sqrt($climate))', 'OnceLivedTest'],
    ['what is left not used for the next tub', 'Marks/Cost/CostFigures.php', 'max($left[$need->key] ?? 0.0, $need->owned)', '$need->owned',
        'CostFiguresTest'],
    ['what is owned not used for the next tub', 'Marks/Cost/CostFigures.php', 'max($left[$need->key] ?? 0.0, $need->owned)',
        '($left[$need->key] ?? 0.0)', 'OnceLivedTest'],
    ['a month’s water without count', 'Marks/Cost/CostFigures.php', '$run->poured() * $feed->tub->tub->count', '$run->poured()',
        'OnceLivedTest'],
    ['spares as used', 'Cost/Purchase.php', '$this->need->amount - $this->owned);', '$this->need->amount + $this->spare - $this->owned);',
        'OnceLivedTest'],
    ['the pump ranking without count', 'WhatIf/PumpRanking.php', '$each * $set->count * $fed->tub->count;', '$each * $set->count;',
        'OnceLivedTest'],
    ['the harvest of what dries', 'Season/Season.php', '$bears[$i] = ! $now->isDry();', '$bears[$i] = true;', 'OnceLivedTest'],
    ['free delivery under the least order', 'Cost/Supplier.php', '$goods < $this->minOrder - self::ROUNDING => INF,',
        '$this->freeOver === null && $goods < $this->minOrder - self::ROUNDING => INF,', 'OnceLivedTest'],
    ['a nursery’s heat', 'Marks/Feed/FeedPlanner.php', '* $plan->tub->water->drip->duty() : 0.0,', '* 0.0 : 0.0,', 'OnceLivedTest'],
    ['breath kept when the air changes', 'Marks/Feed/FeedPlanner.php', '$known->season?->breathing($this->breath($known->tub, $air)),',
        '$known->season,', 'AirTest AirWholeTest RemedyTest SavingsTest'],
    ['days within left out', 'Crop/Crop.php', 'return $this->started === StartedFrom::Seed ? $this->daysSowToTransplant : 0;', 'return 0;',
        'StartedTest'],
    ['warm days', 'Marks/Feed/SeasonRules.php', '$days >= self::ON_END => 1,', '$days > self::ON_END => 1,', 'FareTest'],
];

$bench = new Bench($root, 'bench-named', $php);
$failed = 0;
foreach ($breaks as [$name, $file, $was, $becomes, $tests]) {
    $code = (string) file_get_contents("$root/core/$file");
    $at = strpos($code, $was);
    if ($at === false) {
        fwrite(STDERR, "named: $name: core/$file does not say “$was” any more; name it anew\n");
        $failed++;

        continue;
    }
    $mutant = new Mutant("core/$file", 1 + substr_count(substr($code, 0, $at), "\n"), $at, strlen($was), $becomes);
    $caught = null;
    foreach (explode(' ', $tests) as $test) {
        $bench->startFile($mutant, "tests/Core/$test.php");
        while (($caught = $bench->caught()) === null) {
            usleep(20_000);
        }
        if ($caught) {
            $caught = $test;
            break;
        }
    }
    $bench->restore($mutant);
    $failed += $caught === false ? 1 : 0;
    printf("%s: %s\n", $name, $caught === false ? 'lived' : "caught by $caught");
}
exit($failed === 0 ? 0 : 1);
