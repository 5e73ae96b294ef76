<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden\Rules;

use KelpTub\Core\Cup\SawChoice;
use KelpTub\Core\Cup\SawSeries;
use KelpTub\Core\Cup\Seat;
use KelpTub\Core\Cup\SeatKind;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Garden\TubPlan;
use KelpTub\Core\Lid\LidMake;

/** How the cup sits in its hole. Source: handbook, rules section 3. */
final class CupRules
{
    private const ROUNDING_MM = 1.0e-9;

    /** @return list<Finding> */
    public static function of(TubPlan $plan, RuleContext $context): array
    {
        return array_values(array_filter([
            self::seat($plan, $context),
            self::bearing($plan, $context),
            self::play($plan, $context),
            self::depth($plan, $context),
            self::cropSize($plan, $context),
        ]));
    }

    private static function seat(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $seat = $plan->seat;
        $w = $context->write;
        $at = $tub->pointer('/hole_mm');

        return match ($seat->kind) {
            SeatKind::FallsThrough => new Finding('cup.falls-through', Severity::Stop, $tub->id, $at,
                sprintf('The cup falls through: the hole is %s and its lip %s. Cut a smaller hole.', $w->length($seat->hole), $w->length($tub->cup->lip)),
                'A cup hangs by its lip, so the hole is wider than the body and narrower than the lip.',
                self::rightSaw($plan, $context)),
            SeatKind::DoesNotEnter => new Finding('cup.does-not-enter', Severity::Stop, $tub->id, $at,
                sprintf('The cup does not go in: the hole is %s and its bottom %s. Cut a larger hole.', $w->length($seat->hole), $w->length($tub->cup->bottom)),
                'Too small can be cut larger; too large starts over. Try one hole first.',
                self::rightSaw($plan, $context)),
            SeatKind::Wedged => $tub->raise !== null && $tub->raise > 0.0 ? null : new Finding('cup.wedged', Severity::Mind, $tub->id, $at,
                sprintf('The cup jams and stands %s proud of full depth. Cut %s, or keep it as a raise.', $w->length($seat->raise), $w->length($tub->cup->top + 1)),
                'A tapered cup stops where its body is as wide as the hole; its bottom, and the water line with it, come up by as much.',
                [...self::rightSaw($plan, $context), $context->set('Keep it raised', $tub->pointer('/raise_mm'), round($seat->raise, 2))]),
            SeatKind::Lip => null,
        };
    }

    private static function bearing(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($plan->inMouth || $plan->seat->kind !== SeatKind::Lip || $plan->seat->bearing >= Seat::LEAST_BEARING_MM - self::ROUNDING_MM) {
            return null;
        }

        return new Finding('cup.bearing', $tub->vessel->lid->make === LidMake::Thin ? Severity::Stop : Severity::Mend, $tub->id, $tub->pointer('/hole_mm'),
            sprintf('The lip bears on %s mm each side and needs %s. Cut a smaller hole.', $context->write->number($plan->seat->bearing, 1), $context->write->number(Seat::LEAST_BEARING_MM, 1)),
            'A grown plant pulls and leans; a lip that barely catches slips through, most of all where the lid bends.',
            self::rightSaw($plan, $context));
    }

    private static function play(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($plan->seat->kind !== SeatKind::Lip || $plan->seat->play <= Seat::MOST_PLAY_MM + self::ROUNDING_MM) {
            return null;
        }

        return new Finding('cup.play', Severity::Mind, $tub->id, $plan->inMouth ? $tub->pointer('/cup') : $tub->pointer('/hole_mm'),
            sprintf('The cup has %s mm of play and wobbles; light gets in. Up to %s is good.', $context->write->number($plan->seat->play, 1), $context->write->number(Seat::MOST_PLAY_MM, 0)),
            'Light under the lid grows algae, and a cup that rocks tears roots.',
            $plan->inMouth ? [] : self::rightSaw($plan, $context));
    }

    private static function depth(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($plan->line->cupBottom > 0.0) {
            return null;
        }

        return new Finding('cup.too-deep', Severity::Stop, $tub->id, $tub->pointer('/cup'),
            sprintf('The cup is %s deep and the tub only %s: it stands on the floor. Use a shallower cup or a deeper tub.', $context->write->length($tub->cup->height), $context->write->length($tub->vessel->profile->rim())),
            'Roots need water under the cup.');
    }

    private static function cropSize(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($tub->crop === null || $tub->cup->top >= $tub->crop->cupMinMm - 2.0) {
            return null;
        }
        $fitting = null;
        foreach ($context->library->cups as $key => $cup) {
            if ($cup->top_diameter_mm >= $tub->crop->cupMinMm - 2.0 && ($cup->made ?? 'bought') === 'bought' && ($fitting === null || $cup->top_diameter_mm < $context->library->cups[$fitting]->top_diameter_mm)) {
                $fitting = $key;
            }
        }

        return new Finding('crop.cup', Severity::Mind, $tub->id, $tub->pointer('/cup'),
            sprintf('%s wants a cup of %s or more; this one is %s.', $tub->crop->name, $context->write->length($tub->crop->cupMinMm), $context->write->length($tub->cup->top)),
            'A stem that outgrows its cup is strangled by it, and a heavy plant rocks in a small one.',
            $fitting === null ? [] : [new Remedy("Use the {$context->library->cups[$fitting]->name}", [
                ...$context->patch->set($tub->pointer('/cup'), $fitting),
                ...$context->patch->set($tub->pointer('/hole_mm'), null),
            ])]);
    }

    /** @return list<Remedy> the saw that seats the cup by its lip, where there is one and the hole was given */
    private static function rightSaw(TubPlan $plan, RuleContext $context): array
    {
        $tub = $plan->tub;
        if ($tub->hole === null) {
            return [];
        }
        $garden = $context->plan->garden;
        $saw = SawChoice::for($tub->cup, SawSeries::owned($garden->saws ?? [], $garden->units), SawSeries::stock($garden->units), $tub->raise);
        $seat = $saw === null ? null : Seat::of($tub->cup, $saw->diameter);
        if ($saw === null || $seat === null || ! $seat->holds() || $seat->bearing < Seat::LEAST_BEARING_MM || $seat->play > Seat::MOST_PLAY_MM || ($seat->kind === SeatKind::Wedged && $tub->raise === null)) {
            return [];
        }

        return [$context->set("Cut it with the $saw->name saw", $tub->pointer('/hole_mm'), null)];
    }
}
