<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;

/**
 * Answers the two questions of a lid: how many cups fit so far apart, and where do N cups go as far apart as they can be.
 *
 * `best` is the arrangement with the greatest least distance; a regular one is preferred when it comes within 3 % of spread, because it is
 * easier to mark out; ties go to the earlier of single, grid, staggered, ring, corners.
 * Where a full-width pattern meets a keep-out it is drawn in until it is clear. Source: handbook, rules section 5.
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

    /** @var array<string, Arrangement|null> answers given so far */
    private array $known = [];

    /** No more holes than this are spread. */
    public const MOST_SPREAD = 40;

    /** @var array<int, Arrangement|null> spreads looked up so far */
    private array $spread = [];

    private bool $waiting = false;

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
        $most = $this->mostRegular($kind === PatternKind::Spread ? PatternKind::Best : $kind, $leastDistance, $cap);
        if ($kind === PatternKind::Spread || $kind === PatternKind::Best) {
            while ($most < min(
                $cap,
                self::MOST_SPREAD,
                $this->space->mostApart($leastDistance),
            ) && $this->spread($most + 1, $leastDistance) !== null) {
                $most++;
            }
        }

        return $most;
    }

    /** The same among regular patterns only: at once, whatever spreads are known. */
    public function mostRegular(PatternKind $kind, float $leastDistance, int $cap): int
    {
        for ($count = $kind === PatternKind::Single ? 1 : min(
            $cap,
            self::MOST_HOLES,
            $this->space->mostApart($leastDistance),
        ); $count > 1; $count--) {
            if ($this->fits($kind, $count, $leastDistance)) {
                return $count;
            }
        }

        return $this->fits($kind, 1, $leastDistance) ? 1 : 0;
    }

    /** Exactly $count cups as far apart as the pattern lets them be, or null when they cannot stand $leastDistance apart. */
    public function arrange(PatternKind $kind, int $count, float $leastDistance): ?Arrangement
    {
        $asked = "$kind->value $count $leastDistance";
        if (! array_key_exists($asked, $this->known)) {
            $this->known[$asked] = match ($kind) {
                PatternKind::Spread => $this->spread($count, $leastDistance) ?? $this->search(PatternKind::Best, $count, $leastDistance),
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
            : $regular;
    }

    /** The spread of so many holes, or null when it is not known yet or does not keep the least distance. */
    private function spread(int $count, float $leastDistance): ?Arrangement
    {
        if ($count < 2 || $count > self::MOST_SPREAD || $this->space->mostDistance($count) < $leastDistance) {
            return null;
        }
        if (! array_key_exists($count, $this->spread)) {
            $question = LayoutQuestion::spread($this->space, $count);
            $known = $this->memory->maySolve() || $this->memory->recall($question) !== null;
            $this->waiting = $this->waiting || ! $known;
            $this->spread[$count] = $known ? $this->rememberedLayout($question, fn (): ?Arrangement => $this->solved($count)) : null;
        }
        $spread = $this->spread[$count];

        return $spread !== null && $spread->holeDistance >= $leastDistance ? $spread : null;
    }

    private function solved(int $count): ?Arrangement
    {
        $points = (new SpreadSolver($this->space))->spread($count);

        return $points === null ? null : Arrangement::of(PatternKind::Spread, $points)->inRows();
    }

    /** Whether any pattern of the kind takes $count cups at the least distance. */
    private function fits(PatternKind $kind, int $count, float $leastDistance): bool
    {
        foreach (self::candidates($kind, $count) as $candidate) {
            foreach (self::pattern($candidate, widest: false)->arrange($this->space, $count, $leastDistance) as $arrangement) {
                if ($this->clear($arrangement, $leastDistance, any: true) !== null) {
                    return true;
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
        $touching = $this->firstTouching($arrangement->points);
        if ($touching === null) {
            return $arrangement;
        }
        $best = null;
        foreach (self::DRAWN_IN as $alongX) {
            foreach (self::DRAWN_IN as $alongY) {
                // No distance shrinks less than the axis that is drawn in less.
                if (max($alongX, $alongY) * $arrangement->holeDistance < max($leastDistance, $best->holeDistance ?? 0.0)) {
                    break;
                }
                // The hole that touched is asked first: mostly it still does.
                if (! $this->space->clearOfKeepOuts(new Point($touching->x * $alongX, $touching->y * $alongY))) {
                    continue;
                }
                $points = array_map(static fn (Point $p): Point => new Point($p->x * $alongX, $p->y * $alongY), $arrangement->points);
                if ($this->firstTouching($points) !== null) {
                    continue;
                }
                $drawn = Arrangement::of($arrangement->pattern, $points);
                if ($drawn->holeDistance >= max($leastDistance, $best->holeDistance ?? 0.0)) {
                    $best = $drawn;
                    if ($any) {
                        return $best;
                    }
                }
            }
        }

        return $best;
    }

    /** @param  list<Point>  $points */
    private function firstTouching(array $points): ?Point
    {
        if ($this->space->lid->keepOuts === []) {
            return null;
        }
        foreach ($points as $point) {
            if (! $this->space->clearOfKeepOuts($point)) {
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
