<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Air\Supply;
use KelpTub\Core\Build\Caution;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Feed\Water;

/** Drip tube, air line, stones and pump, and the first test in little water. */
final class AirSteps extends StepGroup
{
    /** The shallow water of a first test covers stones by so much, mm. */
    private const COVERED_MM = 20.0;

    public function add(): void
    {
        $tub = $this->tub->tub;
        if ($tub->system === GrowingSystem::Nursery) {
            $drip = $tub->water->drip;
            $this->bench->step(
                'drip',
                'Lay the drip tube',
                'Stand the water pump on the floor, lead the tube up and round the lid by the outermost cups, and prick a stub to '
                    .'each. Set the timer to '
                    .$this->write->number($drip->on, 0, 'min').' on and '.$this->write->number($drip->off, 0, 'min').' off, day and night.',
                [
                    'Timer' => "{$this->write->number($drip->on, 0)} on, {$this->write->number($drip->off, 0)} off",
                    'Flow' => $this->write->number($drip->flow, 0, 'L/h'),
                ],
                [Caution::Electricity],
                'section',
                'drip',
                'Every cup is wet after one cycle.',
                $this->tub->holes->count(),
            );
        }
        if ($this->air === null || $tub->water->stones === null) {
            return;
        }
        $branch = (int) array_search($this->tub, $this->air->tubs, true);
        $joined = $this->takes('tee') || $this->takes('air-valve') || $this->air->system->manifold;
        $length = $this->write->run($this->air->routes[$branch]->length());
        $this->bench->step(
            'route',
            'Route the tube',
            "Cut {$length} for this line, some of it to spare, and lead it without kinks. "
                .($this->air->system->checkValve ? 'Fit the check valve outside the tub with its arrow away from the pump. ' : '')
                .($joined ? 'Push tees and valves on as far as they go.' : 'Push its ends on as far as they go.'),
            ['Line' => $length],
            [],
            'air',
            'lines',
            'You can blow through the line from the pump’s end, and not from the other.',
            $tub->water->stones->inAll(),
        );
        $this->bench->step(
            'stones',
            'Fix the stones',
            $tub->water->stones->inAll() === 1
                ? 'Soak the stone an hour. Fix it to the floor with its suction cups where the floor plan has it: under the cups, off '
                    .'the walls.'
                : 'Soak the stones an hour. Fix each to the floor with its suction cups where the floor plan has it: under the cups, '
                    .'off the '
                    .'walls.',
            ['Stones' => (string) $tub->water->stones->inAll(), 'Over the floor' => $this->write->length($tub->water->stones->highest())],
            [],
            'section',
            'stones',
            'A pull on the tube does not move them.',
            $tub->water->stones->inAll(),
        );
        $pump = $this->air->system->pump;
        $this->bench->step(
            'pump',
            'Place the pump',
            match (true) {
                $this->air->system->aboveWater => 'Stand the pump above the highest water.',
                $this->air->system->checkValve => 'Stand the pump behind the check valve, dry.',
                default => 'Stand the pump dry; without a check valve it belongs above the water.',
            }.' Let its cord hang in a loop lower than the socket, so that drops fall off.',
            ['Pump' => $pump->name, 'Power' => $this->write->number($pump->watts, 1, 'W')],
            [Caution::Electricity, ...($pump->supply === null || $pump->supply === Supply::Mains ? [] : [Caution::Battery])],
            'air',
            'pump',
            'No water can run along a cord or back through a tube to it.',
        );
        $standing = $this->bench->standing = min($tub->water->stones->highest() + self::COVERED_MM, $this->tub->water->line->grown);
        $shallow = $this->tub->water->reservoir->litresAt($standing);
        $this->bench->step(
            'wet-test',
            'Test it wet',
            "Pour in {$this->write->volume($shallow)}, so that the stones are just covered, and run the pump for ten minutes. Write "
                .($tub->water->stones->inAll() === 1 ? 'down whether the stone bubbles.' : 'down which stones bubble.'),
            ['Water for it' => $this->write->volume($shallow)],
            [Caution::Electricity],
            'section',
            'bubbles',
            ($tub->water->stones->inAll() === 1 ? 'The stone bubbles' : 'Every stone bubbles')
                .', and nothing drips anywhere for ten minutes.',
            ifNot: $tub->water->stones->inAll() === 1
                ? 'Look for a kink or a closed valve first'
                    .($this->air->system->checkValve ? ', then whether the check valve’s arrow points away from the pump' : '')
                    .'; then soak the stone longer.'
                : 'Look for a kink or a closed valve first. Then change a stone that does not bubble for one that does: where the '
                    .'fault goes '
                    .'with the stone, soak it longer or take another; where it stays, it is in the line.',
        );
    }
}
