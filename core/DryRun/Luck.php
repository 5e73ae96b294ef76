<?php

declare(strict_types=1);

namespace KelpTub\Core\DryRun;

use KelpTub\Core\Season\SeasonTub;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * What a seed hides: how thirsty and how hungry the plants really are, and what goes wrong when. The same seed gives the same on every
 * machine: chance is drawn in whole numbers. Source: handbook, log (Dry run); figures are estimates †.
 */
final readonly class Luck
{
    public const MOST_SEED = 4_294_967_295;

    /** Thirst and appetite, in hundredths of what is forecast. */
    private const HIDDEN = [80, 125];

    private const MOST_MISHAPS = 3;

    /** Nothing happens before, but for what is there from the start. */
    private const QUIET_DAYS = 4;

    /** What comes so late changes nothing any more. */
    private const LAST_DAYS = 3;

    /** Seeds that do not come up, at most. */
    private const MOST_MISSING = 2;

    private const ALL_DAYS = 1000;

    private const HOURS_A_DAY = 24;

    /** @param  list<Mishap>  $mishaps  by day */
    public function __construct(public float $thirst = 1.0, public float $appetite = 1.0, public array $mishaps = [], public int $seed = 0)
    {
    }

    /** @param  float  $lastDay  of the season as it is planned */
    public static function of(int $seed, SeasonTub $tub, float $lastDay): self
    {
        $chance = new Randomizer(new Mt19937($seed));
        $thirst = $chance->getInt(...self::HIDDEN) / 100;
        $appetite = $chance->getInt(...self::HIDDEN) / 100;
        $kinds = MishapKind::of($tub->system, $tub->breath !== null, self::sown($tub) !== null);
        $mishaps = [];
        $last = max(self::QUIET_DAYS + 1, (int) floor($lastDay) - self::LAST_DAYS);
        for ($many = $chance->getInt(1, self::MOST_MISHAPS); $many > 0; $many--) {
            $kind = array_splice($kinds, $chance->getInt(0, count($kinds) - 1), 1)[0];
            $mishaps[] = self::mishap($kind, $chance->getInt(self::QUIET_DAYS, $last), $chance);
        }
        usort($mishaps, static fn (Mishap $a, Mishap $b): int => [$a->day, $a->kind->value] <=> [$b->day, $b->kind->value]);

        return new self($thirst, $appetite, $mishaps, $seed);
    }

    /** The first stand that is sown in the tub with several plants; null where there is none. */
    public static function sown(SeasonTub $tub): ?int
    {
        foreach ($tub->stands as $i => $stand) {
            if ($stand->isSownHere() && $stand->plants > 1) {
                return $i;
            }
        }

        return null;
    }

    private static function mishap(MishapKind $kind, int $day, Randomizer $chance): Mishap
    {
        return match ($kind) {
            MishapKind::HeatWave => new Mishap($kind, $day, $chance->getInt(3, 7), (float) $chance->getInt(6, 12)),
            MishapKind::PowerCut => self::powerCut($day, $chance->getInt(2, 30)),
            MishapKind::ValveShut => new Mishap($kind, $day),
            MishapKind::Diaphragm, MishapKind::CloggedStone => new Mishap($kind, $day, amount: $chance->getInt(20, 60) / 100),
            MishapKind::Visitor => new Mishap($kind, $day, 1, $chance->getInt(12, 20) / 10),
            MishapKind::MissedWeek => new Mishap($kind, $day, 7),
            MishapKind::Unrinsed => new Mishap($kind, 0, 21),
            MishapKind::Brim => new Mishap($kind, $day, 1),
            MishapKind::LightLeak => new Mishap($kind, $day),
            MishapKind::NotUp => new Mishap($kind, 0, self::ALL_DAYS, (float) $chance->getInt(1, self::MOST_MISSING)),
        };
    }

    /** One over midnight goes on on the next day. */
    private static function powerCut(int $day, int $hours): Mishap
    {
        return new Mishap(MishapKind::PowerCut, $day, (int) ceil($hours / self::HOURS_A_DAY), (float) $hours);
    }
}
