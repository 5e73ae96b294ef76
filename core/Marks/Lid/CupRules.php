<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Lid;

use KelpTub\Core\Crop\CropWish;
use KelpTub\Core\Cup\Saw;
use KelpTub\Core\Cup\SawChoice;
use KelpTub\Core\Cup\SawSeries;
use KelpTub\Core\Cup\Seat;
use KelpTub\Core\Cup\SeatKind;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Lid\LidMake;
use KelpTub\Core\Marks\Tub\CupPlan;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Units\QuantityWriter;

/** How the cup sits in its hole. Source: handbook, rules section 3. */
final class CupRules
{
    private const ROUNDING_MM = 1.0e-9;

    /** @return list<Finding> */
    public static function of(TubPlan $plan, RuleContext $context): array
    {
        $findings = [];
        foreach ($plan->cutting->sizes as $size => $cup) {
            $at = $plan->tub->pointer($plan->cutting->inMouth ? '/cup' : ($size === 0 ? '/hole_mm' : '/cups_2'));
            $findings = [
                ...$findings,
                self::seat($plan, $cup, $at, $context),
                self::bearing($plan, $cup, $at, $context),
                self::play($plan, $cup, $at, $context),
                self::depth($plan, $cup, $plan->tub->pointer($size === 0 ? '/cup' : '/cups_2'), $context),
            ];
        }

        return array_values(array_filter([...$findings, self::uneven($plan, $context)]));
    }

    private static function seat(TubPlan $plan, CupPlan $size, string $at, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $seat = $size->seat;
        $cup = $size->cup;
        $w = $context->write;

        return match ($seat->kind) {
            SeatKind::FallsThrough => new Finding('cup.falls-through', Severity::Stop, $tub->id, $at,
                sprintf(
                    '%s falls through: the hole is %s and its lip %s. %s',
                    self::named($plan, $size),
                    $w->length($seat->hole),
                    $w->length($cup->lip),
                    $tub->holes->drilled ? 'Take a cup with a wider lip.' : 'Cut a smaller hole.',
                ),
                'A cup hangs by its lip, so the hole is wider than the body and narrower than the lip.',
                self::rightSaw($plan, $size, $context)),
            SeatKind::DoesNotEnter => new Finding('cup.does-not-enter', Severity::Stop, $tub->id, $at,
                sprintf(
                    '%s does not go in: the hole is %s and its bottom %s. Cut a larger hole.',
                    self::named($plan, $size),
                    $w->length($seat->hole),
                    $w->length($cup->bottom),
                ),
                'Too small can be cut larger; too large starts over. Try one hole first.',
                self::rightSaw($plan, $size, $context)),
            SeatKind::Wedged => $tub->holes->raise !== null && $tub->holes->raise > 0.0
                ? null
                : new Finding('cup.wedged', Severity::Mind, $tub->id, $at,
                    sprintf(
                        '%s wedges in the hole and stands %s proud of full depth. Cut %s, or keep it as a raise.',
                        self::named($plan, $size),
                        $w->length($seat->raise),
                        $w->length($cup->top + 1),
                    ),
                    'A tapered cup stops where its body is as wide as the hole; its bottom, and the water line with it, come up by '
                        .'as much.',
                    [
                        ...self::rightSaw($plan, $size, $context),
                        ...($size === $plan->cutting->sizes[0]
                            ? [$context->set('Keep it raised', $tub->pointer('/raise_mm'), round($seat->raise, 2))]
                            : []),
                    ]),
            SeatKind::Lip => null,
        };
    }

    private static function bearing(TubPlan $plan, CupPlan $size, string $at, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if (
            $plan->cutting->inMouth
            || $size->seat->kind !== SeatKind::Lip
            || $size->seat->bears()
        ) {
            return null;
        }

        return new Finding('cup.bearing', $plan->cutting->lid->make === LidMake::Thin ? Severity::Stop : Severity::Mend, $tub->id, $at,
            sprintf(
                '%s hangs by a lip that bears on %s each side and needs %s. %s',
                self::named($plan, $size),
                $size->seat->bearing > 0.0
                    ? QuantityWriter::under($context->write->fine($size->seat->bearing), $context->write->fine(Seat::LEAST_BEARING_MM))
                    : 'nothing',
                $context->write->fine(Seat::LEAST_BEARING_MM),
                $tub->holes->drilled ? 'Take a cup with a wider lip.' : 'Cut a smaller hole.',
            ),
            'A grown plant pulls and leans; a lip that barely catches slips through, most of all where the lid bends.',
            self::rightSaw($plan, $size, $context));
    }

    /** A cup that wobbles, or whose lip slips off one side when it is pushed to the other. A jar's mouth is as wide as it is. */
    private static function play(TubPlan $plan, CupPlan $size, string $at, RuleContext $context): ?Finding
    {
        $seat = $size->seat;
        $loose = $plan->cutting->inMouth ? $seat->play > Seat::MOST_PLAY_MM + self::ROUNDING_MM : $seat->isLoose();
        if ($seat->kind !== SeatKind::Lip || ! $loose) {
            return null;
        }
        $w = $context->write;
        $drilled = $plan->tub->holes->drilled;
        $snug = $plan->cutting->inMouth || $drilled ? null : SawChoice::snug($size->cup, array_merge(...self::saws($context)));

        return new Finding('cup.play', Severity::Mind, $plan->tub->id, $at,
            sprintf(
                '%s has %s of play%s; light gets in.%s',
                self::named($plan, $size),
                $seat->play > Seat::MOST_PLAY_MM ? $w::over($w->fine($seat->play), $w->fine(Seat::MOST_PLAY_MM)) : $w->fine($seat->play),
                $seat->play > Seat::MOST_PLAY_MM + self::ROUNDING_MM
                    ? ', and up to '.$w->fine(Seat::MOST_PLAY_MM).' is good'
                    : ', and pushed to one side its lip bears '.($seat->heldAside > 0.0 ? 'only '.$w->fine($seat->heldAside) : 'nothing')
                        .' on the other',
                $snug === null ? '' : " The {$snug->name()} saw seats it snugly.",
            ),
            'Light under the lid grows algae, and a cup that rocks tears roots.',
            $drilled ? self::fittingCups($plan, $size, $context) : self::snugSaw($plan, $size, $snug, $context),
            $seat->play);
    }

    /** The cup, where there are two sizes which. */
    private static function named(TubPlan $plan, CupPlan $size): string
    {
        return $size === $plan->cutting->sizes[0] ? 'The cup' : 'The second cup';
    }

    private static function depth(TubPlan $plan, CupPlan $size, string $at, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($size->bottom > 0.0) {
            return null;
        }

        return new Finding('cup.too-deep', Severity::Stop, $tub->id, $at,
            sprintf(
                '%s is %s deep and the tub only %s: it stands on the floor. Use a shallower cup or a deeper tub.',
                self::named($plan, $size),
                $context->write->length($size->cup->height),
                $context->write->length($tub->body->vessel->profile->rim()),
            ),
            'Roots need water under the cup.');
    }

    /** Two sizes of cup whose bottoms hang so unlike that one water line does not serve both. */
    private static function uneven(TubPlan $plan, RuleContext $context): ?Finding
    {
        $second = $plan->cutting->sizes[1] ?? null;
        if (
            $second === null
            || $plan->holes->cupsOf(1) === 0
            || abs($second->bottom - $plan->cutting->sizes[0]->bottom) <= WaterLine::HIGH_START_MM
        ) {
            return null;
        }
        $w = $context->write;
        $lower = $second->bottom < $plan->cutting->sizes[0]->bottom;

        return new Finding('cup.uneven', Severity::Mind, $plan->tub->id, $plan->tub->pointer('/cups_2'),
            sprintf(
                'The second cup hangs %s %s than the first. Wet its plug by hand until its roots reach the water, or take cups of '
                    .'like depth.',
                $w->length(abs($second->bottom - $plan->cutting->sizes[0]->bottom)),
                $lower ? 'lower' : 'higher',
            ),
            $lower
                ? 'Set for the first cup, the line stands in the second one and keeps its plug sodden.'
                : 'Set for the first cup, the line leaves the second one dry while its roots are short.');
    }

    /**
     * The bought cup that hangs best in a hole that is there already, large enough for what grows in it.
     *
     * @return list<Remedy>
     */
    private static function fittingCups(TubPlan $plan, CupPlan $size, RuleContext $context): array
    {
        $wants = array_map(static fn (CropWish $wish): float => $wish->crop->cupMinMm, $plan->tub->planting->crops);
        $least = $wants === [] ? 0.0 : max($wants);
        $rank = [];
        foreach ($context->library->cups as $key => $cup) {
            $seat = Seat::of($cup, $size->seat->hole);
            if ($seat->kind === SeatKind::Lip && $seat->bears() && ! $cup->homeMade && $cup->suits($least)) {
                $rank[(string) $key] = [$seat->sitsWell(), $seat->bearing];
            }
        }
        arsort($rank);
        $best = array_key_first($rank);
        $at = $size === $plan->cutting->sizes[0] ? '/cup' : '/cups_2';

        return $best === null ? [] : [
            $context->set("Hang the {$context->library->cups->get($best)->name} in it", $plan->tub->pointer($at), $best),
        ];
    }

    /** @return list<Remedy> the saw that seats the tub's cup by its lip, where there is one and the hole was given */
    private static function rightSaw(TubPlan $plan, CupPlan $size, RuleContext $context): array
    {
        $tub = $plan->tub;
        if ($tub->holes->drilled) {
            return self::fittingCups($plan, $size, $context);
        }
        // The hole that is given is the first cup's; the second one's follows its saw.
        if ($tub->holes->diameter === null || $size !== $plan->cutting->sizes[0]) {
            return [];
        }
        $saw = SawChoice::for($size->cup, ...self::saws($context), wantedRaise: $tub->holes->raise);

        return $saw === null ? [] : [$context->set("Cut it with the {$saw->name()} saw", $tub->pointer('/hole_mm'), null)];
    }

    /**
     * The saw that seats the tub's cup snugly, where there is one; no hole is set where it is chosen anyway.
     *
     * @return list<Remedy>
     */
    private static function snugSaw(TubPlan $plan, CupPlan $size, ?Saw $snug, RuleContext $context): array
    {
        if ($snug === null || $size !== $plan->cutting->sizes[0]) {
            return [];
        }
        $chosen = SawChoice::for($size->cup, ...self::saws($context), wantedRaise: $plan->tub->holes->raise);
        $hole = $chosen?->diameter === $snug->diameter ? null : $snug->diameter;

        return [$context->set("Cut it with the {$snug->name()} saw", $plan->tub->pointer('/hole_mm'), $hole)];
    }

    /** @return array{list<Saw>, list<Saw>} the grower's and the shops' */
    private static function saws(RuleContext $context): array
    {
        $garden = $context->plan->garden;

        return [SawSeries::owned($garden->saws ?? [], $garden->units), SawSeries::stock($garden->units)];
    }
}
