<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Feed\Peroxide;
use stdClass;

/** What a tub is fed, as a part of the report. Keys and units of the file format. */
final class FeedReport
{
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
            'crops' => SeasonReport::crops($plan),
            'season' => SeasonReport::of($plan, $plan->run(), $whole),
            'levels' => SeasonReport::levels($plan),
            'limits' => ['ec_ms_cm' => $plan->window],
        ];
    }

    private static function feed(FeedPlan $plan): ?stdClass
    {
        $feed = $plan->feed;
        if ($feed === null) {
            return null;
        }
        $litres = $plan->tub->water->start();
        $stage = $plan->stage();
        $doses = $plan->mixing->doses($litres, $stage);

        return (object) [
            'id' => $feed->id,
            'name' => $feed->product->name,
            'litres' => $litres,
            'parts' => array_map(self::dose(...), $doses),
            'ec_ms_cm' => $plan->mixing->ecAt($stage),
            'aim_ec_ms_cm' => $plan->mixing->target?->at($stage),
            'label_ec_ms_cm' => $feed->product->labelEc($stage),
            'share' => $plan->mixing->shareAt($stage),
            'stage' => $stage->value,
            'multi_part' => $feed->product->isMultiPart(),
            'into_empty_tub' => $feed->emptyTub,
            'ph' => self::ph($plan),
            'peroxide_ml' => $feed->peroxide > 0.0
                ? Peroxide::millilitres($feed->peroxide, $litres, $feed->peroxidePercent)
                : null,
            'stages' => self::stages($plan),
            'batch' => self::batch($doses, $litres),
        ];
    }

    /**
     * What is mixed and shared out where a part of the doses for so many litres is too little to measure; null where none is.
     *
     * @param  list<Dose>  $doses
     */
    public static function batch(array $doses, float $litres): ?stdClass
    {
        $batch = Dose::batch($doses, $litres);

        return $batch === null ? null : (object) [
            'litres' => $batch,
            'parts' => array_map(static fn (Dose $dose): stdClass => self::dose($dose->times($batch / $litres)), $doses),
        ];
    }

    /** @return list<stdClass> to what the tub is fed from which day on, with the doses of a whole fill */
    private static function stages(FeedPlan $plan): array
    {
        $run = $plan->run();
        $target = $plan->mixing->target;
        if ($run === null || $target === null) {
            return [];
        }
        $stages = [];
        for ($i = 0; $i === 0 || $i < count($run->days); $i++) {
            $state = $run->before($i);
            $stages[$state->stage->value] ??= (object) [
                'stage' => $state->stage->value,
                'from_day' => $state->day,
                'target_ec_ms_cm' => $target->at($state->stage),
                'ec_ms_cm' => $plan->mixing->ecAt($state->stage),
                'likes_ec_ms_cm' => $target->likes($state->stage),
                'parts' => array_map(self::dose(...), $plan->mixing->doses($plan->tub->water->working(), $state->stage)),
            ];
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
}
