<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Build\Caution;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\TubExtra;
use KelpTub\Core\Vessel\Cover;
use KelpTub\Core\Vessel\VesselKind;

/** Light is kept out, everything is washed, and the tub has something to stand on. */
final class CoverSteps extends StepGroup
{
    public function add(): void
    {
        $tub = $this->tub->tub;
        $pebbles = $this->takes('clay-pebbles');
        $isGlass = $tub->body->vessel->kind === VesselKind::Jar;
        $strip = $tub->system === GrowingSystem::Passive && $tub->body->vessel->opacity->needsCover();
        if ($tub->body->cover !== Cover::None) {
            $leave = $strip
                ? ' Leave a strip bare from '.$this->write->length($this->tub->water->lowest()).' to '
                    .$this->write->length(
                        $this->tub->water->line->highest(),
                    ).' above the inside floor, to read the level by; cover it with a flap.'
                : '';
            $this->bench->step('cover', 'Keep the light out', match ($tub->body->cover) {
                Cover::Paint => 'Mask what stays bare. Spray the outside dark, let it dry, then pale over it.',
                Cover::Foil => 'Wrap the outside in foil, shiny side out, and tape its seams.',
                Cover::Sleeve => 'Sew or tape the cloth into a sleeve that slides off, so that the level can be read.',
                default => 'Lay the opaque bag in, fold it over the rim, and let the first water press it into the corners.',
            }.$leave, [], $tub->body->cover === Cover::Paint ? [Caution::Paint] : [], 'section', 'cover', 'A lamp held behind it '
                .'shows nowhere but at the strip.');
        }
        $this->bench->step(
            'wash',
            'Wash everything',
            'Wash vessel, lid and cups with a drop of washing-up liquid and rinse them well.'
                .($isGlass ? ' Then rinse the glass with hot water, warmed step by step, and let it dry upside down.' : '')
                .($pebbles ? ' Rinse the pebbles until the water runs clear.' : ''),
            [],
            [Caution::Food, ...($isGlass ? [Caution::Glass] : [])],
            'section',
            'inside',
            $pebbles ? 'The rinsing water is clear.' : 'Nothing smells of soap or of what was in it before.',
        );
        if (in_array(TubExtra::Battens, $tub->body->extras, true)) {
            $this->bench->step(
                'stand',
                'Lay the battens',
                'Lay the battens where the tub will stand, so that it bears on both and is off the cold floor.',
                [],
                [Caution::Weight],
                'section',
                'stand',
                'The empty tub stands without rocking.',
            );
        }
    }
}
