<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Geometry\RoundedBox;
use KelpTub\Core\Numbers\Crossing;
use KelpTub\Core\Vessel\Profile;

/**
 * A board of foam that floats in a vessel and carries its cups, cut to the walls with a gap all round. Lengths in mm, mass in kg.
 *
 * It follows the water down until the walls, which taper inwards, are no wider than the board. Source: handbook, rules sections 2 to 4.
 */
final readonly class Raft
{
    public const DEFAULT_THICKNESS_MM = 50.0;

    public const DEFAULT_GAP_MM = 5.0;

    /** † rigid foam board, kg per litre; between 0.02 and 0.04. */
    public const FOAM_KG_PER_L = 0.03;

    private const TOLERANCE_MM = 1.0e-7;

    /**
     * @param  float  $line  water line at which it was cut
     * @param  float  $jamLevel  water level at which it comes to hang in the walls; 0 where it never does
     */
    private function __construct(
        public CrossSection $board,
        public float $thickness,
        public float $gap,
        public float $line,
        public float $jamLevel,
    ) {
    }

    /** Null where the gap leaves no board. */
    public static function cut(Profile $profile, float $line, float $thickness, float $gap): ?self
    {
        $at = $profile->sectionAt($line);
        if (min($at->length, $at->width) <= 2 * $gap) {
            return null;
        }
        $board = $at->round
            ? CrossSection::circle($at->length - 2 * $gap)
            : CrossSection::rectangle($at->length - 2 * $gap, $at->width - 2 * $gap, max(0.0, $at->cornerRadius - $gap));

        return new self($board, $thickness, $gap, $line, self::jam($profile, $board, $line));
    }

    /** The narrowest place over the water that the board does not pass on its way in; null where it passes all the way. */
    public function stuckAt(Profile $profile): ?CrossSection
    {
        $narrowest = null;
        foreach ($profile->stations as $station) {
            if (
                $station->height > $this->line
                && ! RoundedBox::of($station->section)->contains(RoundedBox::of($this->board))
                && ($narrowest === null || $station->section->area() < $narrowest->area())
            ) {
                $narrowest = $station->section;
            }
        }

        return $narrowest;
    }

    /** How far it goes down with the water before it jams. */
    public function travel(): float
    {
        return $this->line - $this->jamLevel;
    }

    /** How deep it sits in the water under a load, holes cut out. */
    public function draught(float $loadKg, float $holesMm2): float
    {
        $area = ($this->board->area() - $holesMm2) / 1.0e6;

        return $area <= 0.0 ? INF : $loadKg / $area + self::FOAM_KG_PER_L * $this->thickness;
    }

    /** How far cups that hang so far down from its upper face dip into the water at a draught; negative where they hang clear of it. */
    public function dip(float $hang, float $draught): float
    {
        return $hang - $this->thickness + $draught;
    }

    /** The load under which it would go under, kg. */
    public function carries(float $holesMm2): float
    {
        return max(0.0, ($this->board->area() - $holesMm2) / 1.0e6) * $this->thickness * (1 - self::FOAM_KG_PER_L);
    }

    /** The highest level below the line at which the walls stop the board. */
    private static function jam(Profile $profile, CrossSection $board, float $line): float
    {
        $box = RoundedBox::of($board);
        $lacks = static fn (float $level): float => -RoundedBox::of($profile->sectionAt($level))->roomFor($box);
        $above = $line;
        foreach (array_reverse($profile->stations) as $station) {
            // Just above a station, and just below it: at a step the narrower section is the lower one.
            foreach ($station->height < $line ? [$station->height, $station->height - self::TOLERANCE_MM] : [] as $look) {
                if ($look >= 0.0 && $lacks($look) > 0.0) {
                    return Crossing::of($lacks, $look, $above, self::TOLERANCE_MM);
                }
            }
            $above = min($above, $station->height);
        }

        return 0.0;
    }
}
