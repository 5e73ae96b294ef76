<?php

declare(strict_types=1);

namespace KelpTub\Core\Diary;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Crop\StartedFrom;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Days\Factors;
use KelpTub\Core\Days\Frost;
use KelpTub\Core\Days\Growing;
use KelpTub\Core\Days\Planting;
use KelpTub\Core\Garden\Setting;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Numbers\Dates;
use stdClass;

/**
 * Sowing dates for a steady supply: each week's harvest is reckoned back to the day on which it has to be set in, by the forecast of the
 * tub that it would stand in, and put into cups that are free from then to its last harvest. Where that cannot be, it is said from which
 * week on, and why. Source: handbook, log (succession).
 */
final class Succession
{
    private const WEEK = 7;

    /** A day of setting in is looked for so often; in steady places the first one holds. */
    private const TRIES = 4;

    /** Cups are scrubbed and filled anew before the next plants come, days. */
    private const BETWEEN_DAYS = 1;

    /** @var list<Sowing> */
    private array $sowings = [];

    /** @var list<array{int, string, int}> the week, why, and how many plants are missing */
    private array $missed = [];

    /** @var array<string, array<int, list<array{int, int}>>> from and to of what stands in each cup of a copy */
    private array $taken = [];

    /** @var array<string, array{int, int, float}|null> */
    private array $windows = [];

    /** @var array<string, int> days from setting in to the first harvest, as they were found last */
    private array $took = [];

    private readonly Frost $frost;

    private function __construct(private readonly Diary $diary, private readonly Crop $crop, private readonly Supply $supply)
    {
        $this->frost = Frost::of($diary->garden()->document->site ?? new stdClass);
    }

    public static function of(Diary $diary, Crop $crop, Supply $supply): self
    {
        $succession = new self($diary, $crop, $supply);
        $succession->plan();

        return $succession;
    }

    private function plan(): void
    {
        $places = $this->places();
        $covered = 0;
        for ($week = $this->supply->from, $n = 0; $week <= $this->supply->to && $n < Supply::MOST_WEEKS; $week += self::WEEK, $n++) {
            // What bears on covers its weeks.
            if ($week < $covered) {
                continue;
            }
            $why = $places === [] ? 'cups' : 'never';
            $left = null;
            foreach ($places as [$tub, $copies]) {
                $setIn = $this->setInFor($tub, $week);
                $window = $setIn === null ? null : $this->window($tub, $setIn);
                if ($setIn === null || $window === null) {
                    continue;
                }
                $left ??= $this->plantsFor($window);
                $stops = $this->stops($tub, $setIn, $window);
                if ($stops !== null) {
                    $why = $stops;

                    continue;
                }
                $why = 'cups';
                foreach ($copies as $copy) {
                    $left = $this->into($tub, $copy, $setIn, $window, $left);
                    if ($left === 0) {
                        $covered = $window[1] > $window[0] ? $window[1] + 1 : 0;

                        continue 3;
                    }
                }
            }
            $this->missed[] = [$week, $why, $left ?? (int) ceil($this->supply->plants ?? 1.0)];
        }
    }

    /** @return list<array{Tub, list<int>}> the tubs that it may stand in, those whose design has it first */
    private function places(): array
    {
        $own = $others = [];
        foreach ($this->diary->garden()->tubs as $tub) {
            if (in_array($tub->system, [GrowingSystem::Nursery, GrowingSystem::Cloner], true)) {
                continue;
            }
            $cups = $this->cupsOf($tub);
            $place = [$tub, range(1, $tub->count)];
            if ($cups['own'] !== []) {
                $own[] = $place;
            } elseif ($cups['any'] !== []) {
                $others[] = $place;
            }
        }

        return $own !== [] ? $own : $others;
    }

    /** @return array{own: list<int>, any: list<int>} numbers of the holes that the design gives this crop, and of all planted ones */
    private function cupsOf(Tub $tub): array
    {
        $own = $any = [];
        foreach ($this->diary->copy($tub, 1)->copy->feed->tub->plants->cropAt as $hole => $crop) {
            if ($crop !== null) {
                $any[] = $hole + 1;
                $own = $crop->key === $this->crop->key ? [...$own, $hole + 1] : $own;
            }
        }

        return ['own' => $own, 'any' => $any];
    }

    /** The day on which it has to be set in to bear from a week on; null where it does not come to that. */
    private function setInFor(Tub $tub, int $week): ?int
    {
        $took = $this->took[$tub->id]
            ?? $this->crop->daysTransplantToHarvest + $this->cropIn($tub)->daysWithin();
        $setIn = $week - $took;
        for ($try = 0; $try < self::TRIES; $try++) {
            $window = $this->window($tub, $setIn);
            if ($window === null) {
                return null;
            }
            $this->took[$tub->id] = $window[0] - $setIn;
            if ($window[0] >= $week && $window[0] < $week + self::WEEK) {
                break;
            }
            $setIn += $week - $window[0];
        }

        return $setIn;
    }

    /** The crop as that tub is started. */
    private function cropIn(Tub $tub): Crop
    {
        return $this->crop->startedFrom($tub->planting->started);
    }

    /**
     * @return array{int, int, float}|null the days of its first and last harvest, and what one plant bears, g; null where it does not bear
     */
    private function window(Tub $tub, int $setIn): ?array
    {
        $key = "$tub->id $setIn";
        if (! array_key_exists($key, $this->windows)) {
            $crop = $this->cropIn($tub);
            $planting = new Planting(0, 'next', $tub->id, 1, $crop, null, null, $setIn, true, null);
            $alone = [new Growing($planting, new CropShare($crop, 1), [1], null)];
            $course = $this->diary->copy($tub, 1)->copy->coursesOf($alone)->run(new Factors)[0] ?? null;
            $fate = $course->fates[0] ?? null;
            $this->windows[$key] = $fate?->firstHarvest === null || $fate->harvest <= 0.0 ? null : [
                (int) ceil($fate->firstHarvest),
                (int) ceil($fate->lastHarvest ?? $fate->firstHarvest),
                $fate->harvest,
            ];
        }

        return $this->windows[$key];
    }

    /** @param  array{int, int, float}  $window */
    private function plantsFor(array $window): int
    {
        if ($this->supply->grams === null) {
            return max(1, (int) ceil(($this->supply->plants ?? 1.0) - 1e-9));
        }
        $weeks = intdiv($window[1] - $window[0], self::WEEK) + 1;

        return max(1, (int) ceil($this->supply->grams * $weeks / $window[2] - 1e-9));
    }

    /**
     * Why it cannot be begun then.
     *
     * @param  array{int, int, float}  $window
     */
    private function stops(Tub $tub, int $setIn, array $window): ?string
    {
        $isOpen = $this->diary->garden()->site->setting === Setting::Open;

        return match (true) {
            $this->begins($tub, $setIn) < $this->diary->today() => 'late',
            $isOpen && ! $this->frost->isFree($setIn, $window[0]) => 'frost',
            default => null,
        };
    }

    private function sown(Tub $tub, int $setIn): ?int
    {
        $crop = $this->cropIn($tub);

        return match (true) {
            $crop->sowing === null, $crop->started === StartedFrom::Seedling => null,
            $crop->started === StartedFrom::Seed => $setIn,
            default => $setIn - $crop->daysSowToTransplant,
        };
    }

    private function begins(Tub $tub, int $setIn): int
    {
        return $this->sown($tub, $setIn) ?? $setIn;
    }

    /**
     * Puts as many as there is room for into a copy.
     *
     * @param  array{int, int, float}  $window
     * @return int how many are left over
     */
    private function into(Tub $tub, int $copy, int $setIn, array $window, int $plants): int
    {
        $until = $window[1] + self::BETWEEN_DAYS;
        $taken = $this->takenOf($tub, $copy);
        $cups = $this->cupsOf($tub);
        $free = array_values(array_filter(
            $cups['own'] !== [] ? $cups['own'] : $cups['any'],
            static fn (int $cup): bool => array_filter(
                $taken[$cup] ?? [],
                static fn (array $t): bool => $t[0] < $until && $t[1] > $setIn,
            ) === [],
        ));
        $its = array_slice($free, 0, $plants);
        if ($its === []) {
            return $plants;
        }
        foreach ($its as $cup) {
            $this->taken["$tub->id $copy"][$cup][] = [$setIn, $until];
        }
        $this->sowings[] = new Sowing(
            $tub->id, $copy, $its, $this->sown($tub, $setIn), $setIn, $window[0], $window[1], $window[2] * count($its),
        );

        return $plants - count($its);
    }

    /** @return array<int, list<array{int, int}>> from when to when each cup of a copy is taken */
    private function takenOf(Tub $tub, int $copy): array
    {
        $key = "$tub->id $copy";
        if (! isset($this->taken[$key])) {
            $this->taken[$key] = [];
            $diary = $this->diary->copy($tub, $copy);
            $growing = $diary->copy->courses()->growing;
            $ends = [];
            foreach ($diary->forecast() as $course) {
                foreach ($course->fates as $i => $fate) {
                    $ends[$i] = $fate->died ?? (int) ceil($fate->lastHarvest ?? $course->end());
                }
            }
            foreach ($growing as $i => $one) {
                $to = $one->to ?? ($ends[$i] ?? $one->from()) + self::BETWEEN_DAYS;
                foreach ($one->cups as $cup) {
                    $this->taken[$key][$cup][] = [$one->from(), $to];
                }
            }
        }

        return $this->taken[$key];
    }

    /** The most cups that stand full at a time with what is sown here. */
    private function most(): int
    {
        $most = 0;
        foreach ($this->sowings as $at) {
            $most = max($most, array_sum(array_map(
                static fn (Sowing $s): int => $s->setIn <= $at->setIn && $s->last + self::BETWEEN_DAYS > $at->setIn ? count($s->cups) : 0,
                $this->sowings,
            )));
        }

        return $most;
    }

    public function toReport(): stdClass
    {
        return (object) [
            'crop' => $this->crop->key,
            'sowings' => array_map(static fn (Sowing $s): stdClass => $s->toReport(), $this->sowings),
            'cups_most' => $this->most(),
            'tubs' => array_values(array_unique(array_map(static fn (Sowing $s): string => $s->tub, $this->sowings))),
            'harvest_g' => round(array_sum(array_map(static fn (Sowing $s): float => $s->grams, $this->sowings)), 1),
            'missed' => array_map(static fn (array $m): stdClass => (object) [
                'week' => Dates::text($m[0]),
                'why' => $m[1],
                'plants' => $m[2],
            ], $this->missed),
            'plantings' => array_map(fn (Sowing $s): stdClass => (object) array_filter([
                'tub' => $s->tub,
                'copy' => $s->copy,
                'crop' => $this->crop->key,
                'sown' => $s->sown === null ? null : Dates::text($s->sown),
                'transplanted' => $s->sown === null ? Dates::text($s->setIn) : null,
                'cups' => $s->cups,
            ], static fn (mixed $v): bool => $v !== null), $this->sowings),
        ];
    }
}
