<?php

declare(strict_types=1);

namespace Tests\Core;

use KelpTub\Core\Days\Item;
use KelpTub\Core\Diary\CopyDiary;
use KelpTub\Core\Diary\Diary;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Log\Entries;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Log\EntryReader;
use KelpTub\Core\Numbers\Dates;

/** What grows, for tests: a tub planted on 1 March 2027, and entries by the day after that. */
final class Grown
{
    public const START = '2027-03-01';

    private static int $made = 0;

    /** @return array<string, array<string, mixed>> a tub of every kind, with what grows in it */
    public static function kinds(): array
    {
        return [
            'aerated bucket' => ['system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'lettuce-leaf', 'feed' => 'f'],
            'aerated tote of two crops' => [
                'system' => 'aerated', 'vessel' => 'tote-45', 'feed' => 'f',
                'crops' => [['crop' => 'celery-leaf', 'plants' => 4], ['crop' => 'mizuna', 'plants' => 5]],
            ],
            'fruit by volume' => [
                'system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'chilli', 'feed' => 'f', 'reservoir_change' => 'by-volume',
                'cup' => 'net-cup-75', 'layout' => ['pattern' => 'single', 'cups' => 1],
            ],
            'passive jar' => ['system' => 'passive', 'vessel' => 'jar-1', 'crop' => 'basil', 'feed' => 'f'],
            'passive, topped up' => [
                'system' => 'passive',
                'vessel' => 'bucket-20',
                'crop' => 'dill',
                'feed' => 'f',
                'top_ups' => 'quarter',
            ],
            'raft' => ['system' => 'raft', 'vessel' => 'tote-45', 'crop' => 'lettuce-leaf', 'feed' => 'f'],
            'cloner' => [
                'system' => 'cloner',
                'vessel' => 'tote-20',
                'crop' => 'soft-cuttings',
                'layout' => ['pattern' => 'grid', 'cups' => 6],
            ],
            'nursery' => [
                'system' => 'nursery',
                'vessel' => 'tote-12',
                'crop' => 'rocket',
                'feed' => 'f',
                'layout' => ['pattern' => 'grid', 'cups' => 4],
            ],
            'sown in its cups' => ['system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'rocket', 'feed' => 'f', 'started' => 'seed'],
        ];
    }

    /**
     * @param  array<string, mixed>  $tub
     * @param  array<string, mixed>|list<array<string, mixed>>  $plantings  what differs from one that is set in at the start; or several
     * @param  array<string, mixed>  $garden
     */
    public static function garden(array $tub = [], array $plantings = [], array $garden = []): Garden
    {
        $tub += ['crop' => 'lettuce-leaf', 'feed' => 'f'];
        if (isset($tub['crops'])) {
            unset($tub['crop']);
        }
        $all = array_is_list($plantings) && $plantings !== [] ? $plantings : (isset($tub['crops'])
            ? array_map(static fn (array $c): array => ['crop' => $c['crop']], $tub['crops'])
            : [$plantings]);

        return Gardens::tub($tub, [
            'feeds' => [['id' => 'f', 'product' => 'two-part-dry']],
            'water' => ['source' => 'tap', 'ec_ms_cm' => 0.3, 'ph' => 7.2],
            'plantings' => array_map(static fn (array $p, int $i): array => self::planting($p, "p$i"), $all, array_keys($all)),
            ...$garden,
        ]);
    }

    /** @param  array<string, mixed>  $differs */
    private static function planting(array $differs, string $id): array
    {
        $dates = array_intersect_key($differs, ['sown' => 1, 'transplanted' => 1]);

        return ['id' => $id, 'tub' => 'tub', ...($dates === [] ? ['transplanted' => self::START, 'sown' => self::START] : []), ...$differs];
    }

    public static function day(int $after): int
    {
        return Dates::number(self::START) + $after;
    }

    /**
     * @param  int  $day  after the start
     * @param  array<string, mixed>  $says
     */
    public static function entry(int $day, string $time, array $says, string $tub = 'tub', int $copy = 1): Entry
    {
        $raw = json_decode((string) json_encode([
            'id' => sprintf('01KPT%021d', ++self::$made),
            'tub' => $tub,
            'copy' => $copy,
            'at' => Dates::text(self::day($day))."T$time",
            ...$says,
        ]));
        $entry = (new EntryReader)->read($raw);

        return $entry instanceof Entry ? $entry : throw new \LogicException((string) json_encode($entry));
    }

    /** @param  list<Entry>  $entries */
    public static function diary(Garden $garden, array $entries = [], float $now = 0.0): Diary
    {
        return new Diary(Gardens::planner(), $garden, Entries::of($entries), self::day(0) + $now);
    }

    /** @param  list<Entry>  $entries */
    public static function copy(Garden $garden, array $entries = [], ?float $now = null): CopyDiary
    {
        $last = $entries === [] ? 0.0 : max(array_map(static fn (Entry $e): float => $e->time() - self::day(0), $entries));

        return self::diary($garden, $entries, $now ?? $last)->copy($garden->tubs[0], 1);
    }

    /**
     * @param  list<Entry>  $entries
     * @return list<string> codes of what the log seems to say
     */
    public static function says(Garden $garden, array $entries, ?float $now = null): array
    {
        return array_column(self::copy($garden, $entries, $now)->suspicions(), 'code');
    }

    /**
     * @param  list<Item>  $items
     * @return list<string> "day kind", the days after the start
     */
    public static function told(array $items): array
    {
        return array_map(static fn (Item $i): string => ($i->date - self::day(0))." $i->kind".($i->done === null ? '' : ' done'), $items);
    }
}
