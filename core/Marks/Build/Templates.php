<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Build\Layer;
use KelpTub\Core\Build\Sheet;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Setting;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Units\Unit;

/**
 * What of a tub is drawn at 1 : 1 to be laid on it: lid, adapter or raft with its holes; marks of the wall; a gauge for its water; a wrap
 * of a round lid's angles; a collar for cuttings. Source: handbook, build, "Drawings at 1 : 1".
 */
final readonly class Templates
{
    /** Width of a strip, mm. */
    private const STRIP_MM = 25.0;

    /** Room beside a gauge for the names of its marks, mm. */
    private const BESIDE_MM = 20.0;

    /** Depths at which a gauge has a line, and a figure at every second, mm. */
    private const STEP_MM = 10.0;

    /** Room for what is written under a collar, mm. */
    private const COLLAR_WORDS_MM = 52.0;

    private const COLLAR_WORDS_DOWN_MM = 6.0;

    private const INCH_MM = 25.4;

    /** What US figures on a gauge are in: the first unit of which a vessel holds so many litres or more, and its decimals. */
    private const US_UNITS = [
        [8.0, 'US gal', Unit::L_PER_US_GALLON, 1],
        [2.0, 'qt', Unit::L_PER_US_QUART, 1],
        [0.0, 'fl oz', Unit::L_PER_US_GALLON / 128, 0],
    ];

    /** The same of the metric side. */
    private const METRIC_UNITS = [[2.0, 'L', 1.0, 1], [0.0, 'mL', 0.001, 0]];

    /** † a tube through a lid stays this far inside the rim. */
    private const TUBE_INSIDE_MM = 15.0;

    /** Outside of the tube of a tub that is on no pump yet. */
    private const USUAL_TUBE_MM = 6.0;

    /** A hole in a board for topping up, wide enough for a funnel. */
    public const REFILL_MM = 30.0;

    private QuantityWriter $write;

    private TubPlan $plan;

    public function __construct(private FeedPlan $fed, private Garden $garden)
    {
        $this->plan = $fed->tub;
        $this->write = new QuantityWriter($garden->units);
    }

    /** @return non-empty-array<string, Sheet> all that this tub has, by what they are */
    public function all(): array
    {
        $cutting = $this->plan->cutting;
        $sheets = [];
        if (! $cutting->inMouth) {
            $what = match (true) {
                $cutting->raft !== null => 'raft',
                $cutting->adapter => 'adapter',
                default => 'lid',
            };
            $sheets[$what] = $this->lid($what);
        }
        $sheets['wall'] = $this->wall();
        $sheets['gauge'] = $this->gauge();
        $lid = $cutting->lid->outline;
        if (! $cutting->inMouth && $lid->round && $this->plan->holes->count() > 0 && ! $this->plan->holes->isOneInTheMiddle()) {
            $sheets['wrap'] = $this->wrap();
        }
        if ($this->plan->tub->system === GrowingSystem::Cloner && $this->plan->tub->water->cloner->collar) {
            $sheets['collar'] = $this->collar();
        }

        return $sheets;
    }

    /** The lid with its holes, or the disc or board in its place. */
    private function lid(string $what): Sheet
    {
        $outline = $this->plan->cutting->lid->outline;
        [$x, $y] = [$outline->length / 2, $outline->width / 2];
        $name = ['lid' => 'Lid from above', 'adapter' => 'Adapter disc', 'raft' => 'Raft board'][$what];
        $sheet = new Sheet($what, $this->titled($name), new Point(-$x, -$y), new Point($x, $y));
        $sheet->section(Layer::Outline, $outline);
        $mouth = $this->plan->tub->body->vessel->profile->mouth();
        if ($what === 'lid' && $mouth->length <= $outline->length && $mouth->width <= $outline->width) {
            $sheet->section(Layer::Outline, $mouth, dashed: true);
        }
        foreach ($this->plan->holes->arrangement->points as $i => $point) {
            $size = $this->plan->cutting->sizes[$this->plan->holes->cupAt[$i]];
            $sheet->circle(Layer::Holes, $point, $size->seat->hole);
            $sheet->cross(Layer::Centres, $point);
            $pilot = $size->saw === null || $this->plan->cutting->isCutByKnife() ? '' : ', saw '.$size->saw->name();
            $sheet->label(new Point($point->x + 2.0, $point->y + 2.0), (string) ($i + 1), 5.0);
            $sheet->label(
                new Point($point->x - $size->seat->hole / 2 + 3.0, $point->y - 8.0),
                'Ø '.$this->write->fine($size->seat->hole).$pilot,
                2.5,
            );
        }
        foreach ($what === 'lid' ? $this->plan->cutting->lid->keepOuts : [] as $keepOut) {
            $sheet->section(Layer::KeepOuts, $keepOut->section, new Point($keepOut->x, $keepOut->y));
        }
        $isTubed = $this->plan->tub->water->stones !== null && $this->plan->tub->body->tubeThroughLid;
        [$name, $hole] = match (true) {
            $what === 'raft' => ['refill', self::REFILL_MM],
            $isTubed => ['tube', $this->tubeHole()],
            default => ['', 0.0],
        };
        if ($hole > 0.0) {
            $at = $this->tube();
            $sheet->circle(Layer::Tube, $at, $hole);
            $sheet->cross(Layer::Tube, $at);
            $sheet->label(new Point($at->x + 5.0, $at->y + 5.0), "$name Ø ".$this->write->fine($hole), 2.5);
        }

        return $sheet;
    }

    /**
     * Where a tube goes through the lid, or a board has its refill hole: inside the rim, or the board's edge, where it is farthest from the
     * holes; of places alike the one nearest the left.
     */
    public function tube(): Point
    {
        $raft = $this->plan->cutting->raft;
        $mouth = $raft->board ?? $this->plan->tub->body->vessel->profile->mouth();
        $inside = match (true) {
            $raft !== null => self::TUBE_INSIDE_MM + self::REFILL_MM / 2,
            // Between a jar's mouth and the cup's lip there is little room: as far out as the tube still goes down inside.
            $this->plan->cutting->adapter => $this->tubeHole() / 2,
            default => self::TUBE_INSIDE_MM,
        };
        $best = new Point(-$mouth->length / 2 + $inside, 0.0);
        $most = -INF;
        for ($k = 0; $k < 72; $k++) {
            $a = M_PI - 2 * M_PI * $k / 72;
            [$dx, $dy] = [cos($a), sin($a)];
            [$hx, $hy] = [$mouth->length / 2 - $inside, $mouth->width / 2 - $inside];
            $reach = $mouth->round ? $hx : min($dx === 0.0 ? INF : $hx / abs($dx), $dy === 0.0 ? INF : $hy / abs($dy));
            // Corners are rounded: a place there stays inside by the corner's own middle.
            $reach = $mouth->round ? $reach : min($reach, hypot($hx, $hy) - $mouth->cornerRadius * (M_SQRT2 - 1));
            $at = new Point($reach * $dx, $reach * $dy);
            $clear = INF;
            foreach ($this->plan->holes->arrangement->points as $i => $hole) {
                $clear = min($clear, $at->distanceTo($hole) - $this->plan->cutting->sizes[$this->plan->holes->cupAt[$i]]->seat->hole / 2);
            }
            foreach ($this->plan->cutting->lid->keepOuts as $keepOut) {
                $clear = min($clear, $keepOut->distanceTo($at->x, $at->y));
            }
            if ($clear > $most + 1.0e-6) {
                [$best, $most] = [$at, $clear];
            }
        }

        return $best;
    }

    /** Whether the air tube finds room between a board and the walls. */
    public function isTubeBesideBoard(): bool
    {
        return ($this->plan->cutting->raft->gap ?? 0.0) >= $this->tubeOuter() + TubeRoute::HOLE_OVER_MM;
    }

    public function tubeHole(): float
    {
        return ceil($this->tubeOuter() + TubeRoute::HOLE_OVER_MM);
    }

    private function tubeOuter(): float
    {
        $outer = self::USUAL_TUBE_MM;
        foreach ($this->garden->of(AirSystems::class)->systems as $system) {
            foreach ($system->branches as $branch) {
                $outer = $branch->tub === $this->plan->tub->id ? $system->tube->outer : $outer;
            }
        }

        return $outer;
    }

    /** Heights to hold against the outside, measured along the wall from what the tub stands on. */
    private function wall(): Sheet
    {
        $rim = $this->plan->tub->body->vessel->profile->rim();
        $rim = max($this->slant($rim), $this->slant($rim, front: true));
        $sheet = new Sheet(
            'wall',
            $this->titled('Marks of the wall, from the foot up'),
            new Point(0.0, 0.0),
            new Point(self::STRIP_MM, $rim),
        );
        $this->strip($sheet, $rim);
        foreach ($this->heights() as $name => $height) {
            $at = $this->along($name, $height);
            $layer = $name === 'tube hole' ? Layer::Tube : Layer::Centres;
            $sheet->line($layer, 0.0, $at, self::STRIP_MM, $at);
            $sheet->label(new Point(1.5, $at + 0.8), $name, 2.5);
            $sheet->label(new Point(1.5, $at - 3.2), $this->write->length($at), 2.5);
        }

        return $sheet;
    }

    /** @return array<string, float> heights above the inside floor that are marked on the wall, mm */
    public function heights(): array
    {
        $tub = $this->plan->tub;
        $line = $this->plan->water->line;
        $heights = ['water line' => $line->held ?? $line->grown];
        if ($line->start > $heights['water line'] + 0.5) {
            $heights['first fill'] = $line->start;
        }
        if ($tub->water->stones !== null && ! $tub->body->tubeThroughLid) {
            $heights['tube hole'] = $this->plan->fittings->tubeEntry;
        }
        $overflow = $this->garden->site->setting === Setting::Open ? $line->overflow() : null;
        if ($overflow !== null) {
            $heights['overflow'] = $overflow;
        }
        if ($tub->system === GrowingSystem::Passive && $tub->body->vessel->opacity->needsCover()) {
            $heights['sight strip from'] = $this->plan->water->lowest();
        }

        return $heights;
    }

    /** How far up its wall a mark of heights() lies, mm: the tube goes in, and rain out, at an end; the rest is marked at the front. */
    public function along(string $mark, float $height): float
    {
        return $this->slant($height, ! in_array($mark, ['tube hole', 'overflow'], true));
    }

    /**
     * How far up the outside a height above the inside floor lies, mm: the floor's thickness, then along the wall, which slants where the
     * vessel widens.
     *
     * @param  bool  $front  up the front wall, which leans by the width, or up an end, which leans by the length
     */
    public function slant(float $height, bool $front = false): float
    {
        $body = $this->plan->tub->body;
        $profile = $body->vessel->profile;
        $along = $body->vessel->floor;
        $below = null;
        foreach ($profile->stations as $station) {
            if ($below !== null && $height > $below->height) {
                $up = min($height, $station->height) - $below->height;
                $out = ($front
                    ? $station->section->width - $below->section->width
                    : $station->section->length - $below->section->length) / 2;
                $share = $station->height > $below->height ? $up / ($station->height - $below->height) : 1.0;
                $along += hypot($up, $out * $share);
            }
            $below = $station;
        }

        return $along + ($below !== null && $height > $below->height ? $height - $below->height : 0.0);
    }

    /**
     * Of some units the one for a vessel of so many litres.
     *
     * @param  non-empty-list<array{float, string, float, int}>  $units  from how many litres on, name, litres of one, decimals
     * @return array{float, string, float, int}
     */
    private static function unitFor(array $units, float $litres): array
    {
        foreach ($units as $unit) {
            if ($litres >= $unit[0]) {
                return $unit;
            }
        }

        return $units[count($units) - 1];
    }

    /** A stick to stand in the water: litres by depth on one side and US measures on the other, finer ones of small vessels. */
    private function gauge(): Sheet
    {
        $profile = $this->plan->tub->body->vessel->profile;
        $rim = $profile->rim();
        $sheet = new Sheet(
            'gauge',
            $this->titled('Stick gauge, foot on the floor'),
            new Point(0.0, 0.0),
            new Point(self::STRIP_MM + self::BESIDE_MM, $rim),
        );
        $this->strip($sheet, $rim);
        $reservoir = $this->plan->water->reservoir;
        $whole = $reservoir->litresAt($rim);
        [, $unit, $size, $decimals] = self::unitFor(self::METRIC_UNITS, $whole);
        [, $usUnit, $usSize, $usDecimals] = self::unitFor(self::US_UNITS, $whole);
        for ($n = 1; $n * self::STEP_MM < $rim; $n++) {
            $depth = $n * self::STEP_MM;
            $figure = $n % 2 === 0;
            $sheet->line(Layer::Centres, 0.0, $depth, $figure ? 4.0 : 2.5, $depth);
            if ($figure) {
                $sheet->label(new Point(4.5, $depth - 1.0), number_format($reservoir->litresAt($depth) / $size, $decimals, '.', ''), 2.2);
            }
        }
        for ($n = 1; $n * self::INCH_MM < $rim; $n++) {
            $depth = $n * self::INCH_MM;
            $sheet->line(Layer::Centres, self::STRIP_MM, $depth, self::STRIP_MM - 3.0, $depth);
            $sheet->label(
                new Point(self::STRIP_MM - 10.0, $depth - 1.0),
                number_format($reservoir->litresAt($depth) / $usSize, $usDecimals, '.', ''),
                2.2,
            );
        }
        $sheet->label(new Point(4.5, 2.5), $unit, 2.5);
        $sheet->label(new Point(self::STRIP_MM - 11.0, 2.5), $usUnit, 2.0);
        $line = $this->plan->water->line;
        $marks = ['water line' => $line->held ?? $line->grown, 'lowest' => $this->plan->water->lowest()];
        if ($line->start > $marks['water line'] + 0.5) {
            $marks['first fill'] = $line->start;
        }
        $run = $this->plan->tub->system === GrowingSystem::Passive ? $this->fed->run() : null;
        $halfWay = $run?->halfWay();
        $half = $run === null || $halfWay === null ? null : $run->levelAt($halfWay);
        if ($half !== null) {
            $marks['half-way'] = $half;
        }
        foreach ($marks as $name => $depth) {
            $sheet->line(Layer::Holes, 0.0, $depth, self::STRIP_MM, $depth);
            $sheet->label(new Point(self::STRIP_MM + 1.5, $depth - 1.0), $name, 2.5);
        }

        return $sheet;
    }

    /**
     * A strip as long as the round lid's edge, with a line for each hole's angle: held round the lid, from the right and counter-clockwise.
     */
    private function wrap(): Sheet
    {
        $girth = $this->plan->cutting->lid->outline->perimeter();
        $sheet = new Sheet(
            'wrap',
            $this->titled('Wrap round the lid, ends together'),
            new Point(0.0, 0.0),
            new Point($girth, self::STRIP_MM),
        );
        foreach ([
            [0.0, 0.0, $girth, 0.0],
            [0.0, self::STRIP_MM, $girth, self::STRIP_MM],
            [0.0, 0.0, 0.0, self::STRIP_MM],
            [$girth, 0.0, $girth, self::STRIP_MM],
        ] as $side) {
            $sheet->line(Layer::Outline, ...$side);
        }
        foreach ($this->plan->holes->arrangement->points as $i => $point) {
            if (hypot($point->x, $point->y) < 1.0e-6) {
                continue;
            }
            $angle = fmod(rad2deg(atan2($point->y, $point->x)) + 360.0, 360.0);
            $at = $girth * $angle / 360.0;
            $sheet->line(Layer::Centres, $at, 0.0, $at, 12.0);
            $sheet->label(new Point($at + 1.0, 13.0), (string) ($i + 1), 4.0);
        }

        return $sheet;
    }

    /** A disc of foam as wide as its cup's top, slit to the middle, where the stem goes. */
    private function collar(): Sheet
    {
        $cup = $this->plan->tub->holes->cup;
        $r = $cup->top / 2;
        $count = $this->plan->holes->count() * $this->plan->tub->count;
        // Room for its words, which are longer than a small disc is wide.
        $half = max($r, self::COLLAR_WORDS_MM / 2);
        $sheet = new Sheet(
            'collar',
            $this->titled("Collar of foam, $count of them"),
            new Point(-$half, -$r - self::COLLAR_WORDS_DOWN_MM),
            new Point($half, $r),
        );
        $sheet->circle(Layer::Outline, new Point(0.0, 0.0), $cup->top);
        $sheet->cross(Layer::Centres, new Point(0.0, 0.0));
        $sheet->line(Layer::Holes, 0.0, 0.0, $r, 0.0);
        $sheet->label(
            new Point(-$half, -$r - self::COLLAR_WORDS_DOWN_MM + 1.0),
            'Ø '.$this->write->fine($cup->top).', slit to the middle',
            2.5,
        );

        return $sheet;
    }

    private function strip(Sheet $sheet, float $height): void
    {
        $sides = [
            [0.0, 0.0, self::STRIP_MM, 0.0], [self::STRIP_MM, 0.0, self::STRIP_MM, $height],
            [self::STRIP_MM, $height, 0.0, $height], [0.0, $height, 0.0, 0.0],
        ];
        foreach ($sides as $side) {
            $sheet->line(Layer::Outline, ...$side);
        }
    }

    private function titled(string $what): string
    {
        return "{$this->plan->tub->name}: $what";
    }
}
