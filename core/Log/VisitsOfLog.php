<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use KelpTub\Core\Feed\FeedProduct;
use KelpTub\Core\Season\Deeds;
use KelpTub\Core\Season\Found;
use KelpTub\Core\Season\Visits;
use KelpTub\Core\Vessel\Reservoir;

/**
 * What entries tell of a tub's water, as a season is kept by it: a reading before noon is how the tub stood at the start of its day, a
 * later one at its end. What is put in comes after the readings of its entry.
 *
 * Where the log tells of anything put in it is taken to tell of all of it, from its first entry on. Source: handbook, log.
 */
final readonly class VisitsOfLog
{
    /**
     * @param  float  $source  EC of the water that is poured in, mS/cm
     * @param  float  $fill  litres that a change goes to
     * @param  float  $share  of full strength at which the tub is topped up where an entry does not say
     */
    public function __construct(
        public Reservoir $reservoir,
        private ?FeedProduct $product,
        public float $source,
        private float $fill,
        private float $share,
    ) {
    }

    /**
     * @param  list<Entry>  $entries  of one copy, in order
     * @param  int|null  $until  the last evening on which nobody comes but as the log tells
     */
    public function of(array $entries, ?int $until): Visits
    {
        $mornings = $evenings = $afterwards = [];
        $isWet = false;
        foreach ($entries as $entry) {
            $isWet = $isWet || $entry->isWet();
            if (! $entry->isReading() && ! $entry->isWet()) {
                continue;
            }
            $deeds = $this->deeds($entry);
            if ($entry->isMorning()) {
                $mornings[$entry->day][] = $deeds;

                continue;
            }
            $read = $afterwards[$entry->day] ?? null;
            if (! $deeds->areWet()) {
                // What is read in the evening stands, whatever was done before it, until something is done after it.
                $afterwards[$entry->day] = $read !== null && $deeds->found !== null ? $read->then($deeds->found) : $deeds->found ?? $read;

                continue;
            }
            $before = $evenings[$entry->day] ?? null;
            if ($before === null && $read !== null) {
                $found = $deeds->found === null ? $read : $read->then($deeds->found);
                $deeds = new Deeds(...[...get_object_vars($deeds), 'found' => $found]);
            }
            unset($afterwards[$entry->day]);
            $evenings[$entry->day] = $before === null ? $deeds : self::together($before, $deeds);
        }
        $afterwards = array_filter($afterwards);
        $last = $entries === [] ? null : $entries[count($entries) - 1];

        return new Visits(
            $mornings,
            $evenings,
            $afterwards,
            $last !== null && $isWet ? $entries[0]->day : null,
            $last !== null && $isWet ? max($until ?? $last->day, $last->isMorning() ? $last->day - 1 : $last->day) : null,
        );
    }

    private function deeds(Entry $entry): Deeds
    {
        $salt = $this->salt($entry);

        return new Deeds(
            change: $entry->change,
            topUp: $entry->change ? 0.0 : $entry->topUp,
            topUpShare: $this->share,
            topUpEc: $this->pouredEc($entry, $salt),
            found: $this->found($entry),
            salt: $entry->change || $entry->topUp > 0.0 ? 0.0 : $salt,
        );
    }

    /** EC of what was poured in, as it was read or as it was mixed; null where neither is told. */
    private function pouredEc(Entry $entry, float $salt): ?float
    {
        $litres = $entry->change ? $this->fill : $entry->topUp;

        return match (true) {
            $entry->topUpEc !== null => $entry->topUpEc,
            $salt > 0.0 && $litres > 0.0 => $this->source + $salt / $litres,
            default => null,
        };
    }

    /** What the parts of an entry bring, mS/cm × L. */
    public function salt(Entry $entry): float
    {
        $salt = 0.0;
        foreach ($this->product->parts ?? [] as $part) {
            [$unit, $amount] = $entry->doses[$part->name] ?? [null, 0.0];
            $amount = match (true) {
                $unit === null || $part->ecPerUnit === null => 0.0,
                ($unit === 'ml') === $part->liquid => $amount,
                // A dry part measured by the spoon.
                $unit === 'ml' && $part->density !== null => $amount * $part->density,
                default => 0.0,
            };
            $salt += $amount * ($part->ecPerUnit ?? 0.0);
        }

        return $salt;
    }

    public function found(Entry $entry): ?Found
    {
        return ! $entry->isReading() ? null : new Found(
            $entry->level === null ? null : $this->reservoir->litresAt($entry->level),
            $entry->ec,
            $entry->celsius,
            $entry->ph,
        );
    }

    /** Two visits of one evening, one after the other. */
    private static function together(Deeds $first, Deeds $then): Deeds
    {
        $poured = $first->topUp + $then->topUp;
        $mixed = $first->topUpEc !== null && $then->topUpEc !== null && $poured > 0.0
            ? ($first->topUpEc * $first->topUp + $then->topUpEc * $then->topUp) / $poured
            : ($then->topUpEc ?? $first->topUpEc);

        return new Deeds(
            change: $first->change || $then->change,
            topUp: $poured,
            topUpShare: $then->topUpShare,
            topUpEc: $mixed,
            found: $first->found === null ? $then->found : ($then->found === null ? $first->found : $first->found->then($then->found)),
            salt: $first->salt + $then->salt,
        );
    }
}
