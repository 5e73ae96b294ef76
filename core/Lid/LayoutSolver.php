<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;

/**
 * Answers the two questions of a lid: how many cups fit so far apart, and where do N cups go as far apart as they can be.
 *
 * `best` is the arrangement with the greatest least distance; a regular one is preferred when it comes within 3 % of spread, because it is
 * easier to mark out; ties go to the earlier of single, grid, staggered, ring, corners.
 * Where a full-width pattern meets a keep-out it is drawn in until it is clear; where none is, holes are spread round it. Whatever finds
 * a layout, it leaves here only if every hole keeps its limits. Source: handbook, rules section 5.
 */
final class LayoutSolver
{
    /** No lid gets more holes than this. */
    public const MOST_HOLES = 200;

    /** A regular pattern that reaches this share of spread's least distance is preferred to it. */
    public const REGULAR_SHARE = 0.97;

    /** Spacings that differ by less are a tie, mm. */
    private const TIE_MM = 1.0e-6;

    /** How a pattern is drawn in to clear keep-outs: shares of its full extent. */
    private const DRAWN_IN = [1.0, 0.96, 0.92, 0.88, 0.84, 0.8, 0.75, 0.7, 0.65, 0.6, 0.55, 0.5];

    /**
     * Looks at places that the count of a lid with keep-outs is worth, few at each number of holes where there are many numbers; fewer
     * where there are more keep-outs than this: no regular pattern goes between them.
     */
    private const LOOKS_TO_COUNT = 120_000;

    private const MANY_OBSTACLES = 12;

    private const LOOKS_TO_MAKE = 4;

    /** So many times its even part each number of holes may take of them. */
    private const UNEVEN = 4;

    /** Looks that laying out one number of holes is worth. */
    private const LOOKS_TO_LAY_OUT = 25_000;

    /** @var array<string, Arrangement|null> answers given so far */
    private array $known = [];

    /** To spread so many holes more takes a step more. */
    private const HOLES_A_STEP = 4;

    /** No more holes than this are spread. */
    public const MOST_SPREAD = 40;

    /** @var array<int, Arrangement|null> spreads looked up so far */
    private array $spread = [];

    private bool $waiting = false;

    /** Places looked at so far, and how many may be before the search is cut short. */
    private int $looks = 0;

    private int $enoughLooks = PHP_INT_MAX;

    public function __construct(private readonly LayoutSpace $space, private readonly LayoutMemory $memory = new FreshMemory)
    {
    }

    /** Whether a spread was asked for that is not known yet; the best regular pattern stands in for it. */
    public function isWaiting(): bool
    {
        return $this->waiting;
    }

    /**
     * The most cups that stand at least $leastDistance apart, up to $cap; an incomplete pattern is never counted.
     */
    public function most(PatternKind $kind, float $leastDistance, int $cap): int
    {
        return $this->remembered(
            LayoutQuestion::most($this->space, $kind, $leastDistance, $cap),
            fn (): int => $this->findMost($kind, $leastDistance, $cap),
        );
    }

    /**
     * The answer to a question about this lid, found once for all; one that still waits for a spread is not kept.
     *
     * @param  callable(): int  $find
     */
    public function remembered(LayoutQuestion $question, callable $find): int
    {
        $answer = $this->memory->recall($question);
        if ($answer === null) {
            $answer = $find();
            if (! $this->waiting) {
                $this->memory->keep($question, $answer);
            }
        }

        return (int) $answer;
    }

    /**
     * The same for a layout; one that does not exist is remembered as well.
     *
     * @param  callable(): (Arrangement|null)  $find
     */
    private function rememberedLayout(LayoutQuestion $question, callable $find): ?Arrangement
    {
        $packed = $this->memory->recall($question);
        if ($packed !== null) {
            return $packed === '' ? null : Arrangement::unpacked((string) $packed);
        }
        $found = $find();
        $this->memory->keep($question, $found?->packed() ?? '');

        return $found;
    }

    private function findMost(PatternKind $kind, float $leastDistance, int $cap): int
    {
        if (! $kind->isFree()) {
            return $this->mostRegular($kind, $leastDistance, $cap);
        }
        $most = $this->lattice()?->most($leastDistance, min($cap, self::MOST_HOLES)) ?? 0;
        $most = max($most, $this->mostRegular(PatternKind::Best, $leastDistance, $cap, $most));
        if ($most > 0) {
            $atMost = min($cap, self::MOST_SPREAD, $this->space->mostApart($leastDistance));
            while ($most < $atMost && $this->canSpread($most + 1, $leastDistance)) {
                $most++;
            }
        }

        return $most;
    }

    /** The same among regular patterns only: at once, whatever spreads are known. Counts up to $known are not looked for. */
    public function mostRegular(PatternKind $kind, float $leastDistance, int $cap, int $known = 0): int
    {
        $many = max(1.0, count($this->space->obstacles) / self::MANY_OBSTACLES);
        $last = $this->looks + (int) (self::LOOKS_TO_COUNT / $many);
        $cap = $kind === PatternKind::Panels ? min($cap, count(PanelsPattern::middles($this->space))) : $cap;
        for ($count = $kind === PatternKind::Single ? 1 : min(
            $cap,
            self::MOST_HOLES,
            $this->space->mostApart($leastDistance),
        ); $count > max(1, $known); $count--) {
            $left = max(0, $last - $this->looks);
            $this->enoughLooks = $this->looks + intdiv(self::UNEVEN * $left, $count);
            if ($this->fits($kind, $count, $leastDistance)) {
                return $count;
            }
        }

        return $known === 0 && $this->fits($kind, 1, $leastDistance) ? 1 : 0;
    }

    /** Exactly $count cups as far apart as the pattern lets them be, or null when they cannot stand $leastDistance apart. */
    public function arrange(PatternKind $kind, int $count, float $leastDistance): ?Arrangement
    {
        $asked = "$kind->value $count $leastDistance";
        if (! array_key_exists($asked, $this->known)) {
            $this->known[$asked] = match ($kind) {
                PatternKind::Spread => $this->spread($count, $leastDistance) ?? $this->standIn($count, $leastDistance),
                PatternKind::Best => $this->best($count, $leastDistance),
                default => $this->search($kind, $count, $leastDistance),
            };
        }

        return $this->known[$asked];
    }

    /** The best regular pattern, as most of arrange() knows it: at once, whatever spreads are known. */
    public function regular(int $count, float $leastDistance): ?Arrangement
    {
        $question = LayoutQuestion::regular($this->space, $count, $leastDistance);
        if (! array_key_exists($question->text, $this->known)) {
            $this->known[$question->text] = $this->rememberedLayout(
                $question,
                fn (): ?Arrangement => $this->search(PatternKind::Best, $count, $leastDistance),
            );
        }

        return $this->known[$question->text];
    }

    /** The best regular pattern, or spread where that is more than 3 % wider or the only one that keeps the least distance. */
    private function best(int $count, float $leastDistance): ?Arrangement
    {
        $regular = $this->regular($count, $leastDistance);
        if ($regular !== null && ($count < 2 || $regular->holeDistance >= self::REGULAR_SHARE * $this->space->mostDistance($count))) {
            return $regular;
        }
        $spread = $this->spread($count, $leastDistance);

        return $spread !== null && ($regular === null || $regular->holeDistance < self::REGULAR_SHARE * $spread->holeDistance)
            ? $spread
            : $regular ?? $this->standIn($count, $leastDistance);
    }

    /** What takes the place of a spread: the best regular pattern, or on a lid with keep-outs a lattice where that is wider. */
    private function standIn(int $count, float $leastDistance): ?Arrangement
    {
        $regular = $this->regular($count, $leastDistance);
        if ($count < 2) {
            return $regular;
        }
        $least = max($leastDistance, ($regular->holeDistance ?? 0.0) + self::TIE_MM);
        $lattice = $this->lattice()?->arrange($count, $least);

        return $lattice === null
            ? $regular ?? $this->enough($count, $leastDistance)
            : $this->allowed($lattice->inRows(), $leastDistance);
    }

    /** The arrangement where every hole keeps its limits and its distance; null otherwise. Nothing else is ever handed out. */
    private function allowed(?Arrangement $arrangement, float $leastDistance): ?Arrangement
    {
        if ($arrangement === null || ($arrangement->holeDistance ?? INF) < $leastDistance - self::TIE_MM) {
            return null;
        }
        if ($arrangement->count() === 1) {
            [$only] = $arrangement->points;
            if (hypot($only->x, $only->y) < self::TIE_MM && $this->space->holdsOneInTheMiddle()) {
                return $arrangement;
            }
        }
        foreach ($arrangement->points as $point) {
            if (! $this->space->isOpen($point->x, $point->y)) {
                return null;
            }
        }

        return $arrangement;
    }

    /** Only where keep-outs are in the way: elsewhere regular patterns are as good. */
    private function lattice(): ?LatticePattern
    {
        return $this->space->obstacles === [] ? null : new LatticePattern($this->space);
    }

    /** The spread of so many holes, or null when it is not known yet or does not keep the least distance. */
    private function spread(int $count, float $leastDistance): ?Arrangement
    {
        if ($count < 2 || $count > self::MOST_SPREAD || $this->space->mostDistance($count) < $leastDistance) {
            return null;
        }
        if (! array_key_exists($count, $this->spread)) {
            $question = LayoutQuestion::spread($this->space, $count);
            $known = $this->memory->recall($question) !== null || $this->memory->mayTake(self::steps($count));
            $this->waiting = $this->waiting || ! $known;
            $this->spread[$count] = $known ? $this->rememberedLayout($question, fn (): ?Arrangement => $this->solved($count)) : null;
        }
        $spread = $this->spread[$count];

        return $spread !== null && $spread->holeDistance >= $leastDistance ? $spread : null;
    }

    /** Whether so many holes can be spread so far apart. Round keep-outs, where it takes long, the first that does is enough. */
    private function canSpread(int $count, float $leastDistance): bool
    {
        return $this->space->obstacles === []
            ? $this->spread($count, $leastDistance) !== null
            : $this->enough($count, $leastDistance) !== null;
    }

    /** Some arrangement of so many holes at least so far apart, or null when none is found or there is no time to look. */
    private function enough(int $count, float $leastDistance): ?Arrangement
    {
        if ($this->space->obstacles === [] || $count < 2 || $count > self::MOST_SPREAD) {
            return null;
        }
        $question = LayoutQuestion::enough($this->space, $count, $leastDistance);
        if ($this->memory->recall($question) === null && ! $this->memory->mayTake(intdiv(self::steps($count), 2))) {
            $this->waiting = true;

            return null;
        }

        return $this->rememberedLayout($question, fn (): ?Arrangement => $this->solved($count, $leastDistance));
    }

    /** The work of a spread. */
    private static function steps(int $count): int
    {
        return 2 + intdiv($count, self::HOLES_A_STEP);
    }

    private function solved(int $count, ?float $enough = null): ?Arrangement
    {
        $solver = new SpreadSolver($this->space);
        $points = $solver->spread($count, $enough);

        return $points === null ? null : $this->allowed(Arrangement::of(PatternKind::Spread, $points)->inRows(), $enough ?? 0.0);
    }

    /** Whether any pattern of the kind takes $count cups at the least distance. */
    private function fits(PatternKind $kind, int $count, float $leastDistance): bool
    {
        foreach (self::candidates($kind, $count) as $candidate) {
            foreach (self::pattern($candidate, widest: false)->arrange($this->space, $count, $leastDistance) as $arrangement) {
                if ($this->clear($arrangement, $leastDistance, any: true) !== null) {
                    return true;
                }
                if ($this->looks > $this->enoughLooks) {
                    return false;
                }
            }
        }

        return false;
    }

    /** @return list<PatternKind> */
    private static function candidates(PatternKind $kind, int $count): array
    {
        return match (true) {
            $count === 1 => [PatternKind::Single],
            $kind === PatternKind::Best => PatternKind::regular(),
            default => [$kind],
        };
    }

    private function search(PatternKind $kind, int $count, float $leastDistance): ?Arrangement
    {
        $best = null;
        $this->enoughLooks = $this->looks + self::LOOKS_TO_LAY_OUT;
        foreach (self::candidates($kind, $count) as $candidate) {
            foreach (self::pattern($candidate)->arrange(
                $this->space,
                $count,
                max($leastDistance, ($best->holeDistance ?? 0.0) + self::TIE_MM),
            ) as $arrangement) {
                $clear = $this->clear($arrangement, $leastDistance);
                if ($clear !== null && ($best === null || $clear->holeDistance > $best->holeDistance + self::TIE_MM)) {
                    $best = $clear;
                }
            }
        }

        return $best;
    }

    /**
     * The arrangement itself where no keep-out is touched, else the widest drawn in one that is clear and keeps the least distance; or
     * any such.
     */
    private function clear(Arrangement $arrangement, float $leastDistance, bool $any = false): ?Arrangement
    {
        // To have made it takes as long as so many looks.
        $this->looks += $this->space->obstacles === [] ? 0 : self::LOOKS_TO_MAKE * $arrangement->count();
        $touching = $this->firstTouching($arrangement->points, 1.0, 1.0);
        if ($touching === null) {
            return $this->allowed($arrangement, $leastDistance);
        }
        $best = null;
        foreach (self::DRAWN_IN as $alongX) {
            foreach (self::DRAWN_IN as $alongY) {
                $least = max($leastDistance, $best->holeDistance ?? 0.0);
                // No distance shrinks less than the axis that is drawn in less.
                if (max($alongX, $alongY) * $arrangement->holeDistance < $least || $this->looks > $this->enoughLooks) {
                    break;
                }
                // The hole that touched last is asked first: mostly it still does.
                $touching = $this->firstTouching([$touching ?? $arrangement->points[0], ...$arrangement->points], $alongX, $alongY);
                if ($touching !== null) {
                    continue;
                }
                $drawn = $this->allowed(
                    Arrangement::of(
                        $arrangement->pattern,
                        array_map(static fn (Point $p): Point => new Point($p->x * $alongX, $p->y * $alongY), $arrangement->points),
                    ),
                    $least,
                );
                if ($drawn !== null) {
                    $best = $drawn;
                    if ($any) {
                        return $best;
                    }
                }
            }
        }

        return $best;
    }

    /**
     * The first of some points at which no hole may go once they are drawn in, as it stands before; null when all of them are open.
     *
     * @param  list<Point>  $points
     */
    private function firstTouching(array $points, float $alongX, float $alongY): ?Point
    {
        if ($this->space->obstacles === []) {
            return null;
        }
        $places = $this->space->places;
        foreach ($points as $point) {
            $this->looks++;
            if (! $places->isOpen($point->x * $alongX, $point->y * $alongY)) {
                return $point;
            }
        }

        return null;
    }

    private static function pattern(PatternKind $kind, bool $widest = true): Pattern
    {
        return match ($kind) {
            PatternKind::Grid => new GridPattern,
            PatternKind::Staggered => new StaggeredPattern($widest),
            PatternKind::Ring => new RingPattern,
            PatternKind::Corners => new CornersPattern,
            PatternKind::Panels => new PanelsPattern,
            default => new SinglePattern,
        };
    }
}
