<?php

declare(strict_types=1);

namespace KelpTub\Core\Diary;

use KelpTub\Core\Days\FreeDays;
use KelpTub\Core\Days\Item;
use KelpTub\Core\Numbers\Dates;
use KelpTub\Core\Units\QuantityWriter;

/**
 * On which days somebody goes to a tub: what can wait is put with what has a day of its own, or with the round of all tubs; days on which
 * nobody can come are kept free where no last day is broken. Source: handbook, log (grouped visits).
 */
final readonly class VisitDays
{
    /** Kinds that other things are put together with: they have days of their own. */
    private const FIXED = ['sow', 'set-in', 'fill', 'top-up', 'change', 'strengthen', 'hand-over', 'clear', 'sprout', 'frost'];

    /** Rounds are looked for so far beyond the last thing that is planned, days. */
    private const ROUND_DAYS = 4;

    private QuantityWriter $write;

    /** @param  array<string, int>  $unseen  the first day on which a look tells something new, by the key of the look */
    public function __construct(private CopyDiary $diary, private FreeDays $free, private array $unseen)
    {
        $this->write = new QuantityWriter($diary->copy->units());
    }

    /**
     * @param  list<Item>  $items
     * @return list<Item> each on the day on which it is done
     */
    public function of(array $items): array
    {
        return self::looksOnce($this->freed($this->grouped($items)));
    }

    /**
     * Two looks at a tub on one day are one.
     *
     * @param  list<Item>  $items
     * @return list<Item>
     */
    private static function looksOnce(array $items): array
    {
        $seen = [];

        return array_values(array_filter($items, static function (Item $i) use (&$seen): bool {
            $again = $i->kind === 'check' && isset($seen[$i->date]);
            $seen += $i->kind === 'check' ? [$i->date => true] : [];

            return ! $again;
        }));
    }

    /**
     * What can wait goes with what has a day of its own, or with another such within two days; else with the round of all tubs.
     *
     * @param  list<Item>  $items
     * @return list<Item>
     */
    private function grouped(array $items): array
    {
        $visits = [];
        foreach ($items as $item) {
            if ($item->done === null && in_array($item->kind, self::FIXED, true)) {
                $visits[$item->date] = true;
            }
        }
        usort($items, static fn (Item $a, Item $b): int => $a->date <=> $b->date);
        $today = $this->diary->today();
        $last = max([$today, ...array_column($items, 'date')]);
        $rounds = array_fill_keys($this->free->rounds()->between($today, $last + self::ROUND_DAYS), true);
        $grouped = [];
        foreach ($items as $item) {
            if ($item->done === null && ! in_array($item->kind, self::FIXED, true) && $item->date >= $today) {
                $earliest = max($today, match ($item->kind) {
                    'pick' => $item->date,
                    'check' => $this->unseen[$item->key],
                    default => 0,
                });
                $latest = $item->kind === 'harden' ? $item->date : PHP_INT_MAX;
                $on = FreeDays::together($item->date, $visits, $earliest, $latest);
                // A look is on a round already, or is overdue and waits for none.
                $isSettled = isset($visits[$on]) || $item->kind === 'check';
                $item = $item->on($isSettled ? $on : FreeDays::together($on, $rounds, $earliest, $latest));
                $visits[$item->date] = true;
            }
            $grouped[] = $item;
        }

        return $grouped;
    }

    /**
     * Days on which nobody can come are kept free where it is in time otherwise; where it is not, that is said.
     *
     * @param  list<Item>  $items
     * @return list<Item>
     */
    private function freed(array $items): array
    {
        $today = $this->diary->today();
        $freed = [];
        foreach ($items as $item) {
            if ($item->done !== null || $item->date < $today || $this->free->isFree($item->date)) {
                $freed[] = $item;

                continue;
            }
            $last = $item->by ?? $item->date + (in_array($item->kind, self::FIXED, true) && $item->kind !== 'change' ? 3 : 7);
            $on = $this->free->near($item->date, $last, $today);
            $freed[] = match (true) {
                $on === null => $item->on(
                    $item->date,
                    'Nobody can come then, nor before: ask somebody, or give it more water before you go.',
                ),
                $on < $item->date && $item->kind === 'top-up' => $this->before($item, $on),
                default => $item->on($on, $on < $item->date ? 'Before you go.' : ''),
            };
        }

        return $freed;
    }

    /** A top-up that is done before its day takes less: back to the line from where the water stands then. */
    private function before(Item $item, int $on): Item
    {
        $day = $this->diary->dayOf($this->diary->forecast(), $on);
        $litres = $day === null ? 0.0 : min((float) $item->litres, max(0.0, $day->tub()->fill - $day->after->volume));
        $share = $item->litres > 0.0 ? $litres / $item->litres : 0.0;

        return new Item(...[
            ...get_object_vars($item),
            'date' => $on,
            'litres' => $litres,
            'says' => 'Top up '.$this->write->volume($litres),
            'parts' => array_map(static fn (array $p): array => [...$p, 'amount' => $p['amount'] * $share, 'tsp' => null], $item->parts),
            'note' => 'Before you go: it would be due on '.Dates::dayAndMonth($item->date).'.',
        ]);
    }
}
