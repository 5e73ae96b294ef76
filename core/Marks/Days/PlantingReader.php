<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Days;

use KelpTub\Core\Crop\CropGroup;
use KelpTub\Core\Crop\StartedFrom;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Days\Planting;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\OfTubs;
use KelpTub\Core\Numbers\Dates;
use stdClass;

/** Reads the plantings of a document. One without a date, or of which no crop is known yet, is kept and has no days. */
final readonly class PlantingReader
{
    private const DATES = ['sown', 'transplanted', 'cleared'];

    /** @var array<string, stdClass> the document's tubs by id */
    private array $tubs;

    public function __construct(private stdClass $document, private Library $library)
    {
        $this->tubs = array_column($document->tubs ?? [], null, 'id');
    }

    /** @return list<Fault> */
    public function faults(): array
    {
        $faults = (new OfTubs('plantings'))->faults($this->document);
        $taken = [];
        foreach ($this->document->plantings ?? [] as $i => $raw) {
            $at = "/plantings/$i";
            if (isset($taken[$raw->id])) {
                $faults[] = new Fault("$at/id", "is \"$raw->id\", which another planting has already; ids are unique");
            }
            $taken[$raw->id] = true;
            $own = [...$this->cropFaults($raw, $at), ...self::dateFaults($raw, $at)];
            $faults = [...$faults, ...$own];
        }

        return $faults !== [] ? $faults : $this->claimFaults();
    }

    /** @return list<Fault> */
    private function cropFaults(stdClass $raw, string $at): array
    {
        $crop = $raw->crop ?? null;

        return $crop === null || $this->library->crops->has($crop) ? [] : [
            new Fault("$at/crop", "is \"$crop\", which is no crop of the Library, nor one of this garden"),
        ];
    }

    /** @return list<Fault> */
    private static function dateFaults(stdClass $raw, string $at): array
    {
        $faults = [];
        foreach (self::DATES as $key) {
            $date = $raw->{$key} ?? null;
            if ($date !== null && ! Dates::are($date)) {
                $faults[] = new Fault("$at/$key", "is \"$date\", no date; it reads 2027-04-10");
            }
        }
        if ($faults !== []) {
            return $faults;
        }
        [$sown, $transplanted, $cleared] = array_map(static fn (string $key): ?string => $raw->{$key} ?? null, self::DATES);
        if ($sown !== null && $transplanted !== null && $transplanted < $sown) {
            $faults[] = new Fault("$at/transplanted", "is $transplanted, before it was sown on $sown");
        }
        $begun = $transplanted ?? $sown;
        if ($cleared !== null && $begun !== null && $cleared < $begun) {
            $faults[] = new Fault("$at/cleared", "is $cleared, before it began on $begun");
        }
        if ($cleared !== null && $begun === null) {
            $faults[] = new Fault("$at/cleared", "is $cleared, and it never began; say when it was sown or set in");
        }

        return $faults;
    }

    /** @return list<Fault> cups that two plantings claim at one time */
    private function claimFaults(): array
    {
        $faults = [];
        $before = [];
        foreach ($this->all() as $planting) {
            foreach ($before["$planting->tub $planting->copy"] ?? [] as $other) {
                $both = self::claimedByBoth($planting, $other);
                if ($both === null) {
                    continue;
                }
                $cups = $both === [] ? 'all cups of one crop' : (count($both) === 1 ? "cup $both[0]" : 'cups '.implode(', ', $both));
                $faults[] = new Fault(
                    $planting->pointer().'/cups',
                    "claims $cups, where planting \"$other->id\" stands at that time; clear that one first, or take other cups",
                );
            }
            $before["$planting->tub $planting->copy"][] = $planting;
        }

        return $faults;
    }

    /**
     * Cups that two plantings of one copy claim at a time, or an empty list where both claim all that there are. A planting that was never
     * said to be cleared is taken to be when another is set into its cups later.
     *
     * @return list<int>|null null where they do not get into each other's way
     */
    private static function claimedByBoth(Planting $a, Planting $b): ?array
    {
        [$first, $second] = $a->setIn <= $b->setIn ? [$a, $b] : [$b, $a];
        $meet = $first->setIn === $second->setIn || ($first->cleared !== null && $first->cleared > $second->setIn);
        if (! $meet || $second->cleared === $second->setIn) {
            return null;
        }
        if ($a->cups === null || $b->cups === null) {
            // One that names its cups leaves the rest to the other.
            return $a->cups === null && $b->cups === null && $a->crop->key === $b->crop->key ? [] : null;
        }
        $both = array_values(array_intersect($a->cups, $b->cups));

        return $both === [] ? null : $both;
    }

    /** @return list<Planting> those that have a date; expects what faults() has passed */
    public function all(): array
    {
        $all = [];
        foreach ($this->document->plantings ?? [] as $i => $raw) {
            $planting = $this->planting($i, $raw);
            $all = $planting === null ? $all : [...$all, $planting];
        }

        return $all;
    }

    private function planting(int $index, stdClass $raw): ?Planting
    {
        $key = $this->cropKey($raw);
        $tub = $this->tubs[$raw->tub] ?? null;
        $sown = isset($raw->sown) ? Dates::number($raw->sown) : null;
        $transplanted = isset($raw->transplanted) ? Dates::number($raw->transplanted) : null;
        if ($key === null || $tub === null || ($sown ?? $transplanted) === null) {
            return null;
        }
        $crop = $this->library->crops->get($key)->startedFrom(self::started($raw, $tub));
        $inPlugs = $tub->system === GrowingSystem::Nursery->value ? $crop->daysGerminate : $crop->daysSowToTransplant;
        [$sownOn, $setIn] = match (true) {
            $crop->group === CropGroup::Cutting, $crop->started === StartedFrom::Seedling => [null, $transplanted ?? $sown],
            $crop->started === StartedFrom::Seed => [$sown ?? $transplanted, $sown ?? $transplanted],
            default => [$sown ?? $transplanted - $inPlugs, $transplanted ?? $sown + $inPlugs],
        };

        return new Planting(
            $index,
            $raw->id,
            $raw->tub,
            $raw->copy ?? 1,
            $crop,
            isset($raw->cups) ? array_values(array_map(intval(...), $raw->cups)) : null,
            $sownOn,
            (int) $setIn,
            $transplanted !== null,
            isset($raw->cleared) ? Dates::number($raw->cleared) : null,
            $raw->note ?? '',
        );
    }

    /** What it begins as: as the planting says, else as its tub is started. */
    private static function started(stdClass $raw, stdClass $tub): StartedFrom
    {
        return match ($raw->stage ?? null) {
            'seed' => StartedFrom::Seed,
            'plug' => StartedFrom::Plug,
            'seedling', 'cutting' => StartedFrom::Seedling,
            default => StartedFrom::from($tub->started ?? StartedFrom::Plug->value),
        };
    }

    private function cropKey(stdClass $raw): ?string
    {
        $tub = $this->tubs[$raw->tub] ?? null;

        return $raw->crop ?? $tub->crops[0]->crop ?? $tub->crop ?? null;
    }
}
