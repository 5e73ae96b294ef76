<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Feed\Correction;
use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Feed\FeedProduct;
use KelpTub\Core\Numbers\Dates;
use KelpTub\Core\Season\Fare;
use KelpTub\Core\Units\QuantityWriter;

/** What readings of the water say. Source: handbook, log (diagnosis, from numbers); figures marked † are estimates. */
final readonly class WaterDiagnosis
{
    /** † EC off its forecast by less is a meter's own error, mS/cm. */
    private const EC_TELLS = 0.15;

    /** † use so much over its forecast, or under it, is more than the weather of a day. */
    private const USE_TELLS = 0.15;

    /** pH that moves by more between two readings does not stay. */
    private const PH_SWINGS = 0.6;

    /** † readings further apart than this tell nothing of a swing, days. */
    private const SWING_DAYS = 4.0;

    /** † pebbles that were not rinsed lift the pH for so long, days. */
    private const PEBBLES_DAYS = 21;

    /** Water that falls so many times as fast as forecast runs out. */
    private const LEAKS = 3.0;

    /** Plants are small up to this part of their way. */
    private const SMALL = 0.4;

    /** A night, from evening to morning, days. */
    private const NIGHT_DAYS = 0.7;

    /** † less than this is a reading's own error, litres and mm. */
    private const LEAST_LEAK_L = 0.15;

    private const LEVEL_ERROR_MM = 3.0;

    /** † water that rises by more where nothing was poured in was poured in by somebody, mm. */
    private const RISES_MM = 8.0;

    private const STALE_DAYS = 7.0;

    /** A change is late when it is so many days over. */
    private const LATE_DAYS = 3;

    /** † what a dose of acid or base is read by at the latest, days. */
    private const DOSE_DAYS = 2.0;

    private const LEAST_MOVE = 0.1;

    public const WARM_ROOTS_C = 24.0;

    public function __construct(private LogCase $case)
    {
    }

    /** @return list<Suspicion> */
    public function all(): array
    {
        return array_values(array_filter([
            $this->leak(),
            $this->filled(),
            $this->drinking(),
            $this->eating(),
            $this->phOut(),
            $this->phSwing(),
            $this->phNeeds(),
            $this->warm(),
            $this->gapClosed(),
            $this->overdue(),
            $this->stale(),
            $this->matched(),
        ]));
    }

    /** @return array{Interval, Compared}|null the last interval between two levels that tells something, and the reading at its end */
    private function lastUse(): ?array
    {
        $uses = array_values(array_filter($this->case->uses, static fn (Interval $i): bool => $i->leftOut === null && $i->forecast > 0.0));
        $last = $uses[count($uses) - 1] ?? null;
        foreach ($this->case->readings as $reading) {
            if ($last !== null && abs($reading->entry->time() - $last->to) < 1.0e-9 && $reading->entry->level !== null) {
                return [$last, $reading];
            }
        }

        return null;
    }

    /** Water that rose in the last days though nobody wrote down that any was poured in; under the sky rain does the same. */
    private function filled(): ?Suspicion
    {
        $before = null;
        $found = null;
        foreach ($this->case->readings as $reading) {
            $entry = $reading->entry;
            if ($entry->level === null) {
                continue;
            }
            $rose = $before === null ? 0.0 : $entry->level - $before->level;
            if ($before !== null && $this->isWetBetween($before, $entry)) {
                $found = null;
            } elseif ($before !== null && $rose > self::RISES_MM && $this->case->now - $entry->time() <= self::STALE_DAYS) {
                $found = [$before, $entry, $rose];
            }
            $before = $entry;
        }
        if ($found === null || $this->case->tub->lidArea !== null) {
            return null;
        }
        [$from, $to, $rose] = $found;
        $isStill = $this->case->tub->system === GrowingSystem::Passive;

        return new Suspicion(
            'log.filled',
            0.8,
            'Somebody poured water in.',
            sprintf(
                'It rose by %s in %s, and nothing was written down.',
                $this->case->write->length($rose),
                self::days($to->time() - $from->time()),
            ),
            $isStill
                ? 'Let it down to the line again tonight: roots that lived in air drown in it. Then look whether it is thinner.'
                : 'Read EC and bring it back: what was poured in was likely plain.',
            'Ask whoever else has been there; put a note on the lid.',
            [$from->id, $to->id],
        );
    }

    private function isWetBetween(Entry $from, Entry $to): bool
    {
        foreach ($this->case->entries as $entry) {
            if ($entry->isWet() && $entry->time() >= $from->time() && $entry->time() <= $to->time()) {
                return true;
            }
        }

        return false;
    }

    private function drinking(): ?Suspicion
    {
        [$use, $reading] = $this->lastUse() ?? [null, null];
        $ec = $reading?->entry->ec;
        if ($use === null || $reading === null || $ec === null || $reading->forecast->ec === null) {
            return null;
        }
        $over = $use->observed / $use->forecast - 1;
        $up = $ec - $reading->forecast->ec;
        if ($over < self::USE_TELLS || $up < self::EC_TELLS || $this->leak() !== null) {
            return null;
        }
        $w = $this->case->write;

        return new Suspicion(
            'log.drinking-more',
            min(0.95, 0.55 + $over / 2 + ($up - self::EC_TELLS)),
            'They drink more than they eat: the water falls and what is left grows stronger.',
            sprintf(
                '%s went where %s were forecast, and EC is %s where %s was.',
                $w->volume($use->observed),
                $w->volume($use->forecast),
                $w->number($ec, 2),
                $w->number($reading->forecast->ec, 2, 'mS/cm'),
            ),
            $this->correction($ec) ?? 'Top up with plain water until EC is back.',
            'Read EC again after stirring, and look whether the days were hot or dry.',
            [$reading->entry->id],
        );
    }

    private function eating(): ?Suspicion
    {
        $reading = $this->case->lastWith(static fn (Entry $e): ?float => $e->ec);
        $ec = $reading?->entry->ec;
        if ($reading === null || $ec === null || $reading->forecast->ec === null || $reading->forecast->ec - $ec < self::EC_TELLS) {
            return null;
        }
        [$use] = $this->lastUse() ?? [null];
        if ($use !== null && $use->observed / $use->forecast < 1 - 2 * self::USE_TELLS) {
            return null;
        }
        $w = $this->case->write;

        return new Suspicion(
            'log.eating-more',
            min(0.9, 0.5 + $reading->forecast->ec - $ec),
            'They eat more than they drink: the water grows weaker.',
            sprintf('EC is %s where %s was forecast.', $w->number($ec, 2), $w->number($reading->forecast->ec, 2, 'mS/cm')),
            $this->correction($ec) ?? 'Top up at full strength.',
            'Stir and read EC once more; rain that got in, or a top-up that was not written down, does the same.',
            [$reading->entry->id],
        );
    }

    /** How the EC that was read is brought to what it should be, in this tub's amounts; null where the feed's EC is not known. */
    public function correction(float $ec): ?string
    {
        $case = $this->case;
        $wanted = $case->wantedEc();
        if ($wanted === null || $case->litres() <= 0.0) {
            return null;
        }
        $mixing = $case->tub->mixing;
        $label = $mixing->product?->labelEc($case->stage());
        $most = $mixing->source + FeedProduct::MOST_OF_LABEL * ($label ?? 0.0);
        $full = max($case->tub->fill, $case->litres());
        $w = $case->write;
        if ($label !== null && $ec < $wanted) {
            return sprintf(
                'Stir in %s: EC comes to %s.',
                self::amounts($mixing->dosesUp($wanted - $ec, $case->litres(), $case->stage())),
                $w->number($wanted, 2, 'mS/cm'),
            );
        }
        $do = Correction::of($case->litres(), $ec, $wanted, $full, $mixing->source, max($most, $mixing->source));
        if ($do->putIn <= 0.0) {
            return 'Nothing: it is what it should be.';
        }
        $with = $label === null ? '' : self::amounts(
            $mixing->dosesUp(max(0.0, $do->ec - $mixing->source), $do->putIn, $case->stage()),
        );
        $in = $w->volume($do->putIn).' of '.($with === '' ? 'plain water' : "water with $with");

        return ($do->takeOut > 0.0 ? "Take out {$w->volume($do->takeOut)}, then pour in $in" : "Top up with $in")
            .sprintf(': EC comes to %s.', $w->number($do->after, 2, 'mS/cm'));
    }

    /**
     * "11.8 g A and 7.9 g B"
     *
     * @param  list<Dose>  $doses
     */
    private static function amounts(array $doses): string
    {
        return implode(' and ', array_map(
            static fn (Dose $d): string => sprintf(
                "%s\u{202F}%s %s",
                QuantityWriter::plain($d->amount, $d->amount < 1 ? 2 : 1),
                $d->part->unit(),
                $d->part->name,
            ),
            array_filter($doses, static fn (Dose $d): bool => $d->amount > 0.005),
        ));
    }

    private function matched(): ?Suspicion
    {
        $last = $this->case->last();
        [$use] = $this->lastUse() ?? [null];
        $isEc = $last !== null && $last->entry->ec !== null && $last->forecast->ec !== null;
        if ($last === null || ($use === null && ! $isEc) || $this->case->now - $last->entry->time() > self::STALE_DAYS) {
            return null;
        }
        $fits = ($use === null || abs($use->observed / $use->forecast - 1) < self::USE_TELLS)
            && (! $isEc || abs($last->entry->ec - $last->forecast->ec) < self::EC_TELLS);

        return ! $fits ? null : new Suspicion(
            'log.matched',
            0.9,
            'It goes as forecast.',
            'Water '.($isEc ? 'and EC are' : 'is').' where the forecast from the reading before had '.($isEc ? 'them.' : 'it.'),
            'Nothing: go on as planned.',
            'Nothing.',
            [$last->entry->id],
        );
    }

    private function phOut(): ?Suspicion
    {
        $reading = $this->case->lastWith(static fn (Entry $e): ?float => $e->ph);
        $ph = $reading?->entry->ph;
        $window = $this->case->ph;
        if ($reading === null || $ph === null || $window === null || ($ph >= $window['low'] - 1.0e-9 && $ph <= $window['high'] + 1.0e-9)) {
            return null;
        }
        $isHigh = $ph > $window['high'];
        $by = $isHigh ? $ph - $window['high'] : $window['low'] - $ph;
        $needs = $this->needs();
        $what = $isHigh ? 'pH-down' : 'pH-up';
        $w = $this->case->write;
        $do = $needs !== null && $needs[1] === $isHigh
            ? sprintf(
                'Give half of %s mL of %s, stir, wait 15 minutes, read, then the rest: %s mL moved a litre by one before.',
                $w->number($needs[0] * abs($ph - $window['target']) * $this->case->litres(), 1),
                $what,
                $w->number($needs[0], 2),
            )
            : sprintf(
                'Try it on 1 L: count the drops of dilute %s that bring it to %s; the tub of %s takes %s times as many. Give half, '
                    .'wait, read.',
                $what,
                $w->number($window['target'], 1),
                $w->volume($this->case->litres()),
                $w->number($this->case->litres(), 0),
            );

        return new Suspicion(
            'log.ph-out',
            min(0.95, 0.6 + $by / 2),
            sprintf('The pH is too %s.', $isHigh ? 'high' : 'low'),
            sprintf(
                'It reads %s; these plants want %s to %s.',
                $w->number($ph, 1),
                $w->number($window['low'], 1),
                $w->number($window['high'], 1),
            ),
            "$do Gloves and goggles; into water, never water into it.",
            'Read it once more with the other means you have, drops or strip.',
            [$reading->entry->id],
        );
    }

    private function phSwing(): ?Suspicion
    {
        $now = $this->case->lastWith(static fn (Entry $e): ?float => $e->ph);
        $before = $this->case->lastWith(static fn (Entry $e): ?float => $e->ph, 1);
        if ($now === null || $before === null || $now->entry->time() - $before->entry->time() > self::SWING_DAYS) {
            return null;
        }
        $by = $now->entry->ph - $before->entry->ph;
        $isDosed = $this->dosesBetween($before->entry, $now->entry);
        if (abs($by) <= self::PH_SWINGS || $isDosed) {
            return null;
        }
        $isFresh = $this->case->pebbles && $this->case->age <= self::PEBBLES_DAYS && $by > 0;
        $isHard = $this->case->isHard && $by > 0;
        $isMeter = $now->entry->from === 'meter';
        [$cause, $do, $check] = match (true) {
            $isFresh => [
                'Pebbles that were not rinsed long enough lift it in the first three weeks',
                'Bring it down by halves and read daily; it settles. Rinse and soak the next pebbles for a day.',
                'Put a few pebbles into a glass of your water overnight and read its pH.',
            ],
            $isHard => [
                'hard water lifts it',
                'Bring it down by halves; blend in rain or pure water with the next fill.',
                'Let a glass of the tap water stand for a day and read its pH.',
            ],
            default => [
                $isMeter ? 'the probe may be off' : 'the probe or the drops may be off',
                'Read again before anything is given; calibrate with both fluids.',
                'Read a fluid whose pH is known.',
            ],
        };

        return new Suspicion(
            'log.ph-swing',
            $isFresh || $isHard ? 0.7 : 0.5,
            'The pH does not stay: '.lcfirst($cause).'.',
            sprintf(
                'It went from %s to %s in %s.',
                $this->case->write->number((float) $before->entry->ph, 1),
                $this->case->write->number((float) $now->entry->ph, 1),
                self::days($now->entry->time() - $before->entry->time()),
            ),
            $do,
            $check,
            [$before->entry->id, $now->entry->id],
        );
    }

    /** Whether acid, base or new water came between two readings, the first one's own included. */
    private function dosesBetween(Entry $from, Entry $to): bool
    {
        foreach ($this->case->entries as $entry) {
            if ($entry->time() >= $from->time() && $entry->time() < $to->time()
                && ($entry->change || isset($entry->doses['ph-down']) || isset($entry->doses['ph-up']))) {
                return true;
            }
        }

        return false;
    }

    /**
     * What moves a litre by one in pH, as it was seen: mL, and whether it was brought down. The median of what doses did.
     *
     * @return array{float, bool, list<string>}|null
     */
    private function needs(): ?array
    {
        $each = $because = [];
        foreach ($this->case->entries as $entry) {
            foreach (['ph-down' => -1, 'ph-up' => 1] as $what => $sign) {
                [$unit, $amount] = $entry->doses[$what] ?? [null, 0.0];
                $after = $unit !== 'ml' || $amount <= 0.0 ? null : $this->phAfter($entry);
                $before = $entry->ph;
                if ($after === null || $before === null || $sign * ($after->ph - $before) < self::LEAST_MOVE) {
                    continue;
                }
                $litres = $this->litresAt($entry);
                $each[$sign][] = $amount / $litres / abs($after->ph - $before);
                $because[$sign] = [...($because[$sign] ?? []), $entry->id, $after->id];
            }
        }
        $sign = count($each[-1] ?? []) >= count($each[1] ?? []) ? -1 : 1;
        $values = $each[$sign] ?? [];
        sort($values);

        return $values === [] ? null : [
            $values[intdiv(count($values), 2)],
            $sign === -1,
            array_values(array_unique($because[$sign] ?? [])),
        ];
    }

    private function litresAt(Entry $entry): float
    {
        foreach ($this->case->readings as $reading) {
            if ($reading->entry === $entry) {
                return max(0.1, $reading->found->litres ?? $reading->forecast->litres ?? $this->case->litres());
            }
        }

        return max(0.1, $this->case->litres());
    }

    private function phAfter(Entry $dose): ?Entry
    {
        foreach ($this->case->entries as $entry) {
            if ($entry->time() > $dose->time() && $entry->time() <= $dose->time() + self::DOSE_DAYS && $entry->ph !== null) {
                return $entry;
            }
        }

        return null;
    }

    private function phNeeds(): ?Suspicion
    {
        $needs = $this->needs();
        if ($needs === null) {
            return null;
        }
        [$each, $isDown, $because] = $needs;
        $w = $this->case->write;
        $litres = $this->case->litres();

        return new Suspicion(
            'log.ph-needs',
            min(0.9, 0.4 + count($because) / 10),
            sprintf('A litre takes %s mL of pH-%s to move by one.', $w->number($each, 2), $isDown ? 'down' : 'up'),
            'As your own doses moved it.',
            sprintf('The tub of %s takes %s mL for half a step.', $w->volume($litres), $w->number($each * $litres / 2, 1)),
            'Read 15 minutes after the next dose, stirred.',
            $because,
        );
    }

    private function warm(): ?Suspicion
    {
        $reading = $this->case->lastWith(static fn (Entry $e): ?float => $e->celsius);
        $is = $reading?->entry->celsius;
        $most = min([INF, ...array_map(static fn ($crop): float => $crop->waterTempHighC, $this->case->crops)]);
        if ($reading === null || $is === null || $is <= max($most, self::WARM_ROOTS_C)) {
            return null;
        }
        $w = $this->case->write;
        // A frozen bottle of a litre takes some 334 kJ to melt: it cools 4 L by 20 K, or 40 by 2.
        $bottles = max(1, (int) ceil($this->case->litres() * ($is - $most) * 4.19 / (334.0 + $is * 4.19)));

        return new Suspicion(
            'log.warm',
            min(0.95, 0.6 + ($is - $most) / 10),
            'The water is too warm: it holds less oxygen, and rot likes it.',
            sprintf('It reads %s; these roots are at ease up to %s.', $w->temperature($is), $w->temperature($most)),
            sprintf(
                'Shade or wrap the tub. %s frozen in a closed bottle, hung in it, brings %s back to %s for a while.',
                $w->volume((float) $bottles),
                $w->volume($this->case->litres()),
                $w->temperature($most),
            ),
            'Read it in the early morning too: what is warm then stays warm.',
            [$reading->entry->id],
        );
    }

    private function leak(): ?Suspicion
    {
        [$use, $reading] = $this->lastUse() ?? [null, null];
        if ($use === null || $reading === null || $use->observed < self::LEAKS * $use->forecast) {
            return null;
        }
        $byError = abs($this->case->tub->reservoir->litresAt($reading->entry->level + self::LEVEL_ERROR_MM)
            - $this->case->tub->reservoir->litresAt((float) $reading->entry->level));
        $tooMuch = $use->observed - $use->forecast;
        $isNight = $use->to - $use->from <= self::NIGHT_DAYS && floor($use->from) < floor($use->to);
        if ($tooMuch <= max(self::LEAST_LEAK_L, $byError) || (! $isNight && $this->case->way > self::SMALL)) {
            return null;
        }
        $w = $this->case->write;
        $air = $this->case->pump === '' ? '' : ' Look at the tube too: without a check valve a stopped pump siphons the tub empty.';

        return new Suspicion(
            'log.leak',
            $isNight ? 0.85 : 0.75,
            'Water is lost that no plant drinks: it runs out.',
            sprintf(
                '%s went in %s where %s were forecast%s.',
                $w->volume($use->observed),
                self::days($use->to - $use->from),
                $w->volume($use->forecast),
                $isNight ? ', and at night plants hardly drink' : ', and the plants are small',
            ),
            'Dry the outside, stand the tub on newspaper overnight, and look under it, at the tube and at every hole below the water.'.$air,
            'Mark the level with tape at night and look in the morning: it should not have moved.',
            [$reading->entry->id],
        );
    }

    private function gapClosed(): ?Suspicion
    {
        if ($this->case->tub->system !== GrowingSystem::Passive) {
            return null;
        }
        foreach (array_reverse($this->case->readings) as $reading) {
            $entry = $reading->entry;
            if (! $entry->isWet() || $this->case->now - $entry->time() > Fare::DROWNED_DAYS) {
                continue;
            }
            $litres = $entry->change ? $this->case->tub->fill : (
                $reading->found->litres ?? $reading->forecast->litres ?? 0.0
            ) + $entry->topUp;
            $after = $this->case->tub->gapAt($this->case->tub->reservoir->levelFor(min($litres, $this->case->tub->brim)));
            if (Fare::drowns($reading->gap, $after)) {
                $w = $this->case->write;
                $half = $this->case->tub->reservoir->levelFor($litres - $entry->topUp) + $reading->gap / 2;
                $most = max(0.0, $this->case->tub->reservoir->litresAt($half) - ($litres - $entry->topUp));

                return new Suspicion(
                    'log.gap-closed',
                    0.85,
                    'The refill took more than half of the air that roots had: they may wilt for a week.',
                    sprintf('The gap went from %s to %s.', $w->length(max(0.0, $reading->gap)), $w->length(max(0.0, $after))),
                    sprintf(
                        'Take %s out again with a syringe or a cup. A top-up here is %s at most.',
                        $w->volume(max(0.0, $entry->topUp - $most)),
                        $w->volume($most),
                    ),
                    'Lift the lid: roots in air are white and fuzzy, drowned ones hang smooth.',
                    [$entry->id],
                );
            }
        }

        return null;
    }

    private function overdue(): ?Suspicion
    {
        $due = $this->case->changeDue;
        $late = $due === null ? 0 : (int) floor($this->case->now) - $due;

        return $due === null || $late < self::LATE_DAYS ? null : new Suspicion(
            'log.overdue-change',
            min(0.9, 0.6 + $late / 30),
            sprintf('The water was to be changed %s ago.', self::days((float) $late)),
            'It was due on '.Dates::dayAndMonth($due).'; what plants leave behind gathers in old water.',
            sprintf('Change it: %s, made up as planned.', $this->case->write->volume($this->case->tub->fill)),
            'Where you did change it, write it down and this goes.',
        );
    }

    private function stale(): ?Suspicion
    {
        $last = $this->case->entries[count($this->case->entries) - 1] ?? null;
        $since = $last === null ? 0.0 : $this->case->now - $last->time();

        return $last === null || $since < self::STALE_DAYS ? null : new Suspicion(
            'log.stale',
            0.9,
            sprintf('Nothing was read for %s.', self::days(floor($since))),
            'The forecast goes on from then by itself, and is the less sure the longer.',
            'A look at the level on a stick is enough.',
            'Read the level.',
            [$last->id],
        );
    }

    /** "3 days", "14 hours" */
    private static function days(float $days): string
    {
        $hours = (int) round($days * 24);

        return $hours < 36 ? ($hours === 1 ? '1 hour' : "$hours hours") : (int) round($days).' days';
    }
}
