<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\TubAir;
use KelpTub\Core\Crop\CropMix;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Units\QuantityWriter;
use stdClass;

/** How a figure comes about, with this garden's numbers in it: what a grower reads on asking "why 17.4 L?". */
final readonly class Workings
{
    private function __construct(private TubPlan $plan, private TubAir $air, private ?float $outage, private QuantityWriter $write)
    {
    }

    /** @param  float|null  $outage minutes without air, as reported */
    public static function of(TubPlan $plan, TubAir $air, ?float $outage, GardenPlan $garden): stdClass
    {
        $workings = new self($plan, $air, $outage, new QuantityWriter($garden->garden->units));

        return (object) array_filter([
            'working_l' => $workings->working(),
            'plants' => $workings->plants(),
            'hole' => $workings->hole(),
            'mass_kg' => $workings->mass(),
            'spacing_mm' => $workings->spacing(),
            'dry_day' => $workings->dryDay(),
            'steady_mg_l' => $workings->steady(),
            'outage_min' => $workings->outage(),
        ]);
    }

    private function working(): string
    {
        $w = $this->write;
        $line = $this->plan->line->grown;
        $displaced = $this->plan->reservoir->displacedAt($line);

        return sprintf('The measures hold %s up to the water line at %s', $w->volume($this->plan->tub->vessel->profile->volumeAt($line)), $w->length($line))
            .($displaced > 0.0 ? sprintf('; pebbles under water take %s of it.', $w->volume($displaced)) : '; no cup is under water.')
            .sprintf(' Down to the lowest useful level at %s, %s can be used.', $w->length($this->plan->lowest), $w->volume($this->plan->usable()));
    }

    private function plants(): string
    {
        $capacity = $this->plan->capacity;
        $crops = $this->plan->tub->crops;
        $parts = [sprintf('The lid holds %d', $capacity->byLid)];
        if (count($crops) === 1) {
            $parts[] = sprintf('%s apart, %d', $this->write->length($crops[0]->crop->spacingMm * $this->plan->tub->density->spacingShare()), $capacity->bySpacing);
        } elseif ($crops !== []) {
            $parts[] = sprintf('neighbours at the mean of their spacings, %d', $capacity->bySpacing);
        }
        if ($capacity->byWater !== null && $crops !== []) {
            $parts[] = $this->plan->tub->system === GrowingSystem::Passive
                ? sprintf('the water carries %d to harvest', $capacity->byWater)
                : sprintf('%s at %s a plant%s carries %d', $this->write->volume($this->plan->working()), $this->write->volume($this->litresEach()), count($crops) === 1 ? '' : ', taken over the crops,', $capacity->byWater);
        }

        return implode('; ', $parts).'. The least of them counts.';
    }

    /** Litres a plant wants under the tub's school, the mean of several crops. */
    private function litresEach(): float
    {
        $mix = CropMix::inProportion($this->plan->tub->crops, $this->plan->tub->density, max(1, $this->plan->plants));

        return $mix->litresWanted() * $this->plan->tub->density->litresShare() / $mix->plants();
    }

    private function hole(): string
    {
        $seat = $this->plan->seat;
        $cup = $this->plan->tub->cup;
        $w = $this->write;
        if ($this->plan->inMouth) {
            return sprintf('The mouth of %s takes the body of %s and holds the lip of %s. Nothing is cut.', $w->length($seat->hole), $w->length($cup->top), $w->length($cup->lip));
        }

        return sprintf('Bearing (%s − %s) / 2 = %s mm each side; play %s − %s = %s mm. Measure one cup against the saw, cut one hole, try it, then cut the rest.',
            $w->length($cup->lip), $w->length($seat->hole), $w->number($seat->bearing, 1), $w->length($seat->hole), $w->length($cup->top), $w->number($seat->play, 1));
    }

    private function mass(): string
    {
        $w = $this->write;
        $plan = $this->plan;

        return sprintf('Empty %s, water %s, wet pebbles and plants the rest. Over its floor that is %s kg/m².',
            $w->mass($plan->tub->vessel->emptyKg), $w->mass($plan->working()), $w->number($plan->weight->kgPerSquareMetre, 0));
    }

    private function spacing(): ?string
    {
        $spacing = $this->plan->arrangement->spacing;
        $pair = $this->plan->closest;
        if ($spacing === null) {
            return null;
        }

        return sprintf('The least distance between two hole centres. Lips and lid allow %s', $this->write->length($this->plan->space->leastPitch()))
            .($pair === null ? '.' : sprintf('. Of the plants the two that lack most, or have least to spare, stand %s apart: %s %s%s.', $this->write->length($pair->distance), $pair->crop === $pair->other ? mb_strtolower($pair->crop->name).' wants' : mb_strtolower("{$pair->crop->name} and {$pair->other->name}").' want', $this->write->length($pair->wanted), $this->plan->tub->density === Density::Tight ? ', or 0.6 of it harvested young' : ''));
    }

    private function dryDay(): ?string
    {
        $use = $this->plan->use;
        if ($use === null || $use->toHarvest <= 0.0) {
            return null;
        }
        $w = $this->write;

        return sprintf('%d plants drink %s to the first harvest in this climate (factor %s), most of it at the end: %s a day. %s can be used before the lowest level.',
            $this->plan->plants, $w->volume($use->toHarvest), $w->number($this->plan->climate, 2), $w->volume($use->peakDaily()), $w->volume($this->plan->usable()));
    }

    private function steady(): ?string
    {
        $balance = $this->air->balance;
        if ($balance === null) {
            return null;
        }
        $w = $this->write;

        return sprintf('Grown roots ask for %s. %s of air meets that where the oxygen settles at %s; the water cannot hold more than %s, so more air adds ever less.',
            $w->number($balance->demand, 0, 'mg/h'), $w->number($this->air->flow, 2, 'L/min'), $w->number($balance->steady(), 1, 'mg/L'), $w->number($balance->saturation, 1, 'mg/L'));
    }

    private function outage(): ?string
    {
        $balance = $this->air->balance;
        if ($balance === null) {
            return null;
        }

        return $this->outage === null
            ? 'Without air the surface alone keeps the oxygen above 3 mg/L.'
            : sprintf('The time in which roots take the oxygen in %s down to 3 mg/L with the pump off.', $this->write->volume($this->plan->working()));
    }
}
