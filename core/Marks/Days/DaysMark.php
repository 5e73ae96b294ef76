<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Days;

use KelpTub\Core\Days\Frost;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Mark;
use KelpTub\Core\Garden\OfTubs;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Numbers\Dates;
use stdClass;

/** What is really sown, in which cups of which copy of which tub. What comes of it by date is asked for by itself (Diary). */
final class DaysMark extends Mark
{
    public function key(): string
    {
        return 'days';
    }

    public function faults(stdClass $document, Library $library): array
    {
        return [
            ...(new PlantingReader($document, $library))->faults(),
            ...self::awayFaults($document->site->away ?? []),
            ...self::frostFaults($document->site->frost ?? new stdClass),
            ...MeterReader::faults($document),
            ...EntriesOfFile::faults($document),
        ];
    }

    /**
     * @param  list<stdClass>  $away
     * @return list<Fault>
     */
    private static function awayFaults(array $away): array
    {
        $faults = [];
        foreach ($away as $i => $days) {
            foreach (['from', 'to'] as $key) {
                if (! Dates::are($days->{$key})) {
                    $faults[] = new Fault("/site/away/$i/$key", "is \"{$days->{$key}}\", no date; it reads 2027-04-10");
                }
            }
            if ($faults === [] && $days->to < $days->from) {
                $faults[] = new Fault("/site/away/$i/to", "is $days->to, before $days->from, from which on nobody is there");
            }
        }

        return $faults;
    }

    /** @return list<Fault> */
    private static function frostFaults(stdClass $frost): array
    {
        $faults = [];
        foreach (get_object_vars($frost) as $key => $day) {
            if (! Frost::isDay($day)) {
                $faults[] = new Fault("/site/frost/$key", "is \"$day\", no day of the year; it reads 05-15");
            }
        }

        return $faults;
    }

    public function members(): array
    {
        return ['entries', 'log', 'meters', 'plantings', 'site'];
    }

    public function membersByTub(): array
    {
        return ['plantings', 'meters'];
    }

    public function read(stdClass $document, Library $library): Plantings
    {
        return new Plantings((new PlantingReader($document, $library))->all());
    }

    public function withoutTub(string $tub, Garden $garden, PatchMaker $patch): array
    {
        return array_merge(...array_map(
            static fn (OfTubs $of): array => $of->withoutTub($tub, $garden->document, $patch),
            self::ofTubs(),
        ));
    }

    public function withCount(string $tub, int $count, Garden $garden, PatchMaker $patch): array
    {
        return array_merge(...array_map(
            static fn (OfTubs $of): array => $of->withCount($tub, $count, $garden->document, $patch),
            self::ofTubs(),
        ));
    }

    public function needsOnTub(string $tub, Plan $plan, Library $library): array
    {
        $plantings = $plan->garden->of(Plantings::class)->of($tub);

        return $plantings === [] ? [] : [$tub => DaysParts::of($plan->get(FeedPlans::class)->of($tub), $plantings, $library)];
    }

    /** @return list<OfTubs> what speaks of copies of tubs */
    private static function ofTubs(): array
    {
        return [new OfTubs('plantings'), new OfTubs('meters')];
    }
}
