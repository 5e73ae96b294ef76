<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Diary\Diary;
use KelpTub\Core\Diary\Succession;
use KelpTub\Core\Diary\Supply;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Log\Entries;
use KelpTub\Core\Marks\Tub\Sketch;
use KelpTub\Core\Numbers\Dates;
use stdClass;

/** What comes of a wish: a few whole designs, what was left out, and where there is none what to wish otherwise. */
final readonly class WishAnswer
{
    /** Wanted every week until then where no end was said, days. */
    private const DAYS = 182;

    private const RUNNERS_UP = 5;

    private const LOOSEN = 5;

    /** Each look at another wish has this part of the search budget. */
    private const PART = 4;

    /** All looks at other months, and at less of it, have this part together. */
    private const OTHERWISE = 2;

    public function __construct(private Planner $planner, private Wish $wish)
    {
    }

    /** @param  int  $steps  search budget */
    public function of(int $steps = Steps::WHOLE): stdClass
    {
        $search = new Search($this->planner, $this->wish, new Steps($steps));
        $designs = $search->designs();
        $kept = array_values(array_filter($designs, fn (Tried $t): bool => $search->shortfalls->of($t) === []));
        $search->leftOut->because('goes beyond what was wished', count($designs) - count($kept));
        $sound = array_values(array_filter($kept, static fn (Tried $t): bool => $t->isSound()));
        // What works badly is shown only where nothing works well, and what works least badly.
        $least = min([PHP_INT_MAX, ...array_map(static fn (Tried $t): int => count($t->mends()), $kept)]);
        $shown = array_values(array_filter($kept, static fn (Tried $t): bool => count($t->mends()) === $least));
        $search->leftOut->because('works badly in some way', count($kept) - count($shown));
        // What brings little is shown only where nothing brings more.
        $rich = array_values(array_filter($shown, $search->isRich(...)));
        $search->leftOut->because('brings less than half of what it could', $rich === [] ? 0 : count($shown) - count($rich));
        $shown = $rich === [] ? $shown : $rich;
        [$chosen, $front, $beyond] = $this->chosen($search, $shown);
        $search->leftOut->because('goes beyond what was wished', count($beyond));
        $search->leftOut->because('another one beats it in everything', count($shown) - count($beyond) - count($front));
        $sound = $chosen === [] ? [] : $sound;
        $keys = array_column($chosen, 'key');
        $others = array_values(array_filter($front, static fn (Tried $t): bool => ! in_array($t->key(), $keys, true)));
        usort($others, static fn (Tried $a, Tried $b): int => $a->burden() <=> $b->burden());

        return (object) [
            'designs' => $chosen,
            'left_out' => array_values(array_filter($search->leftOut->toAnswer(), static fn (stdClass $l): bool => $l->count > 0)),
            // A first answer has no time to look at other wishes.
            'loosen' => $sound !== [] || $steps <= Steps::FIRST ? [] : $this->loosen($search, [...$designs, ...$beyond], $steps),
            'portions' => array_map(static fn (Portion $p): stdClass => (object) [
                'crop' => $p->crop->key,
                'name' => $p->crop->name,
                'plants' => $p->plants,
            ], $search->portions),
            'runners_up' => array_map(
                static fn (Tried $t): stdClass => (object) [
                    'key' => $t->key(),
                    'says' => Selection::what($t),
                    'figures' => $t->figures(),
                ],
                array_slice($others, 0, self::RUNNERS_UP),
            ),
            'looked_at' => count($designs),
            'steps' => $search->steps->taken(),
            'complete' => $search->isComplete,
        ];
    }

    /**
     * The designs that are shown, each as a whole garden: with what is sown again its list of parts is another one, and may go beyond the
     * wish where the tubs did not.
     *
     * @param  list<Tried>  $designs
     * @return array{list<stdClass>, list<Tried>, list<Tried>} as the answer gives them; what they are chosen from; whole, what goes beyond
     */
    private function chosen(Search $search, array $designs): array
    {
        $wholes = $beyond = [];
        do {
            $front = Front::of($designs);
            $chosen = array_column(Selection::of($front, $this->wish), 0);
            $over = [];
            foreach ($chosen as $design) {
                $whole = $wholes[$design->key()] ??= $this->whole($search, $design);
                if ($search->shortfalls->of($whole) !== [] || count($whole->mends()) > count($design->mends())) {
                    $over[] = $design;
                    $beyond[] = $whole;
                }
            }
            $designs = array_values(array_filter($designs, static fn (Tried $t): bool => ! in_array($t, $over, true)));
        } while ($over !== []);
        // What is said of each is said of it whole.
        $whole = array_map(static fn (Tried $t): Tried => $wholes[$t->key()], $chosen);

        return [array_map(fn (array $one): stdClass => $this->card(...$one), Selection::of($whole, $this->wish)), $front, $beyond];
    }

    private function whole(Search $search, Tried $design): Tried
    {
        $sown = $this->sown($design);

        return $sown === [] ? $design : $search->anew($design, (object) [...get_object_vars($design->document), 'plantings' => $sown]);
    }

    private function card(Tried $whole, string $says): stdClass
    {
        $room = $this->wish->room;

        return (object) [
            'key' => $whole->key(),
            'says' => $says,
            'garden' => $whole->document,
            'figures' => $whole->figures(),
            'stands' => FloorPlan::of($whole->stands(), $room->length, $room->depth)->stands ?? [],
            'sketch' => Sketch::of($whole->plan),
            'height_mm' => $whole->height(),
            'breaks' => array_map(static fn (Finding $f): string => $f->says, $whole->mends()),
        ];
    }

    /** @return list<stdClass> what is sown and set in again and again, where something is wanted every week and it is said from when */
    private function sown(Tried $design): array
    {
        $from = $this->wish->room->from;
        $steady = array_filter($this->wish->eats, static fn (Eat $eat): bool => $eat->as->isSteady());
        if ($from === null || $steady === []) {
            return [];
        }
        $begin = Dates::number($from);
        $to = $this->wish->room->to === null ? $begin + self::DAYS : Dates::number($this->wish->room->to);
        $document = $design->document;
        foreach ($design->tubs as $tub) {
            foreach ($tub->bed->portions as $portion) {
                if (! $portion->eat->as->isSteady()) {
                    continue;
                }
                $diary = new Diary($this->planner, $this->planner->of($document), Entries::of([]), (float) $begin);
                $isGrams = $portion->eat->as === Amount::Grams;
                $supply = new Supply($isGrams ? null : $portion->eat->amount, $isGrams ? $portion->eat->amount : null, $begin, $to);
                $told = Succession::of($diary, $portion->crop, $supply)->toReport();
                $sown = $document->plantings;
                foreach ($told->plantings as $planting) {
                    $sown[] = (object) ['id' => "{$portion->crop->key}-".(count($sown) + 1), ...get_object_vars($planting)];
                }
                $document = (object) [...get_object_vars($document), 'plantings' => $sown];
            }
        }

        return $document->plantings;
    }

    /**
     * What to wish otherwise so that there is a design: one thing where one is enough, the least of each; else the fewest together.
     *
     * @param  list<Tried>  $designs
     * @return list<stdClass>
     */
    private function loosen(Search $search, array $designs, int $steps): array
    {
        $all = $designs;
        foreach (Looser::of($this->wish) as $looser) {
            $more = new Search($this->planner, $looser, new Steps(intdiv($steps, self::PART)));
            $all = [...$all, ...$more->designs()];
        }
        $all = array_values(array_filter($all, static fn (Tried $t): bool => $search->shortfalls->of($t) !== []));
        $least = min([PHP_INT_MAX, ...array_map(static fn (Tried $t): int => count($t->mends()), $all)]);

        // Where nothing works well, what works least badly.
        return $this->nearest($search, $all, 0) ?: $this->otherwise($steps, $designs === []) ?: $this->nearest($search, $all, $least);
    }

    /**
     * The nearest of what goes beyond the wish in fewest things.
     *
     * @param  list<Tried>  $designs  which all go beyond it
     * @param  int  $mends  of those in which so much is to be mended
     * @return list<stdClass>
     */
    private function nearest(Search $search, array $designs, int $mends): array
    {
        $ways = [];
        foreach ($designs as $design) {
            if (count($design->mends()) !== $mends) {
                continue;
            }
            $lacks = $search->shortfalls->of($design);
            $of = implode(' ', array_map(static fn (Shortfall $s): string => $s->of, $lacks));
            $by = array_sum(array_map(static fn (Shortfall $s): float => $s->by, $lacks));
            if (! isset($ways[$of]) || $by < $ways[$of][0]) {
                $ways[$of] = [$by, $lacks];
            }
        }
        usort($ways, static fn (array $a, array $b): int => [count($a[1]), $a[0]] <=> [count($b[1]), $b[0]]);
        $fewest = count($ways[0][1] ?? []);
        $nearest = array_values(array_filter($ways, static fn (array $way): bool => count($way[1]) === $fewest));

        return array_map(static fn (array $way): stdClass => (object) [
            'says' => implode(', and ', array_map(static fn (Shortfall $s): string => $s->says, $way[1])),
            'patch' => array_map(static fn (Shortfall $s): stdClass => $s->patch(), $way[1]),
        ], array_slice($nearest, 0, self::LOOSEN));
    }

    /**
     * Where no more room, money or work would help: begun in another month, or less of it.
     *
     * @return list<stdClass>
     */
    private function otherwise(int $steps, bool $isNothing): array
    {
        $library = $this->planner->aids->library;
        $left = intdiv($steps, self::OTHERWISE);
        foreach (Looser::later($this->wish, $library) as [$says, $patch, $later]) {
            if ($left > 0 && $this->isFulfilled($later, intdiv($steps, self::PART), $left, isWell: true)) {
                return [(object) ['says' => $says, 'patch' => $patch]];
            }
        }
        foreach ($isNothing ? Looser::less($this->wish, $library) : [] as [$says, $patch, $less]) {
            if ($left > 0 && $this->isFulfilled($less, intdiv($steps, self::PART), $left)) {
                return [(object) ['says' => $says, 'patch' => $patch]];
            }
        }

        return [];
    }

    /**
     * Whether there is a sound design that is what a wish says.
     *
     * @param  int  $left  steps that are left for looks like this; what it takes is taken off
     * @param  bool  $isWell  whether all that is to be eaten must like it there and then
     */
    private function isFulfilled(Wish $wish, int $steps, int &$left, bool $isWell = false): bool
    {
        $search = new Search($this->planner, $wish, new Steps(min($steps, $left)));
        $designs = $isWell && ! $search->growsWell() ? [] : $search->designs();
        $left -= $search->steps->taken();
        foreach ($designs as $design) {
            if ($design->isSound() && $search->shortfalls->of($design) === []) {
                return true;
            }
        }

        return false;
    }
}
