<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Build\Caution;
use KelpTub\Core\Crop\Plug;
use KelpTub\Core\Crop\StartedFrom;
use KelpTub\Core\Cup\GrowingSystem;

/** Plants go in, the lid is closed against light, and the first reading is written down. */
final class PlantingSteps extends StepGroup
{
    public function add(): void
    {
        $ec = $this->feed->mixing->ecAt($this->feed->stage());
        $metered = $this->takes('ec-meter');
        $tub = $this->tub->tub;
        $plants = $this->tub->plants->count;
        if ($plants > 0) {
            $this->bench->step(
                'plant',
                match (true) {
                    $tub->system === GrowingSystem::Cloner => 'Set the cuttings',
                    $tub->planting->started === StartedFrom::Seed => 'Sow in the cups',
                    default => 'Set the plants in',
                },
                match (true) {
                    $tub->system === GrowingSystem::Cloner => 'Cut stems to length under a leaf joint with a clean blade, strip the lower '
                        .'leaves, and '.match (true) {
                            $tub->water->cloner->collar => 'hold each in its collar',
                            $tub->planting->plug === Plug::None => 'hold each upright with pebbles',
                            default => 'push each through a wetted plug',
                        }.', so that it ends '.$this->stemEnd().'. Cut and set one after another: a stem '
                        .'that has dried draws no water.',
                    $tub->planting->started === StartedFrom::Seedling => 'Rinse the soil off the roots, lead them down through the '
                        .'cup, and fill pebbles round them.',
                    $tub->planting->started === StartedFrom::Seed => "Fill the cups with pebbles. {$this->raising->inCups()} Cover them "
                        .'until seedlings show, and wet them from above until roots reach the water.',
                    $tub->planting->started === StartedFrom::Nursery => 'Lift each plant out of the nursery with its plug, lead the '
                        .'hanging roots down through the cup without bending them, and fill pebbles round the plug.',
                    $tub->planting->plug === Plug::None => 'Set each seedling in its cup, roots down through the slots, and fill '
                        .'pebbles round it.',
                    default => 'Wet each plug, set it in its cup with the roots down through the slots, and fill pebbles round it.',
                },
                ['Plants' => (string) $plants],
                [],
                'plant',
                'roots',
                match (true) {
                    $tub->system === GrowingSystem::Cloner => 'Every stem end hangs free and is wet.',
                    $tub->planting->started === StartedFrom::Seed => 'The pebbles round every seed are wet.',
                    $tub->planting->started === StartedFrom::Seedling,
                    $tub->planting->plug === Plug::None => 'No root is bent upward, and the longest hang out of the cup.',
                    default => 'Every plug is wet and no root is bent upward.',
                },
                $plants,
            );
        }
        if ($this->tub->stakedPlants() > 0) {
            $this->bench->step(
                'support',
                $this->tub->stakedPlants() === 1 ? 'Stand a stake by the plant' : 'Stand a stake by each plant',
                'Clamp or tie each stake to the tub or to what stands beside it, a finger from the stem: pebbles do not hold it, and '
                    .'pushed '
                    .'through the cup it tears roots. Tie the stem loosely in a figure of eight with soft string as it grows.',
                ['Stakes' => (string) $this->tub->stakedPlants()],
                [],
                'plant',
                'support',
                'A stake does not give when you lean on it with a finger.',
                $this->tub->stakedPlants(),
            );
        }
        if ($tub->planting->trellis) {
            $this->bench->step(
                'support',
                'Put up the trellis',
                'Stand the trellis on the floor or the wall, not on the tub, and clip each stem to it loosely.',
                [],
                [],
                'plant',
                'support',
                'It stands by itself when you push it.',
            );
        }
        $this->bench->step(
            'light-check',
            'Look for light',
            ($this->tub->cutting->inMouth ? 'Set the cup in.' : 'Put the lid on.')
                .$this->empty().' In the dark, hold a lamp to every joint and look inside. Cover what lets light in.',
            [],
            [Caution::StandingWater],
            'section',
            'light',
            'No light shows inside.',
            ifNot: 'Light that gets in grows algae: a strip of foil or dark tape from outside closes a joint.',
        );
        $this->bench->step(
            'log',
            'First reading',
            'Read level, '.($metered ? 'EC, ' : '').'pH and temperature and write them in the log: the first of the row by which '
                .'everything '
                .'later is judged.',
            $ec === null || ! $metered ? [] : ['EC about' => $this->write->number($ec, 1, 'mS/cm')],
            [],
            'section',
            'line',
            'The reading is in the log.',
        );
    }

    /** What is done about holes in which nothing is planted. */
    private function empty(): string
    {
        $plants = $this->tub->plants->count;
        $empty = $plants === 0 ? 0 : $this->tub->holes->count() - $plants;

        return match (true) {
            $empty <= 0 => '',
            $empty === 1 => ' Lay something opaque over the hole that stays empty, so that it keeps light out until it is planted.',
            default => " Lay something opaque over the $empty holes that stay empty, so that they keep light out until they are planted.",
        };
    }
}
