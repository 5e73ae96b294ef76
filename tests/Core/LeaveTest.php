<?php

declare(strict_types=1);

use KelpTub\Core\Garden\Garden;
use KelpTub\Core\WhatIf\SeasonAsk;
use KelpTub\Core\WhatIf\SeasonRuns;
use Tests\Core\Gardens;

/** A season with somebody away, as it is answered. */
function leftAlone(Garden $garden, ?array $leave, array $whatIfs = []): stdClass
{
    return (new SeasonRuns(Gardens::planner(), Gardens::library()))
        ->of($garden, $garden->tubs[0], [new SeasonAsk([], $whatIfs, $leave)])[0];
}

/** A bucket with one kale that is fed. */
function kaleBucket(array $tub = []): Garden
{
    return Gardens::tub(
        ['crop' => 'kale', 'layout' => ['cups' => 1], 'feed' => 'f', ...$tub],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]],
    );
}

it('fills up the evening before, and then is as one who is away finds it', function () {
    $garden = kaleBucket(['reservoir_change' => 'never']);
    $plain = leftAlone($garden, null)->season;
    $run = leftAlone($garden, [30, 6]);
    $before = $plain->days[28];
    // To the line, from what the evening of day 29 leaves.
    $gone = $plain->fill_l - ($before->volume_l - $run->season->days[29]->use_l);

    expect(array_slice($run->season->days, 0, 29))->toEqual(array_slice($plain->days, 0, 29))
        ->and($run->leave->before->day)->toBe(29)
        ->and($run->leave->before->litres)->toEqualWithDelta($gone, 1e-9)
        ->and($run->season->days[29]->volume_l)->toEqualWithDelta($plain->fill_l, 1e-9)
        ->and(array_sum(array_map(fn ($d) => $d->top_up_l + $d->stronger, array_slice($run->season->days, 30, 6))))->toBe(0.0)
        // It stands as the fill less what was drunk in six days, and that is what the return finds.
        ->and($run->leave->back->day)->toBe(35)
        ->and($run->leave->back->volume_l)->toEqualWithDelta(
            $plain->fill_l - array_sum(array_map(fn ($d) => $d->use_l, array_slice($run->season->days, 30, 6))),
            1e-9,
        );
});

it('keeps as many days as it says, and no more', function (array $tub) {
    $garden = kaleBucket($tub);
    $most = leftAlone($garden, [40, 1])->leave->most_days;
    $found = fn (int $days): stdClass => leftAlone($garden, [40, $days])->leave;
    $report = Gardens::report($garden)->tubs[0];
    $least = $report->volume->working_l - $report->volume->usable_l;

    expect($most)->toBeGreaterThan(1)
        ->and($found($most)->most_days)->toBe($most)
        ->and($found($most)->back->volume_l)->toBeGreaterThanOrEqual($least - 1e-9);
    $after = $found($most + 1);
    expect([$after->limit, match ($after->limit) {
        'low' => $after->back->volume_l < $least,
        'strong' => $after->back->ec_ms_cm > $report->limits->ec_ms_cm[1],
        default => null,
    }])->toBe([$after->limit, true]);
})->with([
    'until it is low' => [['vessel' => 'bucket-5']],
    'topped up in quarters' => [['system' => 'passive', 'top_ups' => 'quarter', 'reservoir_change' => 'never', 'vessel' => 'bucket-10']],
]);

it('changes the water the evening before where that falls due meanwhile, and not where it does not', function () {
    $garden = kaleBucket(['reservoir_change' => 'two-weekly']);
    $due = array_values(array_filter(leftAlone($garden, null)->events, fn ($e) => $e->change))[0]->day;

    // Nobody comes from two days before it is due on: on its very day, or only till the day before.
    expect(leftAlone($garden, [$due - 2, 3])->leave->before->change)->toBeTrue()
        ->and(leftAlone($garden, [$due - 2, 2])->leave->before->change ?? false)->toBeFalse();
});

it('gives still water a whole quarter, what its school brings anyway, or nothing', function (string $school) {
    $garden = kaleBucket(['system' => 'passive', 'top_ups' => $school, 'reservoir_change' => 'never']);
    $plain = leftAlone($garden, null)->season;
    $poured = [];
    foreach (range(20, 60, 4) as $day) {
        $before = leftAlone($garden, [$day, 3])->leave->before;
        $gone = $plain->fill_l - $plain->days[$day - 2]->volume_l + $plain->days[$day - 1]->use_l;
        $quarter = $plain->start->volume_l / 4;
        $anyway = $plain->days[$day - 1]->top_up_l;
        $poured[] = $litres = $before->litres ?? 0.0;
        expect($litres)->toEqualWithDelta(max($anyway, $school !== 'none' && $gone >= $quarter ? $quarter : 0.0), 1e-9, "day $day");
    }
    expect(max($poured) > 0.0)->toBe($school !== 'none')->and(min($poured))->toBe(0.0);
})->with(['none', 'quarter', 'half']);

it('goes on as before on the evening of the return, and says what is done then', function () {
    $garden = kaleBucket(['vessel' => 'bucket-10', 'reservoir_change' => 'never']);
    $run = leftAlone($garden, [40, 5]);
    $on = array_values(array_filter($run->events, fn ($e) => $e->day === 45));

    expect($run->leave->after)->toEqual($on[0] ?? null)
        ->and(array_filter($run->events, fn ($e) => $e->day >= 40 && $e->day < 45))->toBe([]);
});

it('leaves on the first day from what was just filled', function () {
    $run = leftAlone(kaleBucket(), [0, 4]);

    expect($run->leave->before)->toBeNull()
        ->and($run->leave->most_days)->toBeGreaterThan(4)
        ->and($run->leave->back->day)->toBe(3);
});

it('refuses a day past the end, and text that is no absence', function () {
    expect(fn () => leftAlone(kaleBucket(), [700, 4]))->toThrow(InvalidArgumentException::class, 'past the end of this season')
        ->and(fn () => SeasonAsk::leaveOf('9 days'))->toThrow(InvalidArgumentException::class, 'as in 30x9')
        ->and(fn () => SeasonAsk::leaveOf('9x0'))->toThrow(InvalidArgumentException::class)
        ->and(SeasonAsk::leaveOf(' 30x9 '))->toBe([30, 9]);
});
