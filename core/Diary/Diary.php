<?php

declare(strict_types=1);

namespace KelpTub\Core\Diary;

use KelpTub\Core\Days\FreeDays;
use KelpTub\Core\Days\Item;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Log\Entries;
use KelpTub\Core\Log\LineContext;
use KelpTub\Core\Log\LineReader;
use KelpTub\Core\Log\ReadLine;
use KelpTub\Core\Marks\Days\Plantings;
use KelpTub\Core\Numbers\Dates;
use stdClass;

/**
 * Garden, entries and a moment in, diary out: what is due, how each copy of a tub stands, what its log means. Never part of a preview or a
 * trial. Source: handbook, log.
 */
final class Diary
{
    private Plan $plan;

    /** @var array<string, CopyDiary> */
    private array $copies = [];

    /**
     * @param  Entries  $entries  of the whole garden
     * @param  float  $now  in days, as `Dates` counts
     * @param  int|null  $until  the last day that is wanted, where not all of them are
     */
    public function __construct(
        private readonly Planner $planner,
        Garden $garden,
        private readonly Entries $entries,
        private readonly float $now,
        private readonly ?int $until = null,
    ) {
        $this->plan = $planner->plan($garden);
    }

    public function garden(): Garden
    {
        return $this->plan->garden;
    }

    public function copy(Tub $tub, int $copy): CopyDiary
    {
        return $this->copies["$tub->id $copy"] ??= new CopyDiary(
            new CopyPlan($this->plan, $this->planner->aids, $tub, $copy),
            $this->entries->ofCopy($tub->id, $copy, $this->now),
            $this->now,
            $this->until,
        );
    }

    /** @return list<array{Tub, int}> the copies in which something is planted, in the garden's order */
    public function planted(): array
    {
        $planted = [];
        $plantings = $this->plan->garden->of(Plantings::class);
        foreach ($this->plan->garden->tubs as $tub) {
            for ($copy = 1; $copy <= $tub->count; $copy++) {
                if ($plantings->of($tub->id, $copy) !== []) {
                    $planted[] = [$tub, $copy];
                }
            }
        }

        return $planted;
    }

    /** @return list<Item> over all copies, from one day to another */
    public function days(int $from, int $to): array
    {
        $items = [];
        foreach ($this->planted() as [$tub, $copy]) {
            $items = [...$items, ...$this->daysOf($tub, $copy, $from, $to)];
        }
        usort($items, static fn (Item $a, Item $b): int => $a->date <=> $b->date);

        return $items;
    }

    /** @return list<Item> of one copy */
    public function daysOf(Tub $tub, int $copy, int $from, int $to): array
    {
        return (new Schedule($this->copy($tub, $copy), $this->freeDays()))->items($from, $to);
    }

    public function today(): int
    {
        return (int) floor($this->now);
    }

    private function freeDays(): FreeDays
    {
        $site = $this->plan->garden->document->site ?? new stdClass;

        return new FreeDays(
            array_values(array_map(static fn (stdClass $a): array => [Dates::number($a->from), Dates::number($a->to)], $site->away ?? [])),
            isset($site->visit_weekdays) ? array_values(array_map(intval(...), $site->visit_weekdays)) : null,
        );
    }

    /** A line of text about a copy, read as the tub stands. */
    public function read(Tub $tub, int $copy, string $line, int $minute): ReadLine
    {
        $diary = $this->copy($tub, $copy);
        $level = null;
        foreach ($diary->entries->all as $entry) {
            $level = $entry->level ?? $level;
        }
        $feed = $diary->copy->feed;
        $log = $this->plan->garden->document->log ?? new stdClass;

        return LineReader::read($line, new LineContext(
            $this->plan->garden->units,
            $this->today(),
            $minute,
            isset($log->ppm_scale) ? (int) $log->ppm_scale : null,
            isset($log->jug_l) ? (float) $log->jug_l : null,
            $level ?? $feed->tub->water->line->grown,
            $feed->tub->water->line->grown,
            array_map(static fn ($part): string => $part->name, $feed->feed->product->parts ?? []),
        ));
    }
}
