<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Build\Caution;
use KelpTub\Core\Vessel\VesselKind;

/** What came is checked, and the vessel is measured. */
final class VesselSteps extends StepGroup
{
    public function add(): void
    {
        $tub = $this->tub->tub;
        $cup = $tub->holes->cup;
        $this->bench->step(
            'check',
            'Check what came',
            $this->together().'Measure one cup under its lip and the lid or mouth it goes into. This sheet goes by the sizes below: '
                ."where yours differ by more than {$this->write->fine(1.0)}, change them in the design before anything is cut.",
            [
                'Cup under its lip' => $this->write->fine($cup->top),
                'Cup’s lip' => $this->write->fine($cup->lip),
                ...($this->tub->cutting->inMouth ? [] : $this->across()),
            ],
            [Caution::Food, Caution::Local],
            'cup',
            'sizes',
            'One cup and the lid are as the design has them.',
        );
        $this->bench->step(
            'measure',
            'Measure the vessel',
            'Fill it by the jug to two depths, one near the water line and one half-way, and write down what went in and how deep it '
                .'stands. '
                .'Give both to the vessel: its volume is then known, not guessed.',
            [
                'Inside depth' => $this->write->length($tub->body->vessel->profile->rim()),
                'To the water line' => $this->write->volume($this->tub->water->working()),
            ],
            [...($tub->body->vessel->kind === VesselKind::Jar ? [Caution::Glass] : [])],
            'section',
            'fill',
            'Two fills are written down.',
            finds: ['Inside depth', 'To the water line'],
        );
    }

    /** @return array<string, string> */
    private function across(): array
    {
        $outline = $this->tub->cutting->lid->outline;
        $name = $this->tub->cutting->raft === null ? 'Lid' : 'Board';

        return $outline->round
            ? ["$name across" => $this->write->length($outline->length)]
            : ["$name, long and wide" => "{$this->write->length($outline->length)} × {$this->write->length($outline->width)}"];
    }

    private function together(): string
    {
        $count = $this->tub->tub->count;

        return $count === 1 ? '' : "Build the $count alike together, each step on all of them before the next. ";
    }
}
