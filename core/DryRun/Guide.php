<?php

declare(strict_types=1);

namespace KelpTub\Core\DryRun;

use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Log\SignDiagnosis;
use KelpTub\Core\Log\WaterDiagnosis;
use KelpTub\Core\Season\SeasonTub;
use stdClass;

/**
 * What to look at on an evening, and why: said to somebody who grows for the first time, by what they can read and nothing else. Source:
 * handbook, log (Dry run, teaching; diagnosis); thresholds as there, those marked † are estimates.
 */
final readonly class Guide
{
    private const MOST = 3;

    /** † salt that has climbed, or fallen, by so much of what is wanted. */
    private const SALT = [0.6, 1.3];

    /** † a seed that did not come up is spoken of until then. */
    private const SEEDS_DAYS = 20;

    /** † on so many first evenings seedlings' roots are looked after. */
    private const SHORT_ROOTS_DAYS = 4;

    /**
     * @param  stdClass  $seen  what is read on the evening
     * @param  float|null  $wanted  EC that it is fed at then
     * @param  stdClass|null  $next  what the forecast has next
     * @return list<string>
     */
    public static function of(stdClass $seen, SeasonTub $tub, ?float $wanted, ?stdClass $next): array
    {
        $gap = $tub->gapAt((float) $seen->level_mm);
        $isStill = $tub->system === GrowingSystem::Passive;
        $says = array_filter([
            $seen->dead ? 'They are dead. Go on to the end to read what did it, or go back to a day before.' : null,
            $seen->bubbles === 'none'
                ? 'No bubbles. Power, pump, valve, tube, in this order: roots live without air for hours, not days.' : null,
            $seen->bubbles === 'few' ? 'Fewer bubbles than on the first day. Clean the stone; if that is not it, the pump is tired.' : null,
            $seen->leaves === 'wilting' && $seen->bubbles !== 'none' ? self::hanging($gap, $isStill) : null,
            $seen->leaves === 'pale' ? 'The leaves are pale: they eat too little, or cannot. Read the pH first, then the EC.' : null,
            $seen->missing > 0 && $seen->day < self::SEEDS_DAYS ? self::missing($seen->missing) : null,
            $seen->green ? 'Green water: light gets in. It eats the feed and lifts the pH. Cover what lets it in.' : null,
            $seen->ph !== null && $seen->ph > SignDiagnosis::LOCKS_HIGH
                ? "pH $seen->ph: iron is locked up. Bring it to 6, a little at a time." : null,
            $seen->ph !== null && $seen->ph < SignDiagnosis::LOCKS_LOW
                ? "pH $seen->ph: calcium and magnesium are locked up. Bring it to 6." : null,
            self::salt($seen->ec_ms_cm, $wanted),
            $seen->tips && $seen->ec_ms_cm === null
                ? 'Tips of leaves are burnt: the water may be too strong. Change it, or top up with plain water.' : null,
            $seen->water_c > WaterDiagnosis::WARM_ROOTS_C
                ? 'The water is warm: it holds less air, and rot likes it. Shade it, or put frozen bottles in.' : null,
            $seen->day < self::SHORT_ROOTS_DAYS && $seen->level_mm > 0
                ? 'Roots are short yet: water that touches the foot of the cups is what they need now.' : null,
            $isStill && $gap > 0 && $seen->day >= self::SHORT_ROOTS_DAYS
                ? 'Between cups and water roots breathe. That gap is theirs now: do not fill it up again.' : null,
            $next !== null && $next->day <= $seen->day && $next->do === Act::TopUp->value
                ? 'By the forecast it is topped up tonight. Read the stick, then decide: these plants may drink more, or less.' : null,
            $next !== null && $next->day <= $seen->day && $next->do === Act::Change->value
                ? 'By the forecast all of the water is changed tonight: what plants leave behind goes with it.' : null,
        ]);

        return $says === [] ? ['All looks as it should. Read the stick, and go on.'] : array_slice(array_values($says), 0, self::MOST);
    }

    private static function missing(int $many): string
    {
        return ($many === 1 ? 'In one cup' : "In $many cups")
            .' nothing has come up, and nothing will. Sow two to a cup next time; the others have more room.';
    }

    private static function hanging(float $gap, bool $isStill): string
    {
        return match (true) {
            $gap <= 0.0 && $isStill => 'They hang though they stand in water: roots that lived in air have drowned. Let the water down.',
            $gap <= 0.0 => 'They hang though there is water at their roots: is there air in it, and is it cool?',
            default => 'They hang. Is there water where the roots end?',
        };
    }

    private static function salt(?float $ec, ?float $wanted): ?string
    {
        return match (true) {
            $ec === null || $wanted === null => null,
            $ec > self::SALT[1] * $wanted => "EC $ec climbs: they drink more than they eat. Top up with plain water.",
            $ec < self::SALT[0] * $wanted => "EC $ec is thin. Feed with the next top-up, or stir some in.",
            default => null,
        };
    }
}
