<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Lid;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropGroup;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Lid\CupInHole;
use KelpTub\Core\Lid\KeepOut;
use KelpTub\Core\Lid\LayoutSolver;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\Lid;
use KelpTub\Core\Lid\LidMake;
use KelpTub\Core\Lid\Panel;
use KelpTub\Core\Lid\PatternKind;
use KelpTub\Core\Marks\Tub\PlantRemedies;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Units\QuantityWriter;

/** What the lid says of its holes: lips, webs, edge, walls, keep-outs, strength. Source: handbook, rules section 5. */
final class LidRules
{
    private const ROUNDING_MM = 1.0e-6;

    /** Share of the lid's area above which it is worth knowing, and above which it fails. */
    private const REMOVED_STOP = 0.5;

    /** @return list<Finding> */
    public static function of(TubPlan $plan, RuleContext $context): array
    {
        $own = [self::small($plan, $context), self::tooMany($plan, $context), self::heavyPlant($plan, $context), self::pattern($plan)];
        if ($plan->cutting->inMouth || $plan->holes->count() === 0) {
            return array_values(array_filter($own));
        }

        return array_values(array_filter([
            ...$own,
            self::lips($plan, $context),
            self::web($plan, $context),
            self::edge($plan, $context),
            self::wall($plan, $context),
            self::keepOut($plan, $context),
            self::panel($plan, $context),
            self::removed($plan, $context),
            self::ligament($plan, $context),
        ]));
    }

    /** A lid that would fall into the mouth it is to cover. */
    private static function small(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $mouth = $tub->body->vessel->profile->mouth();
        $lid = $tub->body->lid->outline;
        $short = max($mouth->length - $lid->length, $mouth->width - $lid->width);
        if ($plan->cutting->inMouth || $plan->cutting->raft !== null || $short <= self::ROUNDING_MM) {
            return null;
        }
        $w = $context->write;
        $over = static fn (float $across): float => round($across + 2 * Lid::OVER_RIM_MM);
        $sized = $lid->round
            ? ['diameter_mm' => $over($mouth->length)]
            : ['length_mm' => $over($mouth->length), 'width_mm' => $over($mouth->width)];
        $across = static fn (CrossSection $s): string => $w->length($s->length).($s->round ? '' : " by {$w->length($s->width)}");

        return new Finding('lid.small', Severity::Stop, $tub->id, $tub->pointer('/vessel/lid'),
            sprintf('The lid is %s and the mouth %s inside: it would fall in. Measure the lid.', $across($lid), $across($mouth)),
            'Holes are marked out from the lid\'s outer edge; on a lid of another size they come out in the wrong places.',
            [
                new Remedy(
                    sprintf('Let it go with the rim, %s over it', $w->length(Lid::OVER_RIM_MM)),
                    $context->patch->set($tub->pointer('/vessel/lid'), (object) [...$context->lidAsGiven($tub), ...$sized]),
                ),
            ],
            $short);
    }

    private static function tooMany(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $asked = max($plan->holes->asked, $tub->planting->plants ?? 0);
        $laidOut = $plan->holes->count();
        if ($laidOut >= $asked && $laidOut > 0) {
            return null;
        }
        if ($tub->holes->layout->isByHand() && $tub->holes->layout->holes === []) {
            return new Finding('lid.empty', Severity::Stop, $tub->id, $tub->pointer('/layout/holes'),
                'No hole is placed on this lid yet. Press the lid where one is to go, write the marking-out table, or choose a pattern.',
                'A layout by hand has the holes that were put there, and no others.',
                [$context->set('Lay it out by the best pattern', $tub->pointer('/layout/pattern'), 'best')]);
        }
        if ($laidOut === 0 && self::isSwallowed($plan)) {
            return new Finding('lid.too-many', Severity::Stop, $tub->id, $tub->pointer('/vessel/lid/keep_outs'),
                'What has to stay clear leaves no room on the lid for a hole. Make it smaller, or take it out where cups may go after all.',
                sprintf(
                    'Cups stay %s off latches, handles and ribs, all of which are drawn hatched.',
                    $context->write->length(KeepOut::CLEAR_MM),
                ));
        }
        $second = $plan->cutting->sizes[1] ?? null;
        if ($laidOut === 0 && $second !== null && self::holdsOne($plan, $plan->cutting->lid, [$plan->cutting->space->cups[0]])) {
            return new Finding('lid.too-many', Severity::Stop, $tub->id, $tub->pointer('/cups_2'),
                sprintf(
                    'No hole of %s, for the second size of cup, fits this lid. Use a smaller one, or leave it out.',
                    $context->write->length($second->seat->hole),
                ),
                'A layout has places that take either size, so the lid must hold the larger one.',
                [$context->set('Leave the second size out', $tub->pointer('/cups_2'), null)]);
        }
        if ($laidOut === 0) {
            return $plan->cutting->seat->holds() || $tub->holes->layout->isByHand() ? new Finding(
                'lid.too-many',
                Severity::Stop,
                $tub->id,
                $tub->pointer('/layout'),
                sprintf(
                    'No hole of %s fits this lid. Use a smaller cup or a larger lid.',
                    $context->write->length($plan->cutting->seat->hole),
                ),
                'A hole stays off the rim, which carries the load, and the hanging cup off the walls.') : null;
        }

        $remedies = $plan->holes->asked > $laidOut
            ? [PlantRemedies::cups($context->write->count($laidOut, 'Lay out one', 'Lay out %d'), $plan, $laidOut, $context)]
            : [];
        if (($tub->planting->plants ?? 0) > $laidOut) {
            $remedies = [
                new Remedy(
                    $context->write->count($laidOut, 'Plant one', 'Plant %d'),
                    [...($remedies[0]->patch ?? []), ...$context->patch->set($tub->pointer('/plants'), $laidOut)],
                ),
            ];
        }

        return new Finding(
            'lid.too-many',
            Severity::Stop,
            $tub->id,
            $tub->pointer($plan->holes->asked > $laidOut ? '/layout/cups' : '/plants'),
            $context->write->count(
                $laidOut,
                "$asked asked for, and the lid holds one. It is laid out.",
                "$asked asked for, and the lid holds %1\$d. The %1\$d that fit are laid out.",
            ),
            'Lips must not touch, and there must be lid between the holes and round the edge.', $remedies);
    }

    /** Whether the lid would take a hole if nothing on it had to stay clear. */
    private static function isSwallowed(TubPlan $plan): bool
    {
        if ($plan->cutting->lid->keepOuts === [] || ! $plan->cutting->seat->holds()) {
            return false;
        }

        return self::holdsOne(
            $plan,
            new Lid(
                $plan->cutting->lid->outline,
                $plan->cutting->lid->thickness,
                $plan->cutting->lid->make,
                $plan->cutting->lid->topAboveRim,
                [],
            ),
            $plan->cutting->space->cups,
        );
    }

    /**
     * Whether a lid over this tub holds one of some cups.
     *
     * @param  non-empty-list<CupInHole>  $cups
     */
    private static function holdsOne(TubPlan $plan, Lid $lid, array $cups): bool
    {
        return (new LayoutSolver(new LayoutSpace($lid, $cups, $plan->tub->body->vessel->profile)))->mostRegular(
            PatternKind::Best,
            $plan->cutting->space->leastDistance(),
            1,
        ) > 0;
    }

    private static function pattern(TubPlan $plan): ?Finding
    {
        if ($plan->holes->complete) {
            return null;
        }

        return new Finding('lid.incomplete', Severity::Mind, $plan->tub->id, $plan->tub->pointer('/layout'),
            sprintf(
                '%s no complete pattern here: places of a larger %s stay uncut.',
                $plan->holes->count() === 1 ? '1 cup makes' : "{$plan->holes->count()} cups make",
                $plan->holes->arrangement->pattern->value,
            ),
            'A regular pattern is easier to mark out; its last places are simply not cut.');
    }

    private static function lips(TubPlan $plan, RuleContext $context): ?Finding
    {
        $space = $plan->cutting->space;
        $pair = $plan->holes->leastPair(
            static fn (float $distance, int $cup, int $other): float => $distance - $space->leastDistanceByLips($cup, $other),
        );
        if ($pair === null || $pair->figure >= -self::ROUNDING_MM) {
            return null;
        }

        return new Finding('lid.lips', Severity::Stop, $plan->tub->id, $plan->tub->pointer('/layout/holes'),
            sprintf(
                'Two cups stand %s apart and their lips need %s. Move them apart.',
                QuantityWriter::under(
                    $context->write->length($pair->distance),
                    $context->write->length($pair->distance - $pair->figure),
                ),
                $context->write->length($pair->distance - $pair->figure),
            ),
            'Lips that overlap do not lie flat, and no cup can be lifted out by itself.',
            fn (): array => self::layOutAgain($plan, $context), -$pair->figure);
    }

    private static function web(TubPlan $plan, RuleContext $context): ?Finding
    {
        $web = $plan->holes->web();
        $least = $plan->cutting->lid->make->leastWeb();
        if ($web === null || $web >= $least - self::ROUNDING_MM) {
            return null;
        }

        return new Finding('lid.web', $web <= 0.0 ? Severity::Stop : Severity::Mend, $plan->tub->id, $plan->tub->pointer('/layout/holes'),
            sprintf(
                '%s; a %s lid needs %s between them.',
                $web <= 0.0 ? 'Two holes meet' : sprintf(
                    'Only %s of lid is left between two holes',
                    QuantityWriter::under($context->write->length($web), $context->write->length($least)),
                ),
                $plan->cutting->lid->make->value,
                $context->write->length($least),
            ),
            'The web between holes carries the cups. Too thin, it cracks under the saw or sags later.',
            fn (): array => self::layOutAgain($plan, $context), $least - $web);
    }

    private static function edge(TubPlan $plan, RuleContext $context): ?Finding
    {
        $edge = $plan->holes->edge();
        $least = $plan->holes->isOneInTheMiddle() ? LayoutSpace::SINGLE_EDGE_MM : $plan->cutting->lid->make->leastEdge();
        if ($edge === null || $edge >= $least - self::ROUNDING_MM) {
            return null;
        }

        return new Finding('lid.edge', $edge <= 0.0 ? Severity::Stop : Severity::Mend, $plan->tub->id, $plan->tub->pointer('/layout/holes'),
            $edge <= 0.0
                ? 'A hole runs over the edge of the lid. Move it in.'
                : sprintf(
                    'A hole comes to %s of the edge of the lid; %s carries the load.',
                    QuantityWriter::under($context->write->length($edge), $context->write->length($least)),
                    $context->write->length($least),
                ),
            'The rim of a lid is what stiffens it.', fn (): array => self::layOutAgain($plan, $context), $least - $edge);
    }

    private static function wall(TubPlan $plan, RuleContext $context): ?Finding
    {
        $clear = min([INF, ...array_map($plan->cutting->space->wall(...), $plan->holes->arrangement->points, $plan->holes->cupAt)]);
        if ($clear >= LayoutSpace::WALL_CLEAR_MM - self::ROUNDING_MM) {
            return null;
        }

        return new Finding('lid.wall', $clear < 0.0 ? Severity::Stop : Severity::Mend, $plan->tub->id, $plan->tub->pointer('/layout/holes'),
            $clear < 0.0
                ? sprintf('A hanging cup runs into the wall by %s. Move its hole in.', $context->write->length(-$clear))
                : sprintf(
                    'A hanging cup comes to %s of the wall; keep %s.',
                    QuantityWriter::under($context->write->length($clear), $context->write->length(LayoutSpace::WALL_CLEAR_MM)),
                    $context->write->length(LayoutSpace::WALL_CLEAR_MM),
                ),
            'Walls taper inwards, so a cup that clears the rim may touch lower down.',
            fn (): array => self::layOutAgain($plan, $context), -$clear);
    }

    private static function keepOut(TubPlan $plan, RuleContext $context): ?Finding
    {
        $clear = min([INF, ...array_map($plan->cutting->space->keepOut(...), $plan->holes->arrangement->points, $plan->holes->cupAt)]);
        if ($clear >= KeepOut::CLEAR_MM - self::ROUNDING_MM) {
            return null;
        }

        return new Finding('lid.keep-out', Severity::Mend, $plan->tub->id, $plan->tub->pointer('/layout/holes'),
            $clear < 0.0
                ? sprintf('A cup stands %s into a part of the lid that was to stay clear. Move it.', $context->write->length(-$clear))
                : sprintf(
                    'A cup comes to %s of a part of the lid that was to stay clear; keep %s.',
                    QuantityWriter::under($context->write->length($clear), $context->write->length(KeepOut::CLEAR_MM)),
                    $context->write->length(KeepOut::CLEAR_MM),
                ),
            'Latches, handles and ribs need room to work, and a saw skids on them.',
            fn (): array => self::layOutAgain($plan, $context), -$clear);
    }

    /** A hole that is cut over a ridge of a moulded lid. */
    private static function panel(TubPlan $plan, RuleContext $context): ?Finding
    {
        $panels = $plan->cutting->lid->panels;
        $over = [];
        foreach ($panels === [] ? [] : $plan->holes->arrangement->points as $i => $point) {
            $within = max([-INF, ...array_map(static fn (Panel $p): float => $p->clearance($point->x, $point->y), $panels)]);
            if ($within < $plan->cutting->sizes[$plan->holes->cupAt[$i]]->seat->hole / 2 - self::ROUNDING_MM) {
                $over[] = $i + 1;
            }
        }
        if ($over === []) {
            return null;
        }

        return new Finding('lid.panel', Severity::Mind, $plan->tub->id, $plan->tub->pointer('/layout/holes'),
            count($over) === 1
                ? "Hole $over[0] cuts over a ridge of the lid. Move it into a panel, or take a smaller cup."
                : sprintf(
                    '%s cut over a ridge of the lid, the first of them hole %d. Move them into panels, or take a smaller cup.',
                    $context->write->count(count($over), 'One hole', '%d holes'),
                    $over[0],
                ),
            'A saw skids on a ridge, and a cup does not lie flat over it.');
    }

    private static function removed(TubPlan $plan, RuleContext $context): ?Finding
    {
        $removed = ($plan->holes->removedPercent() ?? 0.0) / 100;
        if ($plan->holes->isOneInTheMiddle() || $removed <= LayoutSpace::MOST_REMOVED + self::ROUNDING_MM) {
            return null;
        }

        return new Finding(
            'lid.removed',
            $removed > self::REMOVED_STOP ? Severity::Stop : Severity::Mind,
            $plan->tub->id,
            $plan->tub->pointer('/layout/cups'),
            sprintf(
                '%s of the lid is cut away. Over %s lids start to sag; over %s they fail.',
                ucfirst(QuantityWriter::over(
                    $context->write->number($removed * 100, 0, '%'),
                    $context->write->number(($removed > self::REMOVED_STOP ? self::REMOVED_STOP : LayoutSpace::MOST_REMOVED) * 100, 0, '%'),
                )),
                $context->write->number(LayoutSpace::MOST_REMOVED * 100, 0, '%'),
                $context->write->number(self::REMOVED_STOP * 100, 0, '%'),
            ),
            'What is cut away no longer carries the cups.', fn (): array => self::mostThatKeep($plan, $context), $removed);
    }

    private static function ligament(TubPlan $plan, RuleContext $context): ?Finding
    {
        $space = $plan->cutting->space;
        $share = $plan->holes->leastPair(
            static fn (float $distance, int $cup, int $other): float => $distance <= 0.0
                ? 0.0
                : $space->web($distance, $cup, $other) / $distance,
        )?->figure;
        if ($share === null || $share >= LayoutSpace::LEAST_LIGAMENT - self::ROUNDING_MM) {
            return null;
        }

        return new Finding('lid.ligament', Severity::Mend, $plan->tub->id, $plan->tub->pointer('/layout'),
            sprintf(
                'Between holes %s of the distance between centres is left; keep %s. Use fewer cups or a smaller hole.',
                $context->write->number(max(0.0, $share * 100), 0, '%'),
                $context->write->number(LayoutSpace::LEAST_LIGAMENT * 100, 0, '%'),
            ),
            'A row of holes with little between them tears like a stamp.', fn (): array => self::mostThatKeep($plan, $context), -$share);
    }

    private static function heavyPlant(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $fruiting = array_values(array_filter($plan->plants->mix->crops(), static fn (Crop $c): bool => $c->group === CropGroup::Fruit));
        if ($fruiting === [] || $plan->cutting->lid->make !== LidMake::Thin || $tub->planting->trellis) {
            return null;
        }

        return new Finding('lid.heavy-plant', Severity::Mend, $tub->id, $tub->pointer('/trellis'),
            sprintf(
                'A grown %s weighs %s and the lid is thin. Carry it on a trellis.',
                $fruiting[0]->inSentence(),
                $context->write->mass($fruiting[0]->matureMassG / 1000),
            ),
            'A thin lid bends under a fruiting plant until the cup slips through.',
            [$context->set('Put up a trellis', $tub->pointer('/trellis'), true)]);
    }

    /** @return list<Remedy> the same number of cups where the solver puts them, or as many as fit */
    private static function layOutAgain(TubPlan $plan, RuleContext $context): array
    {
        if (! $plan->tub->holes->layout->isByHand()) {
            return [];
        }
        $solver = $context->solver($plan->cutting->space);
        $most = $solver->most(PatternKind::Best, $plan->cutting->space->leastDistance(), $plan->holes->count());

        return $most < 1 ? [] : [
            PlantRemedies::cups($context->write->count($most, 'Lay the one out again', 'Lay out %d again'), $plan, $most, $context),
        ];
    }

    /** @return list<Remedy> */
    private static function mostThatKeep(TubPlan $plan, RuleContext $context): array
    {
        $most = $plan->plants->capacity->byLid;

        return $most < 1 || $most >= $plan->holes->count() ? [] : [
            PlantRemedies::cups($context->write->count($most, 'Use one cup', 'Use %d cups'), $plan, $most, $context),
        ];
    }
}
