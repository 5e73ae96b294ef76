<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Feed\Disinfectant;
use KelpTub\Core\Feed\Peroxide;
use KelpTub\Core\Feed\PhSchool;
use KelpTub\Core\Feed\Strength;
use KelpTub\Core\Feed\Water;
use KelpTub\Core\Feed\WaterSource;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PartCheck;
use KelpTub\Core\File\PartReader;
use KelpTub\Core\Garden\Mark;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\PlanningAids;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Light\Window;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Tub\TubPlans;
use stdClass;

/** The water, what is mixed into it, and how it stands on every day to the last harvest. */
final class FeedMark extends Mark
{
    private const USUAL_PH = 7.4;

    private const USUAL_LATITUDE = 50;

    private const ROUNDING = 1.0e-9;

    public function key(): string
    {
        return 'feed';
    }

    public function faults(stdClass $document, Library $library): array
    {
        $faults = [...self::weatherFaults($document->site->weather ?? new stdClass, $library), ...self::lampFaults($document, $library)];
        $taken = [];
        foreach ($document->feeds ?? [] as $i => $feed) {
            if (isset($taken[$feed->id])) {
                $faults[] = new Fault("/feeds/$i/id", "is \"$feed->id\", which another feed has already; ids are unique");
            }
            $taken[$feed->id] = true;
            $faults = [
                ...$faults,
                ...PartCheck::part($feed->product, $library->products, "/feeds/$i/product", 'feed', PartCheck::product(...)),
            ];
        }
        foreach ($document->tubs ?? [] as $i => $tub) {
            if (isset($tub->feed) && ! isset($taken[$tub->feed])) {
                $faults[] = new Fault("/tubs/$i/feed", "is \"$tub->feed\", and no feed of this garden has that id");
            }
        }
        $shares = array_sum(array_map(static fn (stdClass $b): float => (float) $b->share, $document->water->blend ?? []));

        return $shares <= 1.0 + self::ROUNDING ? $faults : [
            ...$faults,
            new Fault('/water/blend', sprintf('has shares of %s in all; what is blended in comes to 1 at most', round($shares, 6))),
        ];
    }

    /** @return list<Fault> */
    private static function lampFaults(stdClass $document, Library $library): array
    {
        $faults = [];
        $at = static fn (string|stdClass $lamp, string $pointer): array => PartCheck::part(
            $lamp,
            $library->lamps,
            $pointer,
            'lamp',
            static fn (): array => [],
        );
        if (isset($document->site->lamp)) {
            $faults = $at($document->site->lamp, '/site/lamp');
        }
        foreach ($document->tubs ?? [] as $i => $tub) {
            $faults = isset($tub->lamp) ? [...$faults, ...$at($tub->lamp, "/tubs/$i/lamp")] : $faults;
        }

        return $faults;
    }

    /** @return list<Fault> */
    private static function weatherFaults(stdClass $weather, Library $library): array
    {
        if (($weather->kind ?? 'steady') !== 'typical') {
            return [];
        }
        $faults = [];
        if (! isset($weather->climate) || ! $library->climates->has($weather->climate)) {
            $given = isset($weather->climate) ? "is \"$weather->climate\"" : 'is missing';
            $faults[] = new Fault('/site/weather/climate', "$given; it is one of ".implode(', ', $library->climates->keys()));
        }
        $date = $weather->start ?? '';
        [$year, $month, $day] = array_map(intval(...), explode('-', $date.'-0-0'));
        if (! checkdate($month, $day, max(1, $year))) {
            $faults[] = new Fault('/site/weather/start', ($date === '' ? 'is missing' : "is \"$date\", no date").'; it reads 2027-04-10');
        }

        return $faults;
    }

    public function members(): array
    {
        return ['feeds', 'site', 'water'];
    }

    public function read(stdClass $document, Library $library): FeedWishes
    {
        $raw = $document->water ?? new stdClass;
        $source = self::water($raw, $raw->ph ?? self::USUAL_PH);
        $others = PartReader::each($raw->blend ?? [], static fn (stdClass $b): array => [self::water($b, null), (float) $b->share]);
        $blended = array_values(array_filter($others, static fn (array $other): bool => $other[1] > 0.0));
        $rest = max(0.0, 1 - array_sum(array_column($blended, 1)));

        return new FeedWishes(
            $source,
            $blended === [] ? $source : Water::blend([[$source, $rest], ...$blended]),
            PartReader::each(
                $document->feeds ?? [],
                static fn (stdClass $feed, int $index): FeedWish => new FeedWish(
                    $index,
                    $feed->id,
                    is_string($feed->product) ? $library->products->get($feed->product) : PartReader::product($feed->product, null),
                    Strength::from(is_string($feed->strength ?? null) ? $feed->strength : Strength::ByStage->value),
                    PhSchool::from($feed->ph_school ?? PhSchool::Window->value),
                    (float) ($feed->peroxide_mg_l ?? 0),
                    (float) ($feed->peroxide_pct ?? Peroxide::USUAL_PERCENT),
                    $feed->empty_tub ?? false,
                    ($feed->strength ?? null) instanceof stdClass ? (float) $feed->strength->ec_ms_cm : null,
                ),
            ),
            self::lights($document, $library),
        );
    }

    private static function lights(stdClass $document, Library $library): Lights
    {
        $site = $document->site ?? new stdClass;

        return new Lights(
            isset($site->lamp) ? PartReader::lampOf($site->lamp, $library->lamps) : null,
            isset($site->window) ? Window::from($site->window) : null,
            ($site->latitude ?? self::USUAL_LATITUDE) < 0,
        );
    }

    private static function water(stdClass $raw, ?float $ph): Water
    {
        $source = WaterSource::from($raw->source ?? WaterSource::Tap->value);

        return new Water(
            $source,
            (float) ($raw->ec_ms_cm ?? $source->usualEc()),
            $ph,
            isset($raw->alkalinity_mg_l) ? (float) $raw->alkalinity_mg_l : null,
            Disinfectant::from($raw->disinfectant ?? ($source->isSoft() ? Disinfectant::None : Disinfectant::Chlorine)->value),
        );
    }

    public function plan(Plan $before, PlanningAids $aids): FeedPlans
    {
        $wishes = $before->garden->of(FeedWishes::class);
        $planner = new FeedPlanner($before->garden->site, $wishes, $aids);
        $known = $before->before(FeedPlans::class);
        $tubs = $before->get(TubPlans::class)->tubs;
        $air = $before->get(AirPlans::class)->tubs;

        return new FeedPlans(
            $wishes,
            array_map(static fn (Tub $tub): string => $tub->id, $before->garden->tubs),
            static function (string $id) use ($planner, $known, $tubs, $air, $wishes): FeedPlan {
                $same = $known?->wishes === $wishes && $known->has($id) ? $known->of($id) : null;

                return match (true) {
                    $same === null || $same->tub !== $tubs[$id] => $planner->tub($tubs[$id], $air[$id]),
                    $same->air !== $air[$id] => $planner->again($same, $air[$id]),
                    default => $same,
                };
            },
        );
    }

    public function basis(string $tub, Plan $plan): array
    {
        return [$plan->get(FeedPlans::class)->of($tub), $plan->get(TubPlans::class)->tubs[$tub]];
    }

    public function needsOnTub(string $tub, Plan $plan, Library $library): array
    {
        $plans = $plan->get(FeedPlans::class);

        return [$tub => FeedParts::of($plans->of($tub), $plans->wishes->water, $library)];
    }

    public function findingsOnTub(string $tub, RuleContext $context): array
    {
        $plan = $context->plan->get(FeedPlans::class)->of($tub);

        return [...FeedRules::ofTub($plan, $context), ...SeasonRules::ofTub($plan, $context)];
    }

    public function findings(RuleContext $context): array
    {
        return FeedRules::ofGarden($context->plan->get(FeedPlans::class)->wishes, $context);
    }

    public function reportOnTub(string $tub, Plan $plan, bool $whole): array
    {
        return FeedReport::ofTub($plan->get(FeedPlans::class)->of($tub), $whole);
    }

    public function report(Plan $plan, bool $whole): array
    {
        return ['water' => FeedReport::water($plan->get(FeedPlans::class)->wishes)];
    }
}
