<?php

declare(strict_types=1);

use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Log\Sign;
use KelpTub\Core\Log\Suspicion;
use Tests\Core\Grown;

// Each suspicion against a log that shows it, and against one that nearly does.

/** A bucket of chilli some weeks old, never changed, so that nothing but the log speaks. */
function grownChilli(array $tub = [], array $garden = []): Garden
{
    return Grown::garden(['crop' => 'chilli', 'cup' => 'net-cup-75', 'reservoir_change' => 'never', ...$tub], [], $garden);
}

/** What an undisturbed tub would read on a morning, and how it differs from it. */
function readingOf(Garden $garden, int $day, array $off = [], array $more = [], string $time = '08:00'): Entry
{
    $course = Grown::copy($garden)->forecast()[0];
    $state = $course->days[$day - 1]->after;
    $litres = $state->volume - ($off['litres'] ?? 0.0);

    return Grown::entry($day, $time, array_filter([
        'level_mm' => $course->days[$day]->tub()->reservoir->levelFor($litres),
        'ec_ms_cm' => $state->ec() === null ? null : $state->ec() + ($off['ec'] ?? 0.0),
        'ph' => isset($off['ph']) ? $off['ph'] : null,
    ], static fn (?float $v): bool => $v !== null) + $more);
}

function suspicionOf(Garden $garden, array $entries, string $code, ?float $now = null): ?Suspicion
{
    foreach (Grown::copy($garden, $entries, $now)->suspicions() as $one) {
        if ($one->code === $code) {
            return $one;
        }
    }

    return null;
}

it('tells drinking more from eating more, and either from what was forecast', function () {
    $garden = grownChilli();
    $of = static fn (array $off): array => Grown::says($garden, [readingOf($garden, 30), readingOf($garden, 34, $off)]);
    $used = array_sum(array_map(
        static fn (int $d): float => Grown::copy($garden)->forecast()[0]->days[$d]->day->use,
        range(30, 33),
    ));

    expect($of(['litres' => 0.4 * $used, 'ec' => 0.3]))->toContain('log.drinking-more')
        ->and($of(['litres' => 0.1 * $used, 'ec' => 0.3]))->not->toContain('log.drinking-more')
        ->and($of(['litres' => 0.4 * $used, 'ec' => 0.1]))->not->toContain('log.drinking-more')
        ->and($of(['ec' => -0.3]))->toContain('log.eating-more')
        ->and($of(['ec' => -0.1]))->not->toContain('log.eating-more')
        ->and($of([]))->toBe(['log.matched'])
        ->and($of(['ec' => -0.3]))->not->toContain('log.matched');
});

it('says that somebody poured water in where it rose and nothing was written down', function (float $mm, array $between, bool $says) {
    foreach (['passive', 'aerated'] as $system) {
        $garden = Grown::garden(['system' => $system, 'crop' => 'dill', 'reservoir_change' => 'never', 'top_ups' => 'quarter']);
        $entries = [
            Grown::entry(10, '18:00', ['level_mm' => 180.0]),
            ...array_map(static fn (array $e): Entry => Grown::entry(11, '18:00', $e), $between),
            Grown::entry(12, '18:00', ['level_mm' => 180.0 + $mm]),
        ];
        $found = suspicionOf($garden, $entries, 'log.filled', 13.75);
        expect($found !== null)->toBe($says);
        if ($found !== null) {
            expect($found->why)->toContain('2 days')->and($found->do)->toContain($system === 'passive' ? 'Let it down' : 'Read EC');
        }
    }
})->with([
    'a reading’s error' => [8.0, [], false],
    'more than that' => [8.1, [], true],
    'a top-up was written down' => [40.0, [['top_up_l' => 2.0]], false],
    'a change was' => [40.0, [['change' => true]], false],
    'it was seen in between' => [40.0, [['note' => 'all well']], true],
]);

it('speaks of water that was poured in for a week, and until water is seen to', function () {
    $garden = Grown::garden(['crop' => 'dill', 'reservoir_change' => 'never', 'top_ups' => 'quarter']);
    $log = [Grown::entry(10, '18:00', ['level_mm' => 180.0]), Grown::entry(12, '18:00', ['level_mm' => 210.0])];
    $at = static fn (int $day, array $more = []): bool => suspicionOf(
        $garden,
        [...$log, ...$more],
        'log.filled',
        $day + 0.75,
    ) !== null;
    $seen = [Grown::entry(13, '18:00', ['level_mm' => 208.0])];
    $let = [Grown::entry(13, '17:00', ['change' => true]), Grown::entry(13, '18:00', ['level_mm' => 190.0])];

    expect([$at(19), $at(20), $at(15, $seen), $at(15, $let)])->toBe([true, false, true, false]);
});

it('brings the EC right in this tub’s amounts', function () {
    $garden = grownChilli();
    $of = suspicionOf($garden, [readingOf($garden, 30), readingOf($garden, 34, ['ec' => -0.4])], 'log.eating-more');

    // g of both parts for the water that is there, and the EC that it comes to: A has 0.6 of 1.2 mS/cm in a litre.
    $course = Grown::copy($garden)->forecast()[0];
    $state = $course->days[33]->after;
    $grams = 0.6 / 1.2 * ($course->days[34]->tub()->mixing->ecAt($state->stage) - ($state->ec() - 0.4)) * $state->volume;
    expect($of->do)->toMatch('/^Stir in [\d.]+\x{202F}g A and [\d.]+\x{202F}g B: EC comes to [\d.]+\x{202F}mS\/cm\.$/u')
        ->and((float) preg_replace('/^\D+([\d.]+).*/', '$1', $of->do))->toEqualWithDelta($grams, 0.05)
        ->and($of->because)->toHaveCount(1)->and($of->word())->toBe('likely');
});

it('says that water runs out where no plant drinks it', function (int $day, float $lost, string $time, ?string $then, bool $leaks) {
    $garden = grownChilli();
    $first = readingOf($garden, $day, [], [], $then === null ? '08:00' : $time);
    $course = Grown::copy($garden)->forecast()[0];
    $second = $then === null
        ? readingOf($garden, $day + 3, ['litres' => $lost])
        : Grown::entry($day + 1, $then, ['level_mm' => $course->days[$day]->tub()->reservoir->levelFor(
            $course->days[$day - 1]->after->volume - $course->days[$day]->day->use / 2 - $lost,
        )]);

    expect(in_array('log.leak', Grown::says($garden, [$first, $second]), true))->toBe($leaks);
})->with([
    'small plants, much lost' => [6, 1.2, '08:00', null, true],
    'small plants, a little' => [6, 0.05, '08:00', null, false],
    'grown plants that may drink it' => [45, 1.2, '08:00', null, false],
    'grown plants, overnight' => [45, 2.5, '22:00', '07:00', true],
    'grown plants, a little overnight' => [45, 0.1, '22:00', '07:00', false],
]);

it('says when the pH is out, and what brings it back', function (float $ph, bool $out, string $do = '') {
    $garden = grownChilli();
    $of = suspicionOf($garden, [Grown::entry(10, '08:00', ['ph' => $ph])], 'log.ph-out');

    expect($of !== null)->toBe($out)->and($of->do ?? '')->toContain($do);
})->with([
    // Chilli is held within 5.8 and 6.3.
    'just in, high' => [6.3, false],
    'just out, high' => [6.4, true, 'pH-down'],
    'just in, low' => [5.8, false],
    'just out, low' => [5.7, true, 'pH-up'],
]);

it('says why the pH does not stay', function (array $garden, int $day, float $by, float $after, bool $dosed, ?string $why) {
    $tub = grownChilli(garden: $garden);
    $entries = [
        Grown::entry($day, '08:00', ['ph' => 6.0, ...($dosed ? ['dose' => ['ph-up' => ['ml' => 2]]] : [])]),
        Grown::entry($day, '08:00', ['note' => 'x']),
    ];
    $entries[] = Grown::entry($day + (int) $after, '08:00', ['ph' => 6.0 + $by]);
    $of = suspicionOf($tub, $entries, 'log.ph-swing');

    $why === null ? expect($of)->toBeNull() : expect($of?->says)->toContain($why);
})->with([
    'pebbles in the first weeks' => [[], 8, 0.7, 2, false, 'pebbles'],
    'by a little less' => [[], 8, 0.55, 2, false, null],
    'after a dose' => [[], 8, 0.7, 2, true, null],
    'over many days' => [[], 8, 0.7, 6, false, null],
    'later, in hard water' => [['water' => ['source' => 'tap', 'ec_ms_cm' => 0.9, 'ph' => 7.8]], 30, 0.7, 2, false, 'hard water'],
    'later, in soft water' => [['water' => ['source' => 'rain', 'ec_ms_cm' => 0.0, 'ph' => 6.0]], 30, 0.7, 2, false, 'drops'],
    'down' => [[], 8, -0.7, 2, false, 'drops'],
]);

it('learns what a litre takes to move by one in pH', function () {
    $garden = grownChilli();
    $litres = Grown::copy($garden)->forecast()[0]->days[9]->after->volume;
    $dosed = Grown::entry(10, '08:00', ['ph' => 7.2, 'dose' => ['ph-down' => ['ml' => 0.15 * $litres]]]);
    $of = suspicionOf($garden, [$dosed, Grown::entry(10, '08:30', ['ph' => 6.2])], 'log.ph-needs');

    expect($of->says)->toContain('0.15 mL of pH-down')
        ->and(suspicionOf($garden, [$dosed, Grown::entry(14, '08:30', ['ph' => 6.2])], 'log.ph-needs'))->toBeNull()
        ->and(suspicionOf($garden, [$dosed, Grown::entry(10, '08:30', ['ph' => 7.15])], 'log.ph-needs'))->toBeNull();
});

it('says when the water is too warm', function (float $celsius, bool $warm) {
    // Chilli's roots are at ease up to 28 °C; of lettuce 24 counts at the least.
    expect(in_array('log.warm', Grown::says(Grown::garden(), [Grown::entry(5, '15:00', ['water_c' => $celsius])]), true))->toBe($warm);
})->with([[24.0, false], [24.1, true]]);

it('says that a refill took the air that roots had', function (float $litres, bool $drowned) {
    $garden = Grown::garden(['system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'basil', 'top_ups' => 'none']);
    $course = Grown::copy($garden)->forecast()[0];
    $day = 30;
    $state = $course->days[$day - 1]->after;
    $gap = $course->days[$day - 1]->gap();
    $reservoir = $course->days[$day]->tub()->reservoir;
    $half = $reservoir->litresAt($reservoir->levelFor($state->volume) + $gap / 2) - $state->volume;
    $says = Grown::says($garden, [readingOf($garden, $day, [], ['top_up_l' => $litres * $half])]);

    expect(in_array('log.gap-closed', $says, true))->toBe($drowned);
})->with(['just under half of the gap' => [0.95, false], 'just over it' => [1.05, true]]);

it('says when nothing was read for a week, and when the water is overdue', function () {
    $garden = Grown::garden(['reservoir_change' => 'two-weekly']);
    $read = [Grown::entry(3, '08:00', ['level_mm' => 200, 'top_up_l' => 0.1])];

    expect(Grown::says($garden, $read, 10.2))->not->toContain('log.stale')
        ->and(Grown::says($garden, $read, 10.4))->toContain('log.stale')
        ->and(Grown::says($garden, $read, 15.5))->not->toContain('log.overdue-change')
        ->and(Grown::says($garden, $read, 16.5))->toContain('log.overdue-change')
        ->and(Grown::says($garden, [...$read, Grown::entry(14, '19:00', ['change' => true])], 16.5))->not->toContain('log.overdue-change');
});

it('takes for a leak what goes in a night over three times as fast as was forecast, and not what goes a little slower', function () {
    $garden = grownChilli(['top_ups' => 'none']);
    $reservoir = Grown::copy($garden)->forecast()[0]->days[0]->tub()->reservoir;
    $log = static fn (float $lost): array => [
        ...array_map(
            static fn (int $day): Entry => Grown::entry($day, '19:00', ['level_mm' => 200, 'top_up_l' => 3]),
            [20, 35, 45, 52, 57],
        ),
        Grown::entry(60, '20:00', ['level_mm' => 240]),
        Grown::entry(61, '07:00', ['level_mm' => $reservoir->levelFor($reservoir->litresAt(240) - $lost)]),
    ];
    $uses = Grown::copy($garden, $log(0.1))->intervals()->uses();
    $forecast = end($uses)->forecast;
    // Far more than a stick may be wrong by.
    expect(2 * $forecast)->toBeGreaterThan(0.3)
        ->and(Grown::says($garden, $log(2.95 * $forecast)))->not->toContain('log.leak')
        ->and(Grown::says($garden, $log(3.05 * $forecast)))->toContain('log.leak');
});

it('holds a reading by hand against what the meter read within half a day of it', function () {
    $garden = Grown::garden();
    $says = static function (string $time) use ($garden): array {
        $entries = [];
        foreach ([2, 6, 10, 14, 18] as $n => $day) {
            $entries[] = Grown::entry($day, '00:00', ['ph' => 6.0 + $n * 0.1, 'from' => 'meter']);
            $entries[] = Grown::entry($day, $time, ['ph' => 6.0]);
        }

        return Grown::copy($garden, $entries, 18.51)->suspicions();
    };
    $drifts = static fn (array $said): bool => array_filter($said, static fn ($s): bool => str_contains($s->says, 'drifts')) !== [];
    expect($drifts($says('12:00')))->toBeTrue()->and($drifts($says('12:30')))->toBeFalse();
});

it('tells a probe that stands still, one that jumps, one that drifts and one that is silent', function () {
    $garden = grownChilli();
    $meter = static fn (array $phs, float $every = 1.0): array => array_map(
        static fn (float $ph, int $i): Entry => Grown::entry(5 + intdiv((int) ($i * $every * 60), 1440), sprintf(
            '%02d:%02d',
            intdiv((int) ($i * $every * 60), 60) % 24,
            (int) ($i * $every * 60) % 60,
        ), ['ph' => $ph, 'from' => 'meter']),
        $phs,
        array_keys($phs),
    );
    $probe = static fn (array $entries, float $later = 0.01): ?string => suspicionOf(
        $garden,
        $entries,
        'log.probe',
        end($entries)->time() - Grown::day(0) + $later,
    )?->says;

    expect($probe($meter(array_fill(0, 7, 6.1234))))->toContain('stands still')
        ->and($probe($meter(array_fill(0, 6, 6.1234))))->toBeNull()
        ->and($probe($meter([6.10, 6.11, 6.12, 6.10, 6.11, 6.13, 6.12])))->toBeNull()
        ->and($probe($meter([6.1, 6.12, 7.2])))->toContain('jumped')
        ->and($probe($meter([6.1, 6.12, 7.0])))->toBeNull()
        ->and($probe($meter([6.1, 6.12, 6.1]), 0.05))->toContain('said nothing')
        ->and($probe($meter([6.1, 6.12, 6.1]), 0.04))->toBeNull();

    $drifting = static function (float $aWeek) use ($garden): ?string {
        $entries = [];
        foreach ([0, 5, 10, 14] as $day) {
            $entries[] = Grown::entry(5 + $day, '12:00', ['ph' => 6.0]);
            $entries[] = Grown::entry(5 + $day, '12:30', ['ph' => 6.0 + $aWeek * $day / 7, 'from' => 'meter']);
        }

        return suspicionOf($garden, $entries, 'log.probe', 19.53)?->says;
    };
    expect($drifting(0.1))->toContain('drifts by 0.10 a week')->and($drifting(0.03))->toBeNull();
});

it('says of each sign what it may be, with a look that would settle it', function (Sign $sign) {
    $garden = grownChilli();
    $of = Grown::copy($garden, [Grown::entry(20, '08:00', ['signs' => [$sign->value]])])->suspicions();

    expect($of)->not->toBe([]);
    foreach ($of as $one) {
        expect($one->check)->not->toBe('')->and($one->do)->not->toBe('')->and($one->sure)->toBeGreaterThan(0.0)->toBeLessThan(1.0)
            ->and($one->code)->toStartWith('log.');
    }
})->with(Sign::cases());

it('tells one sign by what else is read', function (array $says, array $tub, string $first) {
    $garden = grownChilli($tub);

    expect(array_values(array_filter(
        Grown::copy($garden, [Grown::entry(20, '08:00', $says)])->suspicions(),
        static fn (Suspicion $s): bool => ! in_array($s->code, ['log.ph-out', 'log.warm', 'log.eating-more'], true),
    ))[0]->code)->toBe($first);
})->with([
    'pale new leaves at pH 7.4' => [['signs' => ['pale-new-leaves'], 'ph' => 7.4], [], 'log.locked'],
    'pale new leaves at pH 5.9' => [['signs' => ['pale-new-leaves'], 'ph' => 5.9], [], 'log.iron'],
    'burnt tips in strong water' => [['signs' => ['burnt-tips'], 'ec_ms_cm' => 4.5], [], 'log.burnt'],
    'burnt tips in water as it should be' => [['signs' => ['burnt-tips'], 'ec_ms_cm' => 1.6], [], 'log.calcium'],
    'pale old leaves in weak water' => [['signs' => ['pale-old-leaves'], 'ec_ms_cm' => 0.4], [], 'log.hungry'],
    'purple stems in cold water' => [['signs' => ['purple-stems'], 'water_c' => 12], [], 'log.cold'],
    'purple stems at a high pH' => [['signs' => ['purple-stems'], 'ph' => 7.4], [], 'log.phosphorus'],
    'no bubbles with a pump' => [['signs' => ['no-bubbles']], [], 'log.no-air'],
    'green film in a dark bucket' => [['signs' => ['green-film']], [], 'log.light-leak'],
    'leaves that hang over a dry tub' => [['signs' => ['wilting'], 'level_mm' => 10], [], 'log.thirst'],
]);

it('says nothing of air where a tub has none by design', function () {
    $garden = Grown::garden(['system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'basil', 'top_ups' => 'none']);

    expect(
        Grown::says($garden, [Grown::entry(10, '08:00', ['signs' => ['no-bubbles']])])
    )->toContain('log.no-pump')->not->toContain('log.no-air');
});

it('is surer of rot where two signs speak for it, and says it once', function () {
    $garden = grownChilli();
    $one = suspicionOf($garden, [Grown::entry(20, '08:00', ['signs' => ['brown-roots']])], 'log.rot');
    $both = suspicionOf($garden, [Grown::entry(20, '08:00', ['signs' => ['brown-roots', 'smell']])], 'log.rot');
    $warm = suspicionOf($garden, [Grown::entry(20, '08:00', ['signs' => ['brown-roots'], 'water_c' => 25])], 'log.rot');

    expect($both->sure)->toBeGreaterThan($one->sure)->and($warm->sure)->toBeGreaterThan($one->sure)
        ->and(
            count(preg_grep('/rot$/', Grown::says($garden, [Grown::entry(20, '08:00', ['signs' => ['brown-roots', 'smell']])])))
        )->toBe(1);
});

it('forgets a sign after a week', function () {
    $garden = grownChilli();
    $log = [Grown::entry(20, '08:00', ['signs' => ['green-film']])];

    expect(Grown::says($garden, $log, 27.3))->toContain('log.light-leak')
        ->and(Grown::says($garden, $log, 27.4))->not->toContain('log.light-leak');
});

it('takes water under 15 °C for the cause of purple stems, and warmer water for a possible one', function () {
    $sure = static fn (float $celsius): float => suspicionOf(
        Grown::garden(),
        [Grown::entry(10, '18:00', ['signs' => ['purple-stems'], 'water_c' => $celsius])],
        'log.cold',
    )->sure;
    expect([$sure(14.9), $sure(15.0), $sure(16.0)])->toBe([0.8, 0.4, 0.4]);
});
