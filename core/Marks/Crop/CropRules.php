<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Crop;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Crop\StillWater;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Tub\PlantRemedies;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\VesselRemedies;
use KelpTub\Core\Units\QuantityWriter;

/** What the crop says of its place: room, water, warmth, light, height. Source: handbook, rules section 6. */
final class CropRules
{
    /** Less than this share of the water that is wanted is as good as none. */
    private const LITTLE = 0.01;

    /** Above this share of the crop's figure a shortfall is only worth knowing. */
    private const MIND_SHARE = 0.8;

    private const WARM_MARGIN_C = 4.0;

    private const ROUNDING = 1.0e-9;

    /** @return list<Finding> */
    public static function of(TubPlan $plan, RuleContext $context): array
    {
        if ($plan->plants->mix->isEmpty()) {
            return [];
        }
        $findings = [
            ...self::cupSizes($plan, $context),
            self::spacing($plan, $context),
            self::water($plan, $context),
            self::windows($plan, $context),
        ];
        foreach ($plan->plants->mix->crops() as $crop) {
            $findings = [
                ...$findings,
                self::passive($plan, $crop, $context),
                self::temperature($plan, $crop, $context),
                self::light($plan, $crop, $context),
                self::assumed($plan, $crop, $context),
                self::headroom($plan, $crop, $context),
                self::support($plan, $crop, $context),
            ];
        }

        return array_values(array_filter($findings));
    }

    /** A climber with nothing to climb; on a thin lid `lid.heavy-plant` says it already. */
    private static function support(TubPlan $plan, Crop $crop, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if (! $crop->climbs() || $tub->planting->trellis || $plan->cutting->lid->make->isThin()) {
            return null;
        }

        return new Finding('crop.support', Severity::Mind, $tub->id, $tub->pointer('/trellis'),
            sprintf(
                '%s and %s nothing to climb here. Put up a trellis, with clips.',
                $crop->doing('climbs', 'climb'),
                $crop->isPlural() ? 'have' : 'has',
            ),
            'A vine that hangs on its own stem tears out of the cup when it bears. Stand the trellis on the floor or fix it to a wall, '
                .'not to the lid.',
            [$context->set('Put up a trellis', $tub->pointer('/trellis'), true)]);
    }

    private static function spacing(TubPlan $plan, RuleContext $context): ?Finding
    {
        $pair = $plan->plants->closest;
        if ($pair === null) {
            return null;
        }
        [$spacing, $wanted, $crop, $other] = [$pair->distance, $pair->wanted, $pair->crop, $pair->other];
        $severity = self::shortfall($spacing / $wanted, $plan->tub->planting->density->spacingShare());
        if ($severity === null) {
            return null;
        }
        $roomy = $plan->plants->capacity->bySpacing;
        $apart = QuantityWriter::under($context->write->length($spacing), $context->write->length($wanted));
        $tight = $plan->tub->planting->density === Density::Tight && $severity === Severity::Mind;
        $someFit = $severity === Severity::Mind && $roomy >= 1 && $roomy < $plan->plants->count;
        $fewer = match (true) {
            $tight => 'That is what tight planting means: harvest them young.',
            $someFit => "$roomy would have that room; {$plan->plants->count} may stand, a little close. Harvest them young.",
            default => 'Plant fewer, or harvest young.',
        };

        return new Finding('crop.spacing', $severity, $plan->tub->id, $plan->tub->pointer('/layout'),
            $crop === $other
                ? sprintf(
                    'Plants stand %s apart and %s %s. %s',
                    $apart,
                    $crop->doingInSentence('wants', 'want'),
                    $context->write->length($wanted),
                    $fewer,
                )
                : sprintf(
                    '%s and %s stand %s apart and want %s between them. %s',
                    $crop->name,
                    $other->inSentence(),
                    $apart,
                    $context->write->length($wanted),
                    $fewer,
                ),
            'Crowded plants shade each other, stay wet and rot.',
            fn (): array => self::fewerApart($plan, $wanted, $context),
            1 - $spacing / $wanted);
    }

    /** @return list<Remedy> so many plants as have the room they want */
    private static function fewerApart(TubPlan $plan, float $wanted, RuleContext $context): array
    {
        $most = $plan->tub->planting->density === Density::Tight
            ? $context->solver($plan->cutting->space)->most(
                $plan->tub->holes->layout->regular(),
                max($plan->cutting->space->leastDistance(), $wanted),
                $plan->holes->count() - 1,
            )
            : min($plan->plants->capacity->bySpacing, $plan->holes->count() - 1);

        return $most < 1 ? [] : [PlantRemedies::cups($context->write->count($most, 'Plant one', 'Plant %d'), $plan, $most, $context)];
    }

    private static function water(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($tub->system === GrowingSystem::Cloner) {
            return null;
        }
        $wanted = $plan->plants->mix->litresWanted();
        $share = $plan->water->working() / $wanted;
        $severity = self::shortfall($share, $tub->planting->density->litresShare());
        if ($severity === null) {
            return null;
        }
        $most = (int) floor($plan->plants->count * $share);
        $crops = $plan->plants->mix->crops();
        $w = $context->write;

        $tight = $tub->planting->density === Density::Tight && $severity === Severity::Mind;
        $someDrink = $severity === Severity::Mind && $most >= 1 && $most < $plan->plants->count;
        $fewer = match (true) {
            $tight => 'That is what tight planting means: look at it more often.',
            $someDrink => "It is enough for $most; {$plan->plants->count} may grow in it, watched more closely. A larger tub is calmer.",
            default => 'Plant fewer, or take a larger tub.',
        };

        return new Finding('crop.water', $severity, $tub->id, $tub->pointer('/layout/cups'),
            count($crops) === 1
                ? sprintf(
                    '%s for each plant, and %s %s. %s',
                    ucfirst($w::under($w->volume($plan->water->working() / $plan->plants->count), $w->volume($crops[0]->litresPerPlant))),
                    $crops[0]->doingInSentence('wants', 'want'),
                    $w->volume($crops[0]->litresPerPlant),
                    $fewer,
                )
                : sprintf(
                    '%s in the tub, and its %d plants want %s together. %s',
                    ucfirst($w::under($w->volume($plan->water->working()), $w->volume($wanted))),
                    $plan->plants->count,
                    $w->volume($wanted),
                    $fewer,
                ),
            'With little water, strength and pH swing from day to day, and a hot day empties the tub.',
            fn (): array => array_values(array_filter([
                $most >= 1 && $most < $plan->plants->count ? PlantRemedies::plants($plan, $most, $context) : null,
                VesselRemedies::larger($plan, $context, 1 / max(self::LITTLE, $share)),
            ])),
            1 - $share);
    }

    /** Crops that share a reservoir share its strength, its pH and its warmth. */
    private static function windows(TubPlan $plan, RuleContext $context): ?Finding
    {
        $crops = $plan->plants->mix->crops();
        if (count($crops) < 2) {
            return null;
        }
        $w = $context->write;
        $windows = [
            [
                'strength (EC)',
                static fn (Crop $c): array => [$c->ecLow, $c->ecHigh],
                static fn (float $low, float $high): string => $w->number($low, 1).' to '.$w->number($high, 1, 'mS/cm'),
            ],
            [
                'pH',
                static fn (Crop $c): array => [$c->phLow, $c->phHigh],
                static fn (float $low, float $high): string => $w->number($low, 1).' to '.$w->number($high, 1),
            ],
            [
                'water temperature',
                static fn (Crop $c): array => [$c->waterTempLowC, $c->waterTempHighC],
                static fn (float $low, float $high): string => $w->temperature($low).' to '.$w->temperature($high),
            ],
        ];
        $apart = [];
        foreach ($windows as [$name, $window, $shown]) {
            usort($crops, static fn (Crop $a, Crop $b): int => $window($a)[1] <=> $window($b)[1]);
            $lowest = $crops[0];
            usort($crops, static fn (Crop $a, Crop $b): int => $window($b)[0] <=> $window($a)[0]);
            $highest = $crops[0];
            if ($window($highest)[0] > $window($lowest)[1] + self::ROUNDING) {
                $apart[] = sprintf(
                    '%s: %s %s, %s %s',
                    $name,
                    $lowest->doingInSentence('wants', 'want'),
                    $shown(...$window($lowest)),
                    $highest->inSentence(),
                    $shown(...$window($highest)),
                );
            }
        }
        if ($apart === []) {
            return null;
        }

        return new Finding('crop.windows', Severity::Mend, $plan->tub->id, $plan->tub->pointer('/crops'),
            'These crops cannot share a tub. '.ucfirst(implode('; ', $apart)).'. Give each a tub of its own, or pair it with another.',
            'One reservoir has one strength, one pH and one temperature. Where windows do not meet, one of the crops always does badly.');
    }

    /** @return list<Finding> crops whose cup is too small for them */
    private static function cupSizes(TubPlan $plan, RuleContext $context): array
    {
        $tub = $plan->tub;
        $findings = [];
        // What stands in a foam collar has no cup round its roots.
        $isCollared = $tub->system === GrowingSystem::Cloner && $tub->water->cloner->collar;
        foreach ($isCollared ? [] : $plan->plants->mix->crops() as $crop) {
            $smallest = null;
            foreach ($plan->plants->cropAt as $hole => $at) {
                $cup = $plan->cutting->sizes[$plan->holes->cupAt[$hole]]->cup;
                if ($at?->key === $crop->key && ($smallest === null || $cup->top < $smallest->top)) {
                    $smallest = $cup;
                }
            }
            if ($smallest === null || $smallest->suits($crop->cupMinMm)) {
                continue;
            }
            $findings[] = new Finding('crop.cup', Severity::Mind, $tub->id, $tub->pointer('/cup'),
                sprintf(
                    '%s a cup of %s or more; this one is %s.',
                    $crop->doing('wants', 'want'),
                    $context->write->length($crop->cupMinMm),
                    $context->write->length($smallest->top),
                ),
                'A stem that outgrows its cup is strangled by it, and a heavy plant rocks in a small one.',
                fn (): array => self::largerCup($plan, $crop, $context), $crop->cupMinMm - $smallest->top);
        }

        return $findings;
    }

    /** @return list<Remedy> the smallest bought cup that suits, for all of the tub, or beside the one it has */
    private static function largerCup(TubPlan $plan, Crop $crop, RuleContext $context): array
    {
        $tub = $plan->tub;
        $fitting = null;
        foreach ($context->library->cups as $cup) {
            if (! $cup->homeMade && $cup->suits($crop->cupMinMm) && ($fitting === null || $cup->top < $fitting->top)) {
                $fitting = $cup;
            }
        }
        if ($fitting === null) {
            return [];
        }
        if (count($plan->plants->mix->crops()) > 1 && $tub->holes->secondCup === null) {
            return [$context->set("Use the $fitting->name beside it", $tub->pointer('/cups_2'), $fitting->key)];
        }

        return [new Remedy(
            "Use the $fitting->name",
            [...$context->patch->set($tub->pointer('/cup'), $fitting->key), ...$context->patch->set($tub->pointer('/hole_mm'), null)],
        )];
    }

    private static function passive(TubPlan $plan, Crop $crop, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($tub->system !== GrowingSystem::Passive || $crop->stillWater === StillWater::Good) {
            return null;
        }
        $short = $crop->stillWater === StillWater::Short;

        return new Finding('crop.passive', $short ? Severity::Mind : Severity::Mend, $tub->id, $tub->pointer('/system'),
            $short
                ? sprintf('%s in still water to the first harvest, and poorly after it.', $crop->doing('does well', 'do well'))
                : sprintf(
                    '%s slowly and %s more often without air. Add an air stone, or grow something else here.',
                    $crop->doing('grows', 'grow'),
                    $crop->isPlural() ? 'rot' : 'rots',
                ),
            'Some roots live on the air gap alone; others, and old ones, need oxygen in the water.',
            fn (): array => [$context->addAir('Add air', $tub)]);
    }

    private static function temperature(TubPlan $plan, Crop $crop, RuleContext $context): ?Finding
    {
        $water = $context->plan->garden->site->waterTemperatureC;
        $off = max($crop->waterTempLowC - $water, $water - $crop->waterTempHighC);
        if ($off <= 0.0) {
            return null;
        }
        $w = $context->write;

        return new Finding(
            'crop.temperature',
            $off > self::WARM_MARGIN_C ? Severity::Mend : Severity::Mind,
            $plan->tub->id,
            '/site/water_temperature_c',
            sprintf(
                'The water is %s; %s well from %s to %s.',
                $water > $crop->waterTempHighC
                    ? $w::over($w->temperature($water), $w->temperature($crop->waterTempHighC))
                    : $w::under($w->temperature($water), $w->temperature($crop->waterTempLowC)),
                $crop->doingInSentence('does', 'do'),
                $w->temperature($crop->waterTempLowC),
                $w->temperature($crop->waterTempHighC),
            ),
            $water > $crop->waterTempHighC
                ? 'Warm water holds less oxygen, and rot likes it. Shade, a light cover and a larger volume keep it cooler.'
                : 'Cold roots feed slowly. Insulate the tub or lift it off the floor.');
    }

    /** By hours, or where lamp, window or the sky's sun tell it, by the day's light on the mean of the days to the first harvest. */
    private static function light(TubPlan $plan, Crop $crop, RuleContext $context): ?Finding
    {
        $site = $context->plan->garden->site;
        $fed = $context->plan->get(FeedPlans::class)->of($plan->tub->id);
        $mol = $fed->meanLight();
        if ($mol === null ? $crop->isLitFor($site->lightHours) : $crop->isLitBy($mol)) {
            return null;
        }
        [$is, $wants] = $mol === null ? [$site->lightHours, $crop->lightHours] : [$mol, $crop->lightMolDay];
        $w = $context->write;

        return new Finding('crop.light', Severity::Mind, $plan->tub->id, $mol === null ? '/site/light_hours' : '/site',
            $mol === null
                ? sprintf(
                    '%s of light, and %s %s. Add a lamp, or expect thin, slow plants.',
                    $is === 1.0 ? '1 hour' : $w->number($is, 1).' hours',
                    $crop->doingInSentence('wants', 'want'),
                    $w->number($wants, 0),
                )
                : sprintf(
                    'A day brings %s, and %s %s. Light it longer, nearer or stronger, or expect thin, slow plants.',
                    $w::under($w->number($is, 1, 'mol/m²'), $w->number($wants, 1)),
                    $crop->doingInSentence('wants', 'want'),
                    $w->number($wants, 0),
                ),
            $mol === null
                ? 'Too little light draws stems out and stops growth, whatever the water holds.'
                : 'Hours say how long there is light and not how much. What lamp, window and sky really bring is counted in light on the '
                    .'leaves, and growth goes by it.',
            fn (): array => $mol === null
                ? [$context->set(sprintf('Light it %s hours a day', $w->number($wants, 0)), '/site/light_hours', $wants)]
                : LightRemedies::of($plan, $crop, $mol, $context),
            $wants - $is);
    }

    /** What a crop of one's own does not say is taken from its group. */
    private static function assumed(TubPlan $plan, Crop $crop, RuleContext $context): ?Finding
    {
        $w = $context->write;

        return $crop->hardinessGiven ? null : new Finding('crop.assumed', Severity::Mind, $plan->tub->id, $plan->tub->pointer('/crop'),
            sprintf(
                '%s not said how much cold and light it takes: reckoned as its group, air down to %s and %s a day.',
                $crop->doing('has', 'have'),
                $w->temperature($crop->leastAirC),
                $w->number($crop->lightMolDay, 1, 'mol/m²'),
            ),
            'Frost and dim days are judged by these two. Write them into your crop in the Library when you know them.');
    }

    private static function headroom(TubPlan $plan, Crop $crop, RuleContext $context): ?Finding
    {
        $room = $context->plan->garden->site->headroomMm;
        if ($room === null || $crop->matureHeightMm <= $room) {
            return null;
        }

        return new Finding('crop.headroom', Severity::Mind, $plan->tub->id, '/site/headroom_mm',
            sprintf(
                'Grown %s %s over the lid, and there is room for %s. Pinch the tips out, or grow something lower.',
                $crop->doingInSentence('stands', 'stand'),
                $context->write->length($crop->matureHeightMm),
                $context->write->length($room),
            ),
            'Leaves against a lamp burn; against a ceiling they mould.');
    }

    /**
     * How bad a share of the crop's figure is, or null when it is met.
     *
     * @param  float  $tightest  down to this share a shortfall is the way of the tub's school; the roomy one has none
     */
    private static function shortfall(float $share, float $tightest): ?Severity
    {
        return match (true) {
            $share >= 1.0 - 1.0e-9 => null,
            $share >= self::MIND_SHARE => Severity::Mind,
            $share >= $tightest => Severity::Mind,
            default => Severity::Mend,
        };
    }
}
