<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Crop\CropStand;
use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\Season\TopUp;
use KelpTub\Core\Season\TopUpHabit;
use stdClass;

/** How a tub fares, as a part of the report: all that any mark says of time is read here. Keys and units of the file format. */
final class SeasonReport
{
    private const KEYS = [
        'water_to_harvest_l', 'peak_daily_l', 'dry_day', 'harvest_day', 'last_day', 'harvest_g', 'next_top_up', 'habit', 'top_up_l',
        'top_ups', 'changes', 'start', 'days', 'feed', 'water_l', 'drunk_l', 'ec_low', 'ec_low_day', 'ec_high', 'ec_high_day',
        'oxygen_low_mg_l', 'oxygen_low_day', 'attention', 'first_dry_day', 'killed_day', 'jam_day', 'fill_l', 'looks',
    ];

    /**
     * @param  bool  $whole  with every day
     * @return array<string, mixed>
     */
    public static function of(FeedPlan $plan, ?SeasonRun $run, bool $whole): array
    {
        if ($run === null) {
            return array_fill_keys(self::KEYS, null);
        }
        $harvest = $run->harvestDay();
        $put = $run->putInBefore($harvest);
        $ec = $run->ecRange();
        $oxygen = $run->oxygenLow();
        $raft = $plan->tub->cutting->raft;

        return [
            'water_to_harvest_l' => $harvest === null ? null : $run->drunk($harvest),
            'peak_daily_l' => $run->mostDrunk(),
            'dry_day' => $run->dryDay(),
            'harvest_day' => $harvest,
            'last_day' => $run->lastDay(),
            'harvest_g' => $run->harvested(),
            'next_top_up' => self::nextTopUp($plan, $run),
            'habit' => self::habit(TopUpHabit::of($run)),
            'top_up_l' => $put['litres'],
            'top_ups' => $put['top_ups'],
            'changes' => $put['changes'],
            'start' => $whole ? (object) [
                'volume_l' => $run->start->volume,
                'level_mm' => $run->level(-1),
                'ec_ms_cm' => $run->start->ec(),
                'ph' => $run->start->ph,
                'oxygen_mg_l' => $run->oxygen(-1),
                'water_c' => $run->start->water,
            ] : null,
            'days' => $whole ? array_map(static fn (int $i): stdClass => self::day($run, $i), array_keys($run->days)) : null,
            'feed' => array_map(FeedReport::dose(...), $run->doses()),
            'fill_l' => $run->tub->fill,
            'water_l' => $run->poured(),
            'drunk_l' => $run->drunk(),
            'ec_low' => $ec['low'] ?? null,
            'ec_low_day' => $ec['low_day'] ?? null,
            'ec_high' => $ec['high'] ?? null,
            'ec_high_day' => $ec['high_day'] ?? null,
            'oxygen_low_mg_l' => $oxygen[0] ?? null,
            'oxygen_low_day' => $oxygen[1] ?? null,
            'attention' => $run->attention(),
            'first_dry_day' => $run->dryOn(),
            'looks' => $run->looksAtHarvest()->value,
            'killed_day' => $run->killedOn(),
            'jam_day' => $raft === null ? null : $run->fallsTo($plan->tub->water->reservoir->litresAt($raft->jamLevel)),
        ];
    }

    /** @return list<stdClass> what each crop of the tub takes and brings, and when it is ready */
    public static function crops(FeedPlan $plan): array
    {
        $run = $plan->run();

        return $run === null ? [] : array_map(static fn (int $i, CropStand $stand): stdClass => (object) [
            'crop' => $stand->crop->key,
            'name' => $stand->crop->name,
            'plants' => $stand->plants,
            'water_to_harvest_l' => $run->harvestOf($i) === null ? null : $run->drunkBy($i, $run->harvestOf($i)),
            'harvest_day' => $run->harvestOf($i),
            'last_day' => $run->lastOf($i),
            'died_day' => $run->diedOn($i),
            'harvest_g' => $run->harvest($i),
            'days_sow_to_transplant' => $stand->crop->daysBefore(),
            'days_within' => $stand->crop->daysWithin(),
            'sprouts_day' => $stand->crop->sproutsOn(),
        ], array_keys($run->tub->stands), $run->tub->stands);
    }

    /** @return array<string, float|null> how still water that is not topped up stands half-way and at harvest */
    public static function levels(FeedPlan $plan): array
    {
        $water = $plan->tub->tub->water;
        $run = $water->system === GrowingSystem::Passive && $water->topUps === TopUps::None ? $plan->run() : null;
        $halfWay = $run?->halfWay();
        $harvest = $run?->harvestDay();
        $atHarvest = $run === null || $harvest === null ? null : $run->levelAt($harvest);

        return [
            'half_way_mm' => $run === null || $halfWay === null ? null : $run->levelAt($halfWay),
            'harvest_mm' => $atHarvest,
            'air_gap_harvest_mm' => $run === null || $atHarvest === null ? null : $run->tub->gapAt($atHarvest),
        ];
    }

    private static function nextTopUp(FeedPlan $plan, SeasonRun $run): ?stdClass
    {
        return $plan->tub->tub->system === GrowingSystem::Passive ? self::topUp(SafeTopUps::next($run)) : null;
    }

    /** The top-ups of a tub that is topped up by a school, as a habit, with the list behind it. */
    private static function habit(?TopUpHabit $habit): ?stdClass
    {
        return $habit === null ? null : (object) [
            'litres' => $habit->litres(),
            'from_day' => $habit->fromDay(),
            'every_days' => $habit->every(),
            'top_ups' => array_map(self::topUp(...), $habit->topUps),
        ];
    }

    private static function topUp(TopUp $topUp): stdClass
    {
        return (object) ['day' => $topUp->day, 'litres' => $topUp->litres];
    }

    public static function day(SeasonRun $run, int $index): stdClass
    {
        $day = $run->days[$index];
        $several = count($run->tub->stands) > 1;
        $row = [
            'day' => $day->day,
            'age' => $run->age($day),
            'fare' => $day->fare(),
            'ph' => $day->after->ph,
            'use_l' => $day->use,
            'uptake' => $day->uptake,
            'stronger' => $day->stronger,
            'rain_l' => $day->rain,
            'spill_l' => $day->spill,
            'top_up_l' => $day->topUp,
            'top_up_ec' => $day->topUpEc,
            'change' => $day->change,
            'level_mm' => $day->level,
            'volume_l' => $day->after->volume,
            'air_gap_mm' => $run->gap($day->day),
            'ec_ms_cm' => $day->ec(),
            'oxygen_mg_l' => $day->oxygen,
            'water_c' => $day->after->water,
            'growth' => $run->growth($day),
            'looks' => $run->looks($index)->value,
        ];
        if ($several) {
            $living = $day->living();
            $row['ages'] = (object) self::byCrop($run, static fn (int $i, CropStand $s): ?float => $living[$i]
                ? $s->sinceTransplanting($day->after->ages[$i])
                : null);
            $row['fares'] = (object) self::byCrop($run, static fn (int $i): ?float => $day->fares[$i]);
        }

        return (object) $row;
    }

    /**
     * @param  callable(int, CropStand): (float|null)  $of
     * @return array<string, float|null> by crop
     */
    private static function byCrop(SeasonRun $run, callable $of): array
    {
        $by = [];
        foreach ($run->tub->stands as $i => $stand) {
            $by[$stand->crop->key] = $of($i, $stand);
        }

        return $by;
    }
}
