<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Build\Caution;
use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Marks\Feed\FeedParts;
use KelpTub\Core\Units\Unit;
use KelpTub\Core\Units\UnitSystem;

/** Feed is mixed in, and the pH set. */
final class FeedSteps extends StepGroup
{
    /** Drops of a usual bottle in a millilitre †, and those of the example: on a litre, or on a quarter of one from a vessel under 6 L. */
    private const DROPS_A_ML = 20;

    private const TRIAL_DROPS = 6;

    private const SMALL_L = 6.0;

    private const SMALL_TRIAL_DROPS = 2;

    public function add(): void
    {
        $feed = $this->feed->feed;
        $litres = $this->tub->water->start();
        $ec = $this->feed->mixing->ecAt($this->feed->stage());
        [$doses, $batch] = $this->feed->firstFill();
        $shared = '';
        if ($batch !== null) {
            $shared = sprintf(
                $this->tub->tub->count > 1
                    ? 'For one tub that is too little to measure: make %s and share it. '
                    : 'For this tub alone that is too little to measure: make %s, and keep what is left for its top-ups, dark and closed. ',
                $this->write->volume($batch),
            );
        }
        $given = array_filter($doses, static fn (Dose $d): bool => $d->amount > 0.0) !== [];
        if ($feed !== null) {
            $amounts = array_map(fn (Dose $d): string => $d->part->name.' '.$this->amount($d), $doses);
            $isOne = count($doses) === 1;
            $first = match (true) {
                $feed->emptyTub => 'Put the feed into the empty tub and let the hose mix it',
                $isOne => 'Stir it into the water',
                default => 'Into the water, one after another, stirred in between',
            };
            $this->bench->step(
                'feed',
                'Mix the feed',
                ! $given
                    ? 'Plain water until the seeds have sprouted: no feed goes in yet.'
                    : "$shared$first: ".implode(', then ', $amounts).'.'.($isOne ? '' : ' Never let two parts meet undiluted.'),
                array_combine(array_map(static fn (Dose $d): string => $d->part->name, $doses), array_map($this->amount(...), $doses)),
                [Caution::Chemicals],
                'jugs',
                'parts',
                $ec === null || ! $this->takes('ec-meter')
                    ? 'All of it has dissolved.'
                    : "All of it has dissolved, and the EC reads about {$this->write->number($ec, 1, 'mS/cm')}.",
            );
        }
        $aim = $feed?->ph->aim($this->tub->plants->mix->phWindow()) ?? null;
        $this->bench->step(
            'ph',
            $aim === null ? 'Read the pH' : 'Set the pH',
            $aim === null
                ? 'Read the pH and write it down.'
                : $this->phTrial($aim['target'], $litres),
            $aim === null ? [] : [
                'Aim' => $this->write->number($aim['target'], 1),
                'Stay within' => $this->write->number($aim['low'], 1).' to '.$this->write->number($aim['high'], 1),
            ],
            [Caution::Chemicals],
            'jugs',
            'ph',
            $aim === null ? 'It is written down.' : 'Two readings a day apart are within the window.',
            ifNot: $aim === null ? null : 'Pebbles that were not rinsed and hard water bring the pH up again within a day: correct it '
                .'again by '
                .'half as much, and rinse what was not rinsed.',
        );
    }

    /** How much of pH-down or -up it takes: found by drops on a small measure of this tub's water, and half of it given first. */
    private function phTrial(float $target, float $litres): string
    {
        $isSmall = $litres < self::SMALL_L;
        $drops = $isSmall ? self::SMALL_TRIAL_DROPS : self::TRIAL_DROPS;
        [$trial, $measure] = match (true) {
            $this->write->system === UnitSystem::Us => $isSmall
                ? [Unit::L_PER_US_GALLON / 16, 'a cup (8 fl oz)']
                : [Unit::L_PER_US_QUART, 'a quart'],
            $isSmall => [0.25, 'a quarter of a litre'],
            default => [1.0, 'a litre'],
        };
        $ml = $drops / self::DROPS_A_ML * $litres / $trial;

        return "Half an hour after the feed, take out $measure and count the drops of pH-down or pH-up that bring it to "
            ."{$this->write->number($target, 1)}. ".self::DROPS_A_ML." drops make {$this->write->number(1.0, 0, 'mL')}: had it taken $drops"
            .", the {$this->write->volume($litres)} would take {$this->write->number($ml, $ml < 10.0 ? 1 : 0, 'mL')}. Give half of yours, "
            .'thinned in a jug of the tub’s water, stir, wait a quarter of an hour and measure; then give what is missing. Read it again '
            .'the next day.';
    }

    private function amount(Dose $dose): string
    {
        $digits = match (true) {
            $dose->amount >= 10.0 => 0,
            $dose->amount >= 1.0 => 1,
            default => 2,
        };
        $spoons = $dose->part->liquid ? null : $dose->part->spoons($dose->amount);

        return $this->write->number($dose->amount, $digits, $dose->part->unit()).match (true) {
            $spoons !== null && $spoons > 0.0 => ' ('.$this->write->number($spoons, 2).' tsp, level)',
            FeedParts::isWeighedFinely($dose) => ', on a pocket scale',
            default => '',
        };
    }
}
