<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Build\Caution;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Feed\Water;
use KelpTub\Core\Vessel\VesselKind;
use KelpTub\Core\Vessel\Weight;

/** The tub is filled where it stands, its air balanced, and its water left to stand. */
final class WaterSteps extends StepGroup
{
    public function add(): void
    {
        $tub = $this->tub->tub;
        $line = $this->tub->water->line;
        $heavy = $this->tub->fittings->weight->kg > Weight::LIFT_LIMIT_KG;
        $passive = $tub->system === GrowingSystem::Passive;
        $low = $line->start > $line->grown;
        $this->bench->step(
            'fill',
            $low ? 'Fill up to the cups' : 'Fill to the line',
            ($low
                ? 'Mark the water line. Where it will stand, fill it by the jug past the line, up to the cups’ feet: short roots reach '
                    .'the water there, and drink it down to the line, to which you top up later. It should take '
                : 'Where it will stand, fill it by the jug to the water line and mark the line. It should take ')
                ."{$this->write->volume($this->tub->water->start())}: "
                .'write down what it took.'
                .($passive ? ' Never fill above the cups’ feet again once roots hang in the air: air roots drown.' : ''),
            [
                'Water line' => $this->write->length($line->held ?? $line->grown),
                ...($low ? ['First fill' => $this->write->length($line->start)] : []),
                'It takes' => $this->write->volume($this->tub->water->start()),
                'Full, it weighs' => $this->write->mass($this->tub->fittings->weight->kg),
            ],
            [
                ...($heavy ? [Caution::Weight] : []),
                Caution::StandingWater,
                ...($tub->body->vessel->kind === VesselKind::Jar ? [Caution::Glass] : []),
            ],
            'section',
            'line',
            'The line is marked, and what it took is written down.',
            finds: ['It takes', 'Full, it weighs'],
        );
        if ($tub->system === GrowingSystem::Cloner) {
            $this->bench->step(
                'spray-test',
                'Test the spray',
                "Set the cups in empty and run the pump. Stems will end {$this->stemEnd()}: bubbles must wet them there.",
                ['Stems end' => $this->stemEnd()],
                [Caution::Electricity],
                'section',
                'spray',
                'A dry finger through every cup comes back wet.',
                ifNot: 'Fill it higher by a finger’s width and try again; then look whether every stone gives its air.',
            );
        }
        $this->balance();
        $hours = $this->source->disinfectant->standingHours();
        if ($hours !== 0) {
            $this->bench->step(
                'stand-water',
                $hours === null ? 'Take the chloramine out' : 'Let the water stand',
                $hours === null
                    ? 'Chloramine does not gas off: use a dechlorinator by its label, or the filter you planned.'
                    : "Let it stand $hours hours with the lid off".($this->tub->tub->water->stones === null ? '' : ' and the air on')
                        .', so that the chlorine gasses off.',
                $hours === null ? [] : ['Hours' => (string) $hours],
                $hours === null ? [Caution::Chemicals] : [],
                'section',
                'water',
                $hours === null ? 'A test strip shows none.' : 'It smells of nothing.',
            );
        }
    }

    private function balance(): void
    {
        $branch = $this->air === null ? false : array_search($this->tub, $this->air->tubs, true);
        if ($this->air === null || $branch === false || $this->tub->tub->water->stones === null) {
            return;
        }
        $valve = $this->air->system->branches[$branch]->valve;
        if ($valve >= 1.0 && ! $this->air->system->manifold) {
            return;
        }
        $this->bench->step(
            'balance',
            'Balance the valves',
            $valve >= 1.0
                ? 'Open this line’s valve fully, and throttle the others to their settings.'
                : "Close this line’s valve to about {$this->write->number($valve * 100, 0)} % open, then trim it until its stones "
                    .'bubble as the drawing has it.',
            [
                'Valve' => $this->write->number($valve * 100, 0).' % open',
                'Air for it' => $this->write->number($this->air->flows[$branch], 2, 'L/min'),
            ],
            [],
            'air',
            'valves',
            'Every tub on the pump bubbles, the far one too.',
            ifNot: 'Close the valve of the one that bubbles most a little further, and wait a minute: the others gain what it loses.',
        );
    }
}
