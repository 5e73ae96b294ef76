<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

/** Which designs are shown, and the one sentence that tells each from its neighbours. */
final class Selection
{
    public const MOST = 6;

    private const LEAST = 3;

    private const TIE = 1.0e-6;

    /**
     * @param  list<Tried>  $front  that no other one beats
     * @return list<array{Tried, string}>
     */
    public static function of(array $front, Wish $wish): array
    {
        if ($front === []) {
            return [];
        }
        if (count($front) === 1) {
            return [[$front[0], self::sentence(['the one that there is'], $front[0])]];
        }
        /** @var array<int, list<string>> $says by place */
        $says = [];
        foreach (self::merits($wish) as [$word, $better, $counts]) {
            $of = array_values(array_filter(array_keys($front), static fn (int $i): bool => $counts($front[$i])));
            usort($of, static fn (int $a, int $b): int => [$better($front[$a]), ...$front[$a]->burden(), $a]
                <=> [$better($front[$b]), ...$front[$b]->burden(), $b]);
            // Where all are alike in it, nothing is said of it.
            $isTie = count($of) > 1 && $better($front[$of[count($of) - 1]]) - $better($front[$of[0]]) < self::TIE;
            if ($of === [] || $isTie || (count($says) >= self::MOST && ! isset($says[$of[0]]))) {
                continue;
            }
            $says[$of[0]][] = $word;
        }
        // Where few stand out the next cheapest of other tubs come along.
        $rest = array_values(array_diff(array_keys($front), array_keys($says)));
        usort($rest, static fn (int $a, int $b): int => [...$front[$a]->burden(), $a] <=> [...$front[$b]->burden(), $b]);
        foreach ($rest as $i) {
            if (count($says) < self::LEAST) {
                $says[$i][] = 'another way';
            }
        }
        uksort($says, static fn (int $a, int $b): int => $front[$a]->figures()->outlay <=> $front[$b]->figures()->outlay);

        return array_map(
            static fn (int $i): array => [$front[$i], self::sentence($says[$i], $front[$i])],
            array_keys($says),
        );
    }

    /**
     * What one may choose a design for: the word, by what the best is found, the less the better, and which designs it can be said of.
     *
     * @return list<array{string, callable(Tried): float, callable(Tried): bool}>
     */
    private static function merits(Wish $wish): array
    {
        $any = static fn (Tried $t): bool => true;

        return [
            ['cheapest', static fn (Tried $t): float => $t->figures()->outlay, $any],
            ['least work', static fn (Tried $t): float => (float) $t->figures()->visits_a_week, $any],
            ['most to eat', static fn (Tried $t): float => -$t->figures()->g_a_week[1], $any],
            [
                'from what you own',
                static fn (Tried $t): float => $t->figures()->outlay,
                static fn (Tried $t): bool => array_filter(
                    $t->tubs,
                    static fn (TubChoice $c): bool => ! self::isOwned($c, $wish),
                ) === [],
            ],
            ['no power', static fn (Tried $t): float => $t->figures()->outlay, static fn (Tried $t): bool => ! $t->hasAir()],
            ['can be left longest', static fn (Tried $t): float => -(float) $t->figures()->away_days, $any],
            ['least room', static fn (Tried $t): float => $t->area(), $any],
            [
                'stands longest without power',
                static fn (Tried $t): float => -($t->figures()->outage_min ?? 1.0e6),
                static fn (Tried $t): bool => $t->hasAir(),
            ],
        ];
    }

    private static function isOwned(TubChoice $tub, Wish $wish): bool
    {
        return ($wish->owned[$tub->key()] ?? 0.0) >= $tub->count;
    }

    /** @param  list<string>  $words */
    private static function sentence(array $words, Tried $design): string
    {
        return ucfirst(implode(', ', $words)).': '.self::what($design).'.';
    }

    /** "2 × 15 L pail of leaf lettuce, with air" */
    public static function what(Tried $design): string
    {
        return implode(' and ', array_map(
            static fn (TubChoice $t): string => ($t->count > 1 ? "$t->count × " : '')."{$t->vessel->name} of {$t->bed->inWords()}",
            $design->tubs,
        )).', '.($design->hasAir() ? 'with air' : 'still water');
    }
}
