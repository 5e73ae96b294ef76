<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Air\SubmergedShare;
use KelpTub\Core\Air\TubAir;
use KelpTub\Core\Crop\CropMix;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Feed\Mixing;
use KelpTub\Core\Feed\Strength;
use KelpTub\Core\Feed\Target;
use KelpTub\Core\Garden\PlanningAids;
use KelpTub\Core\Garden\Setting;
use KelpTub\Core\Garden\Site;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Season\Acidity;
use KelpTub\Core\Season\Breath;
use KelpTub\Core\Season\DayLight;
use KelpTub\Core\Season\Indoors;
use KelpTub\Core\Season\SeasonTub;
use KelpTub\Core\Season\SteadyWeather;
use KelpTub\Core\Season\Warmth;
use KelpTub\Core\Season\Weather;
use KelpTub\Core\Season\WeatherDay;

/** Works out what each tub is fed and what its season goes by. */
final readonly class FeedPlanner
{
    /** † water over the air: under a roof, a bare dark tub in full sun, a light or foil-covered one there, °C. */
    private const GAIN_COVERED = 2.0;

    private const GAIN_SUN = 4.0;

    private const GAIN_SUN_LIGHT = 1.0;

    /** † of the light out of doors under a roof; 0.5 to 0.8. */
    private const UNDER_ROOF = 0.7;

    /** The climate of a room: its sky gives hours of light and no sun. */
    private const INDOORS = 'indoors';

    /** † a small water pump inside a nursery, W. */
    private const NURSERY_PUMP_W = 3.0;

    /** pH of water where it is not said, and of blends. */
    private const USUAL_PH = 7.4;

    private Weather $weather;

    public function __construct(private Site $site, private FeedWishes $wishes, private PlanningAids $aids)
    {
        $this->weather = self::weather($site, $aids);
    }

    /**
     * Days of a climate where they are asked for and can be had; else the site's own figures every day.
     *
     * @param  string|null  $date  of the first of them; null for the one that the design has
     */
    public static function weather(Site $site, PlanningAids $aids, ?string $date = null): Weather
    {
        $asked = $site->weather;
        $start = $date ?? $asked->start;
        $days = $asked->climate === null || $start === null ? null : $aids->forecasts->from(
            $aids->library->climates->get($asked->climate),
            $asked->seed,
            $start,
        );

        return match (true) {
            $days === null => new SteadyWeather(new WeatherDay(
                $site->airTemperatureC,
                $site->humidityPct,
                $site->lightHours,
                $site->sunHours,
            )),
            $site->setting === Setting::Indoor => new Indoors($days, $site->lightHours),
            $asked->climate === self::INDOORS => new Indoors($days, null),
            default => $days,
        };
    }

    public function tub(TubPlan $plan, TubAir $air): FeedPlan
    {
        $feed = $this->wishes->feed($plan->tub->water->feed);
        $window = $plan->plants->mix->ecWindow();
        $mixing = $this->mixing($plan, $plan->plants->mix, $feed);

        return new FeedPlan(
            $plan,
            $air,
            $feed,
            $mixing,
            $window,
            $plan->water->use === null ? null : $this->season($plan, $air, $plan->plants->mix, $mixing, $feed),
            $this->weather,
            $this->aids->seasons,
        );
    }

    /** A tub that is planned already, and gets other air now. */
    public function again(FeedPlan $known, TubAir $air): FeedPlan
    {
        return new FeedPlan(
            $known->tub,
            $air,
            $known->feed,
            $known->mixing,
            $known->window,
            $known->season?->breathing($this->breath($known->tub, $air)),
            $known->weather,
            $this->aids->seasons,
        );
    }

    /**
     * A tub's season with what really stands in it.
     *
     * @param  list<int>  $since  the day on which each share of it was set in
     */
    public function planted(FeedPlan $plan, CropMix $mix, array $since): SeasonTub
    {
        return $this->season($plan->tub, $plan->air, $mix, $this->mixing($plan->tub, $mix, $plan->feed), $plan->feed)->since($since);
    }

    private function mixing(TubPlan $plan, CropMix $mix, ?FeedWish $feed): Mixing
    {
        $window = $mix->ecWindow();

        return new Mixing(
            $feed?->product,
            $feed === null ? Strength::ByStage : $feed->strength,
            $window === null ? null : $this->target($plan, $mix, $window, $feed?->aim),
            $this->wishes->water->ec,
        );
    }

    /** @param  array{float, float}  $window */
    private function target(TubPlan $plan, CropMix $mix, array $window, ?float $aim): Target
    {
        $once = null;
        if ($plan->tub->system === GrowingSystem::Passive && $plan->tub->water->policy()->isOneFill()) {
            [$eaten, $drunk] = [0.0, 0.0];
            foreach ($mix->stands(1.0) as $stand) {
                $eaten += $stand->crop->middleEc() * $stand->use->toHarvest;
                $drunk += $stand->use->toHarvest;
            }
            $once = Target::once($window[0], $window[1], $eaten, $drunk, $plan->plants->climate, $plan->water->working());
        }

        return new Target($window[0], $window[1], $this->wishes->water->ec, $once, $aim);
    }

    private function season(TubPlan $plan, TubAir $air, CropMix $mix, Mixing $mixing, ?FeedWish $feed): SeasonTub
    {
        $tub = $plan->tub;
        $water = $plan->water;
        $open = $this->site->setting === Setting::Open;
        $rim = $tub->body->vessel->profile->rim();
        $stands = $mix->stands($plan->plants->climate);
        assert($stands !== []);

        return new SeasonTub(
            $tub->system,
            $water->start(),
            $water->working(),
            $water->usable(),
            $water->reservoir->litresAt($open ? min($rim, $water->line->overflow()) : $rim),
            $water->line->cupBottom,
            $water->reservoir,
            $stands,
            $plan->plants->climate,
            $mixing,
            new Acidity(
                $this->wishes->water->ph ?? self::USUAL_PH,
                $feed?->ph->aim($mix->phWindow())['target'] ?? null,
                $this->wishes->water->ec,
            ),
            $tub->water->policy(),
            $this->breath($plan, $air),
            $this->warmth($plan),
            $this->light($tub),
            $open ? $tub->body->lid->outline->area() / 1.0e6 : null,
            $this->site->inSun(),
            $plan->cutting->raft?->jamLevel,
            $water->line->grown,
        );
    }

    /** What lights a tub besides the hours of its site. */
    private function light(Tub $tub): DayLight
    {
        $lamp = $this->wishes->lights->over($tub);
        $indoors = $this->site->setting === Setting::Indoor;

        return new DayLight(
            $lamp?->mol($this->site->lightHours),
            $indoors ? $this->wishes->lights->window?->midsummer() : null,
            $this->wishes->lights->south,
            match (true) {
                // Steady days tell light by hours, but where a lamp's is added to the sun's.
                $indoors, $lamp === null && $this->weather->isSteady() => null,
                $this->site->setting === Setting::Covered => self::UNDER_ROOF,
                default => 1.0,
            },
        );
    }

    private function breath(TubPlan $plan, TubAir $air): ?Breath
    {
        return $air->balance === null ? null : new Breath(
            $air->stones,
            $plan->tub->body->vessel->profile->sectionAt($plan->water->line->grown)->area() / 1.0e6,
            SubmergedShare::of($plan->tub->system, $plan->tub->water->line()),
            $this->site->altitudeM,
            $air->trickle,
            $air->batteryHours,
        );
    }

    private function warmth(TubPlan $plan): Warmth
    {
        $body = $plan->tub->body;

        return new Warmth(
            $this->site->waterTemperatureC,
            $this->site->waterGiven && $this->weather->isSteady() ? $this->site->waterTemperatureC : null,
            match (true) {
                $this->site->setting === Setting::Indoor => 0.0,
                $this->site->setting === Setting::Covered => self::GAIN_COVERED,
                ! $this->site->fullSun => 0.0,
                $body->cover->isLight() => self::GAIN_SUN_LIGHT,
                default => self::GAIN_SUN,
            },
            $body->vessel->profile->lateralArea() + $body->lid->outline->area() / 1.0e6,
            $plan->tub->system === GrowingSystem::Nursery ? self::NURSERY_PUMP_W * $plan->tub->water->drip->duty() : 0.0,
        );
    }
}
