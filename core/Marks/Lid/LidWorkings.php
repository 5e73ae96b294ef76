<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Lid;

use KelpTub\Core\Crop\Density;
use KelpTub\Core\Cup\SeatKind;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Units\QuantityWriter;

/** How the lid's figures come about, with this garden's numbers in it. */
final class LidWorkings
{
    /** @return array<string, string> by the figure's key */
    public static function of(TubPlan $plan, Garden $garden): array
    {
        $write = new QuantityWriter($garden->units);

        return array_filter(
            ['hole' => self::hole($plan, $write), 'spacing_mm' => self::spacing($plan, $write)],
            static fn (?string $text): bool => $text !== null,
        );
    }

    private static function hole(TubPlan $plan, QuantityWriter $w): string
    {
        $seat = $plan->cutting->seat;
        $cup = $plan->tub->holes->cup;
        if ($plan->cutting->inMouth) {
            return sprintf(
                'The mouth of %s takes the body of %s and holds the lip of %s. Nothing is cut.',
                $w->length($seat->hole),
                $w->length($cup->top),
                $w->length($cup->lip),
            );
        }

        $try = $plan->tub->holes->drilled
            ? 'The holes are there: try a cup in each before you buy the rest.'
            : 'Measure one cup against the saw, cut one hole, try it, then cut the rest.';
        if ($seat->kind !== SeatKind::Lip) {
            return sprintf(
                'The hole is %s; the cup is %s wide at its lip, %s under it and %s at its bottom. %s',
                $w->length($seat->hole),
                $w->length($cup->lip),
                $w->length($cup->top),
                $w->length($cup->bottom),
                $try,
            );
        }

        return sprintf(
            'Bearing (%s − %s) / 2 = %s each side; play %s − %s = %s; pushed to one side it bears %s on the other. %s',
            $w->length($cup->lip),
            $w->length($seat->hole),
            $w->fine($seat->bearing),
            $w->length($seat->hole),
            $w->length($cup->top),
            $w->fine($seat->play),
            $seat->heldAside > 0.0 ? $w->fine($seat->heldAside) : 'nothing',
            $try,
        );
    }

    private static function spacing(TubPlan $plan, QuantityWriter $w): ?string
    {
        $pair = $plan->plants->closest;
        if ($plan->holes->arrangement->holeDistance === null) {
            return null;
        }
        $least = sprintf(
            'The least distance between two hole centres. Lips and lid allow %s',
            $w->length($plan->cutting->space->leastDistance()),
        );
        if ($pair === null) {
            return "$least.";
        }

        return sprintf(
            '%s. Of the plants the two that lack most, or have least to spare, stand %s apart: %s %s%s.',
            $least,
            $w->length($pair->distance),
            $pair->crop === $pair->other
                ? $pair->crop->doingInSentence('wants', 'want')
                : "{$pair->crop->inSentence()} and {$pair->other->inSentence()} want",
            $w->length($pair->wanted), $plan->tub->planting->density === Density::Tight
                ? sprintf(', or %s of it harvested young', $w->number(Density::Tight->spacingShare(), 1))
                : '');
    }
}
