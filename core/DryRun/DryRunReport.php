<?php

declare(strict_types=1);

namespace KelpTub\Core\DryRun;

use Closure;
use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Marks\Feed\FeedReport;
use KelpTub\Core\Marks\Feed\SeasonReport;
use KelpTub\Core\Season\Deeds;
use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\Units\QuantityWriter;
use stdClass;

/** A season that was lived through, as it is told at its end: keys and units of the file format. Source: handbook, log (Dry run). */
final readonly class DryRunReport
{
    /** So many things to do otherwise are told, each worth this much at least, g, and this share of what there was to be had. */
    private const MOST_OTHERWISE = 3;

    private const LEAST_WORTH_G = 1.0;

    private const LEAST_WORTH = 0.01;

    /**
     * @param  list<Decision>|null  $decisions  null where the tub is kept by its habits
     * @param  bool  $meter  whether the grower owns one
     * @param  (Closure(list<Dose>, float): float)|null  $price  of feed and of litres of water, in the garden's currency
     * @param  (Closure(): list<array{string, list<stdClass>, SeasonRun}>)|null  $designs  other designs that would have helped: in words,
     *                                                                                     as a patch, and as this seed would have it
     */
    public static function of(
        DryRun $dry,
        ?array $decisions,
        bool $meter,
        QuantityWriter $write,
        ?Closure $price = null,
        ?Closure $designs = null,
    ): stdClass {
        $played = $decisions === null ? $dry->byHabit() : $dry->decided($decisions);
        $senses = new Senses($dry->luck, $meter);
        $until = $dry->mended($decisions);
        $days = [];
        foreach (array_keys($played->days) as $index) {
            $day = SeasonReport::day($played, $index);
            $day->seen = $senses->of($played, $index, $until);
            $days[] = $day;
        }
        $feed = self::feed($played);
        $best = max($played->harvested(), $dry->most());

        return (object) [
            'seed' => $dry->luck->seed,
            'days' => $days,
            'mishaps' => array_map(static fn (Mishap $m): stdClass => (object) [
                'day' => $m->day,
                'kind' => $m->kind->value,
                'says' => $m->kind->inWords(),
                'seen_on' => self::seenOn($m, $played, $days),
            ], $dry->luck->mishaps),
            'decisions' => self::worths($dry, $played, $decisions ?? []),
            'harvest_g' => $played->harvested(),
            'best_g' => $best,
            'killed_day' => $played->killedOn(),
            'water_l' => $played->poured(),
            'feed' => array_map(FeedReport::dose(...), $feed),
            'money' => $price === null ? null : $price($feed, $played->poured()),
            'minutes' => array_sum(array_map(static fn (Decision $d): int => $d->act->minutes(), $decisions ?? [])),
            'otherwise' => self::otherwise($dry, $played, $decisions, $best, $write, $designs),
        ];
    }

    /**
     * On which day what a grower reads tells of it: eyes, or what is read in numbers. Null where it is not told at all.
     *
     * @param  list<stdClass>  $days
     */
    private static function seenOn(Mishap $mishap, SeasonRun $played, array $days): ?int
    {
        $shown = $mishap->shownOn();
        $from = $shown ?? $mishap->day;
        foreach (array_slice($days, $from) as $day) {
            $tells = $shown !== null || match ($mishap->kind) {
                MishapKind::Visitor => $day->seen->ec_ms_cm !== null || $day->seen->leaves !== 'well',
                // Half a unit over what was poured.
                MishapKind::Unrinsed => $day->seen->ph !== null && $day->seen->ph >= $played->tub->acidity->poured + 0.5,
                default => false,
            };
            if ($tells) {
                return $day->day;
            }
        }

        return null;
    }

    /**
     * What each decision was worth: the harvest with it, less that of the same run without it; and what the tub's habit would have done
     * then.
     *
     * @param  list<Decision>  $decisions
     * @return list<stdClass>
     */
    private static function worths(DryRun $dry, SeasonRun $played, array $decisions): array
    {
        $told = [];
        $advised = $dry->advised($decisions);
        foreach ($decisions as $n => $decision) {
            $without = $decisions;
            unset($without[$n]);
            // A look changes nothing.
            $less = $decision->act === Act::Look ? $played : $dry->decided(array_values($without));
            $told[] = (object) [
                'day' => $decision->day,
                'do' => $decision->act->value,
                ...array_filter(
                    ['litres' => $decision->litres, 'ec_ms_cm' => $decision->ec, 'ph' => $decision->ph, 'days' => $decision->days ?: null],
                    static fn (float|int|null $is): bool => $is !== null,
                ),
                'advised' => self::advised($advised[$decision->day] ?? null),
                'worth_g' => $played->harvested() - $less->harvested(),
            ];
        }

        return $told;
    }

    /** In a word; null of an evening on which nobody could do anything, or after the last day. */
    private static function advised(?Deeds $deeds): ?string
    {
        return match (true) {
            $deeds === null => null,
            $deeds->change => Act::Change->value,
            $deeds->topUp > 0.0 => Act::TopUp->value,
            $deeds->stronger > 0.0 => Act::Strengthen->value,
            default => 'nothing',
        };
    }

    /** @return list<Dose> of each part: first fill, changes, and what brought top-ups and the water that was there to their EC */
    private static function feed(SeasonRun $played): array
    {
        $mixing = $played->tub->mixing;
        $doses = $mixing->doses($played->start->volume, $played->start->stage);
        foreach ($played->days as $day) {
            $stage = $day->after->stage;
            $plain = $mixing->topUpEc($stage, 0.0) ?? 0.0;
            $salt = $day->stronger + max(0.0, ($day->topUpEc ?? $plain) - $plain) * $day->topUp;
            $more = $day->change ? $mixing->doses($played->tub->fill, $stage) : ($salt > 0.0 ? $mixing->dosesUp($salt, 1.0, $stage) : []);
            $doses = $more === [] ? $doses : Dose::sum($doses, $more);
        }

        return $doses;
    }

    /**
     * What would have brought more on this seed: what went wrong put right on the day on which eyes told it, and the tub's habits kept.
     *
     * @param  list<Decision>|null  $decisions
     * @param  float  $best  g that there were to be had
     * @param  (Closure(): list<array{string, list<stdClass>, SeasonRun}>)|null  $designs
     * @return list<stdClass>
     */
    private static function otherwise(
        DryRun $dry,
        SeasonRun $played,
        ?array $decisions,
        float $best,
        QuantityWriter $write,
        ?Closure $designs,
    ): array {
        $ways = [];
        foreach ($dry->luck->mishaps as $mishap) {
            $remedy = $mishap->kind->remedy();
            $shown = $mishap->shownOn();
            if ($remedy === null || $shown === null) {
                continue;
            }
            $ways[] = [
                "On day $shown you could see {$mishap->kind->inWords()}: to {$remedy->asAdvice()} then",
                null,
                $dry->mending($decisions, $mishap, $shown),
            ];
        }
        if ($decisions !== null) {
            $ways[] = ['Keep to the habits that the tub was planned with: top-ups and changes on their days', null, $dry->byHabit()];
        }
        $ways = [...$ways, ...($designs === null ? [] : $designs())];
        $told = [];
        foreach ($ways as [$says, $patch, $run]) {
            $more = $run->harvested() - $played->harvested();
            if ($more >= max(self::LEAST_WORTH_G, self::LEAST_WORTH * $best)) {
                $told[] = [$more, (object) ['says' => "$says brings ".$write->picked($more).' more.', 'patch' => $patch]];
            }
        }
        usort($told, static fn (array $a, array $b): int => $b[0] <=> $a[0]);

        return array_column(array_slice($told, 0, self::MOST_OTHERWISE), 1);
    }
}
