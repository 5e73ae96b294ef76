<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

use InvalidArgumentException;
use KelpTub\Core\Geometry\CrossSection;

/**
 * The inside of a vessel as a stack of stations, straight between them. Heights and lengths in mm, volumes in litres.
 *
 * Between two stations every dimension is linear in height, so the area is quadratic and Simpson's rule is exact:
 * `V = Δh/6·(A0 + 4·Am + A1)`. Two stations may share a height (a step). Source: handbook, rules section 2.
 */
final readonly class Profile
{
    private const MM3_PER_LITRE = 1.0e6;

    /** Depths are inverted to within this, in mm. */
    private const DEPTH_TOLERANCE_MM = 1.0e-10;

    /** Steps by which a depth is looked for with the area as the slope; it takes three or four. */
    private const MOST_STEPS = 50;

    /** @var list<float> volume below each station, in litres */
    private array $volumes;

    private float $rim;

    private float $brim;

    /** @var list<array{float, float, float}> of each slice what its area in mm² is: a + b·x + c·x², x mm over its lower station */
    private array $areas;

    /** @param  list<Station>  $stations from the floor up; at least two, the first at height 0 */
    public function __construct(public array $stations)
    {
        if (count($stations) < 2) {
            throw new InvalidArgumentException('A vessel needs at least two stations: its floor and its rim.');
        }
        $volumes = [0.0];
        $areas = [];
        for ($i = 1; $i < count($stations); $i++) {
            if (
                $stations[$i]->section->round !== $stations[$i - 1]->section->round
                && $stations[$i]->height !== $stations[$i - 1]->height
            ) {
                throw new InvalidArgumentException('No slice of a vessel changes from round to rectangular.');
            }
            $height = $stations[$i]->height - $stations[$i - 1]->height;
            $volumes[] = $volumes[$i - 1] + self::slice($stations[$i - 1]->section, $stations[$i]->section, $height);
            $areas[] = self::areas($stations[$i - 1]->section, $stations[$i]->section, $height);
        }
        $this->volumes = $volumes;
        $this->areas = $areas;
        $this->rim = $stations[count($stations) - 1]->height;
        $this->brim = $volumes[count($volumes) - 1];
    }

    /** Height of the rim above the inside floor, in mm. */
    public function rim(): float
    {
        return $this->rim;
    }

    /** The inside of the rim. */
    public function mouth(): CrossSection
    {
        return $this->stations[count($this->stations) - 1]->section;
    }

    /** Volume to the rim, in litres. */
    public function brim(): float
    {
        return $this->brim;
    }

    /** Litres below a depth; a depth outside the vessel counts as its floor or its rim. */
    public function volumeAt(float $depth): float
    {
        if ($depth <= 0.0 || $depth >= $this->rim) {
            return $depth <= 0.0 ? 0.0 : $this->brim;
        }
        $i = $this->sliceAt($depth);

        return $this->within($i, $depth - $this->stations[$i]->height);
    }

    /** Litres up to so many mm into a slice. */
    private function within(int $slice, float $x): float
    {
        [$a, $b, $c] = $this->areas[$slice];

        return $this->volumes[$slice] + $x * ($a + $x * ($b / 2 + $x * $c / 3)) / self::MM3_PER_LITRE;
    }

    /** Depth in mm at which $litres stand; clamped to floor and rim. Inverts volumeAt to 1e-6. */
    public function depthFor(float $litres): float
    {
        if ($litres <= 0.0) {
            return 0.0;
        }
        if ($litres >= $this->brim) {
            return $this->rim;
        }
        $i = 0;
        while ($this->volumes[$i + 1] < $litres) {
            $i++;
        }

        [$a, $b, $c] = $this->areas[$i];
        $wanted = ($litres - $this->volumes[$i]) * self::MM3_PER_LITRE;
        $foot = $this->stations[$i]->height;
        $low = 0.0;
        $high = $this->stations[$i + 1]->height - $foot;
        // From where it would be if the area went straight on from the foot: `a·x + b/2·x² = wanted`.
        $root = $a * $a + 2 * $b * $wanted;
        $x = $root > 0.0 ? 2 * $wanted / ($a + sqrt($root)) : $high;
        $x = $x > 0.0 && $x < $high ? $x : $high / 2;
        for ($step = 0; $step < self::MOST_STEPS; $step++) {
            $over = $x * ($a + $x * ($b / 2 + $x * $c / 3)) - $wanted;
            $area = $a + $x * ($b + $x * $c);
            if ($over > 0.0) {
                $high = $x;
            } else {
                $low = $x;
            }
            $next = $area > 0.0 ? $x - $over / $area : ($low + $high) / 2;
            $next = $next >= $low && $next <= $high ? $next : ($low + $high) / 2;
            if ($next - $x <= self::DEPTH_TOLERANCE_MM && $x - $next <= self::DEPTH_TOLERANCE_MM) {
                return $foot + $next;
            }
            $x = $next;
        }

        return $foot + $x;
    }

    /** The inside cross-section at a depth; at a step, the one above it. */
    public function sectionAt(float $depth): CrossSection
    {
        $i = $this->sliceAt(max(0.0, $depth));
        [$lower, $upper] = [$this->stations[$i], $this->stations[$i + 1]];
        $height = $upper->height - $lower->height;

        return $height <= 0.0 ? $upper->section : $lower->section->towards(
            $upper->section,
            max(0.0, min(1.0, ($depth - $lower->height) / $height)),
        );
    }

    /**
     * Area of the walls in m². Round slices are frustums; of a rounded rectangle the flat sides lean by half the change of
     * the other dimension and the corners are quarter cones.
     */
    public function lateralArea(): float
    {
        $area = 0.0;
        for ($i = 1; $i < count($this->stations); $i++) {
            [$a, $b] = [$this->stations[$i - 1]->section, $this->stations[$i]->section];
            if ($a->round !== $b->round) {
                continue;
            }
            $rise = $this->stations[$i]->height - $this->stations[$i - 1]->height;
            $leanLength = hypot($rise, ($b->length - $a->length) / 2);
            $leanWidth = hypot($rise, ($b->width - $a->width) / 2);
            $m = $a->towards($b, 0.5);
            $area += $a->round
                ? M_PI * $m->length * $leanLength
                : 2 * ($m->length - 2 * $m->cornerRadius) * $leanWidth + 2 * ($m->width - 2 * $m->cornerRadius) * $leanLength
                    + 2 * M_PI * $m->cornerRadius * ($leanLength + $leanWidth) / 2;
        }

        return $area / 1.0e6;
    }

    /** The longest inside dimension anywhere, in mm. */
    public function longest(): float
    {
        return max(0.0, ...array_map(static fn (Station $s): float => max($s->section->length, $s->section->width), $this->stations));
    }

    /** The same vessel with its areas multiplied by $scale (lengths by √scale, heights unchanged). */
    public function withAreasScaled(float $scale): self
    {
        return new self(
            array_map(static fn (Station $s): Station => new Station($s->height, $s->section->scaled(sqrt($scale))), $this->stations),
        );
    }

    /** The part of the vessel below a height: what is left when its top is cut off, or all of it where that is above the rim. */
    public function cutAt(float $height): self
    {
        if ($height <= 0.0 || $height >= $this->rim) {
            return $this;
        }
        $below = array_values(array_filter($this->stations, static fn (Station $s): bool => $s->height < $height));

        return new self([...$below, new Station($height, $this->sectionAt($height))]);
    }

    /** Index of the slice that holds a depth; at a shared height the upper slice. */
    private function sliceAt(float $depth): int
    {
        $last = count($this->stations) - 2;
        for ($i = 0; $i < $last; $i++) {
            if ($depth < $this->stations[$i + 1]->height) {
                return $i;
            }
        }

        return $last;
    }

    /**
     * What the area of a slice is, a + b·x + c·x²: that at its foot, its middle and its top lie on it.
     *
     * @return array{float, float, float}
     */
    private static function areas(CrossSection $lower, CrossSection $upper, float $height): array
    {
        if ($height <= 0.0) {
            return [0.0, 0.0, 0.0];
        }
        [$foot, $middle, $top] = [$lower->area(), $lower->towards($upper, 0.5)->area(), $upper->area()];

        return [$foot, (4 * $middle - 3 * $foot - $top) / $height, 2 * ($foot - 2 * $middle + $top) / $height ** 2];
    }

    /** Litres of a slice of the given height between two sections, exactly. */
    private static function slice(CrossSection $a, CrossSection $b, float $height): float
    {
        if ($height <= 0.0) {
            return 0.0;
        }

        return $height / 6 * ($a->area() + 4 * $a->towards($b, 0.5)->area() + $b->area()) / self::MM3_PER_LITRE;
    }
}
