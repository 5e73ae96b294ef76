<?php

declare(strict_types=1);

namespace KelpTub\Core\DryRun;

use KelpTub\Core\Season\Deeds;
use KelpTub\Core\Season\Found;
use KelpTub\Core\Season\Keeper;
use KelpTub\Core\Season\SeasonState;
use KelpTub\Core\Season\SeasonTub;

/**
 * Somebody who lives through a season: each evening what went wrong with the water comes over it, then what they decide is done, or, where
 * nobody decides, what the tub's habit does. What goes wrong with air and warmth is the season's own. Source: handbook, log (Dry run).
 */
final class Player implements Keeper
{
    /** † Green water takes so much of the feed in a day, and lifts the pH. */
    private const GREEN_EATS = 0.02;

    private const GREEN_LIFTS = 0.05;

    /** † Pebbles that were not rinsed lift the pH by so much on their first day, less each day until they are rinsed by time. */
    private const UNRINSED_LIFTS = 0.08;

    /** † What frozen bottles take from the water in an evening, °C; it is never cooled under this. */
    private const COOLS = 3.0;

    private const COOLED_TO = 12.0;

    private const MOST_PH = 9.0;

    /** @var array<int, Deeds> what the tub's habit would have done on each evening, where somebody decides */
    public array $advised = [];

    /**
     * @param  list<Mishap>  $mishaps
     * @param  array<int, list<Decision>>|null  $decisions  by day; null where the tub is kept by its habit
     * @param  array<string, int>  $until  the day on which a mishap of a kind was put right
     */
    public function __construct(private readonly array $mishaps, private readonly ?array $decisions, private readonly array $until)
    {
    }

    public function deeds(SeasonTub $tub, SeasonState $evening, bool $misses = false): Deeds
    {
        $day = $evening->day - 1;
        $found = $this->found($day, $evening);
        $state = $found?->of($evening) ?? $evening;
        $brim = $this->isOn(MishapKind::Brim, $day);
        $away = $this->isOn(MishapKind::MissedWeek, $day);
        if (isset($this->decisions[$day])) {
            $this->advised[$day] = $tub->policy->deeds($tub, $state, $misses);
        }
        $deeds = match (true) {
            $away => Deeds::none(),
            $this->decisions === null => $tub->policy->deeds($tub, $state, $misses),
            default => self::decided($this->decisions[$day] ?? [], $tub, $state),
        };
        if ($brim) {
            // Plain water, before anybody else comes to top up.
            $deeds = new Deeds(...[
                ...get_object_vars($deeds),
                'topUp' => max(0.0, $tub->brim - $state->volume),
                'topUpShare' => 0.0,
                'topUpEc' => null,
            ]);
        }
        $after = $found === null ? $deeds->found : ($deeds->found === null ? $found : $found->then($deeds->found));

        return $after === $deeds->found ? $deeds : new Deeds(...[...get_object_vars($deeds), 'found' => $after]);
    }

    /** What went wrong with the water by the evening; null where nothing did. */
    private function found(int $day, SeasonState $evening): ?Found
    {
        [$ec, $ph] = [$evening->ec(), $evening->ph];
        $is = [$ec, $ph];
        foreach ($this->mishaps as $mishap) {
            if (! $mishap->goesOn($day, $this->until)) {
                continue;
            }
            [$ec, $ph] = match ($mishap->kind) {
                MishapKind::LightLeak => [$ec === null ? null : $ec * (1 - self::GREEN_EATS), self::lifted($ph, self::GREEN_LIFTS)],
                MishapKind::Unrinsed => [$ec, self::lifted($ph, self::UNRINSED_LIFTS * (1 - ($day - $mishap->day) / $mishap->days))],
                MishapKind::Visitor => [$ec === null ? null : $ec + $mishap->amount, $ph],
                default => [$ec, $ph],
            };
        }

        return [$ec, $ph] === $is ? null : new Found(ec: $ec, ph: $ph);
    }

    private static function lifted(?float $ph, float $by): ?float
    {
        return $ph === null ? null : min(self::MOST_PH, $ph + $by);
    }

    private function isOn(MishapKind $kind, int $day): bool
    {
        foreach ($this->mishaps as $mishap) {
            if ($mishap->kind === $kind && $mishap->goesOn($day, $this->until)) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<Decision>  $decisions  of one evening */
    private static function decided(array $decisions, SeasonTub $tub, SeasonState $evening): Deeds
    {
        $change = false;
        [$litres, $salt, $stronger, $found] = [0.0, null, 0.0, null];
        foreach ($decisions as $decision) {
            switch ($decision->act) {
                case Act::Change:
                    $change = true;
                    break;
                case Act::TopUp:
                    // Two top-ups of one evening are mixed.
                    $ec = $decision->ec ?? $tub->mixing->topUpEc($evening->stage, $tub->policy->strength->share());
                    $salt = $ec === null || ($litres > 0.0 && $salt === null) ? null : ($salt ?? 0.0) + $ec * (float) $decision->litres;
                    $litres += (float) $decision->litres;
                    break;
                case Act::Strengthen:
                    $wanted = $decision->ec ?? $tub->mixing->target?->at($evening->stage);
                    $ec = $evening->ec();
                    $stronger = $wanted === null || $ec === null ? 0.0 : max(0.0, $wanted - $ec);
                    break;
                case Act::Ph:
                    $found = ($found ?? new Found)->then(new Found(ph: $decision->ph));
                    break;
                case Act::Cool:
                    $cooled = max(min($evening->water, self::COOLED_TO), $evening->water - self::COOLS);
                    $found = ($found ?? new Found)->then(new Found(celsius: $cooled));
                    break;
                default:
            }
        }

        return new Deeds(
            change: $change,
            stronger: $change ? 0.0 : $stronger,
            topUp: $change ? 0.0 : $litres,
            topUpEc: $change || $litres <= 0.0 || $salt === null ? null : $salt / $litres,
            found: $found,
        );
    }
}
