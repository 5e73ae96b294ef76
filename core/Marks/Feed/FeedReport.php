<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Feed\Peroxide;
use KelpTub\Core\Season\SeasonDay;
use KelpTub\Core\Season\SeasonRun;
use stdClass;

/** What a tub is fed, and its season, as parts of the report. Keys and units of the file format. */
final class FeedReport
{
    /** Of less than this doses are hard to measure: a batch is made and shared out, litres. */
    private const LITTLE_L = 2.0;

    private const BATCH_L = 4.0;

    public static function water(FeedWishes $wishes): stdClass
    {
        $water = $wishes->water;

        return (object) [
            'source' => $water->source->value,
            'ec_ms_cm' => $water->ec,
            'ph' => $water->ph,
            'alkalinity_mg_l' => $water->alkalinity,
            'disinfectant' => $water->disinfectant->value,
            'standing_h' => $water->disinfectant->standingHours(),
            'blended' => $water !== $wishes->source,
            'hard' => $water->isHard(),
        ];
    }

    /** @return array<string, mixed> by the tub's key */
    public static function ofTub(FeedPlan $plan, bool $whole): array
    {
        return [
            'feed' => self::feed($plan),
            'season' => self::season($whole ? $plan->run() : $plan->runSoFar(), $whole),
            'limits' => ['ec_ms_cm' => $plan->window],
        ];
    }

    private static function feed(FeedPlan $plan): ?stdClass
    {
        $feed = $plan->feed;
        if ($feed === null) {
            return null;
        }
        $litres = $plan->tub->water->working();
        $share = $plan->mixing->shareOn(0.0);

        return (object) [
            'id' => $feed->id,
            'name' => $feed->product->name,
            'parts' => array_map(self::dose(...), $plan->mixing->doses($litres, 0.0)),
            'ec_ms_cm' => $plan->mixing->ecOn(0.0),
            'label_ec_ms_cm' => $feed->product->labelEc($plan->mixing->stageOn(0.0)),
            'share' => $share,
            'stage' => $plan->mixing->stageOn(0.0)->value,
            'multi_part' => $feed->product->isMultiPart(),
            'into_empty_tub' => $feed->emptyTub,
            'ph' => self::ph($plan),
            'peroxide_ml' => $feed->peroxide > 0.0
                ? Peroxide::millilitres($feed->peroxide, $litres, $feed->peroxidePercent)
                : null,
            'stages' => self::stages($plan),
            'batch' => $litres >= self::LITTLE_L ? null : (object) [
                'litres' => self::BATCH_L,
                'parts' => array_map(self::dose(...), $plan->mixing->doses(self::BATCH_L, 0.0)),
            ],
        ];
    }

    /** @return list<stdClass> to what the tub is fed from which day on, with the doses of a whole fill */
    private static function stages(FeedPlan $plan): array
    {
        $target = $plan->mixing->target;
        $last = $plan->season?->days() ?? 0;
        $stages = [];
        foreach ($target?->turns() ?? [] as $day) {
            $stage = $plan->mixing->stageOn((float) $day);
            if ($day < $last && ! isset($stages[$stage->value])) {
                $stages[$stage->value] = (object) [
                    'stage' => $stage->value,
                    'from_day' => $day,
                    'target_ec_ms_cm' => $target?->on((float) $day),
                    'ec_ms_cm' => $plan->mixing->ecOn((float) $day),
                    'parts' => array_map(self::dose(...), $plan->mixing->doses($plan->tub->water->working(), (float) $day)),
                ];
            }
        }

        return array_values($stages);
    }

    /** What a dose is in g or mL, and in spoons where they are known. */
    public static function dose(Dose $dose): stdClass
    {
        return (object) [
            'name' => $dose->part->name,
            'ml' => $dose->part->liquid ? $dose->amount : null,
            'g' => $dose->part->liquid ? null : $dose->amount,
            'tsp' => $dose->part->spoons($dose->amount),
            'label' => $dose->part->label,
        ];
    }

    private static function ph(FeedPlan $plan): ?stdClass
    {
        $aim = $plan->feed?->ph->aim($plan->tub->plants->mix->phWindow());

        return $aim === null ? null : (object) $aim;
    }

    /** @return array<string, mixed> */
    public static function season(?SeasonRun $run, bool $whole): array
    {
        if ($run === null) {
            return array_fill_keys([
                'top_up_l', 'top_ups', 'changes', 'start', 'days', 'feed', 'water_l', 'drunk_l', 'ec_low', 'ec_low_day', 'ec_high',
                'ec_high_day', 'oxygen_low_mg_l', 'oxygen_low_day', 'attention', 'first_dry_day', 'fill_l',
            ], null);
        }
        $put = $run->putInBefore($run->tub->harvestDay);
        $ec = $run->ecRange();
        $oxygen = $whole ? $run->oxygenLow() : null;

        return [
            'top_up_l' => $put['litres'],
            'top_ups' => $put['top_ups'],
            'changes' => $put['changes'],
            'start' => $whole ? (object) [
                'volume_l' => $run->tub->fill,
                'level_mm' => $run->level(-1),
                'ec_ms_cm' => $run->startEc,
                'oxygen_mg_l' => $run->oxygen(-1),
                'water_c' => $run->tub->warmth->start,
            ] : null,
            'days' => $whole ? array_map(static fn (SeasonDay $day): stdClass => self::day($run, $day), $run->days) : null,
            'feed' => array_map(self::dose(...), $run->doses),
            'fill_l' => $run->tub->fill,
            'water_l' => $run->poured,
            'drunk_l' => $run->drunk(),
            'ec_low' => $ec['low'] ?? null,
            'ec_low_day' => $ec['low_day'] ?? null,
            'ec_high' => $ec['high'] ?? null,
            'ec_high_day' => $ec['high_day'] ?? null,
            'oxygen_low_mg_l' => $oxygen[0] ?? null,
            'oxygen_low_day' => $oxygen[1] ?? null,
            'attention' => $run->attention(),
            'first_dry_day' => $run->dryOn(),
        ];
    }

    private static function day(SeasonRun $run, SeasonDay $day): stdClass
    {
        return (object) [
            'day' => $day->day,
            'use_l' => $day->use,
            'uptake' => $day->uptake,
            'rain_l' => $day->rain,
            'spill_l' => $day->spill,
            'top_up_l' => $day->topUp,
            'top_up_ec' => $day->topUpEc,
            'change' => $day->change,
            'level_mm' => $run->level($day->day),
            'volume_l' => $day->volume,
            'air_gap_mm' => $run->gap($day->day),
            'ec_ms_cm' => $day->ec(),
            'oxygen_mg_l' => $run->oxygen($day->day),
            'water_c' => $day->water,
        ];
    }
}
