<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use InvalidArgumentException;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\LineChoice;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Season\ChangeSchool;
use KelpTub\Core\Season\TopUpStrength;
use stdClass;

/** One way to run a tub through its season: what of its policy is other than in the garden, and what happens in it. */
final readonly class SeasonAsk
{
    /** What may be said of a policy, with the tub's key in the garden file. */
    private const KEYS = [
        'top_ups' => 'top_ups',
        'strength' => 'top_up_strength',
        'change' => 'reservoir_change',
        'water_line' => 'water_line',
        'method' => 'system',
        'density' => 'density',
        'strengthen' => 'strengthening',
    ];

    /**
     * @param  array<string, string>  $policy  by its keys: `top_ups`, `strength`, `change`, `water_line`, `method`, `density`,
     *                                         `strengthen`
     * @param  list<string>  $whatIfs  as they are written: `heat@20x3+8`
     * @param  array{int, int}|null  $leave  the first day without a visit, and for how many days nobody comes
     */
    public function __construct(public array $policy = [], public array $whatIfs = [], public ?array $leave = null)
    {
    }

    /**
     * `30x9` taken apart: from day 30 on nine days away.
     *
     * @return array{int, int}
     *
     * @throws InvalidArgumentException when it does not read so
     */
    public static function leaveOf(string $text): array
    {
        if (preg_match('/^(\d{1,4})x(\d{1,4})$/', trim($text), $m) !== 1 || (int) $m[2] < 1) {
            throw new InvalidArgumentException("\"$text\" is no absence; write the first day and for how many, as in 30x9");
        }

        return [(int) $m[1], (int) $m[2]];
    }

    /**
     * `top_ups=quarter,change=never` taken apart.
     *
     * @return array<string, string>
     *
     * @throws InvalidArgumentException when it does not read so
     */
    public static function policyOf(string $text): array
    {
        $policy = [];
        foreach (array_filter(array_map(trim(...), explode(',', $text)), static fn (string $pair): bool => $pair !== '') as $pair) {
            [$key, $value] = array_map(trim(...), explode('=', "$pair="));
            if ($value === '') {
                throw new InvalidArgumentException("\"$pair\" is no policy; write top_ups=quarter,change=never");
            }
            $policy[$key] = $value;
        }

        return $policy;
    }

    /**
     * @return list<stdClass> what it changes of the garden
     *
     * @throws InvalidArgumentException when it names what there is not
     */
    public function patch(Tub $tub, PatchMaker $patch): array
    {
        $all = [];
        foreach ($this->policy as $key => $value) {
            // A name of digits alone comes as a number.
            $may = self::values((string) $key);
            if ($may === null) {
                throw new InvalidArgumentException("\"$key\" is nothing of a policy; it has ".implode(', ', array_keys(self::KEYS)));
            }
            if (! in_array($value, $may, true)) {
                throw new InvalidArgumentException("$key is \"$value\"; it is one of ".implode(', ', $may));
            }
            $all = [...$all, ...$patch->set($tub->pointer('/'.self::KEYS[$key]), $key === 'strengthen' ? $value === 'yes' : $value)];
        }

        return $all;
    }

    /** @return list<string>|null */
    private static function values(string $key): ?array
    {
        if ($key === 'strengthen') {
            return ['yes', 'no'];
        }
        $cases = match ($key) {
            'top_ups' => TopUps::cases(),
            'strength' => TopUpStrength::cases(),
            'change' => ChangeSchool::cases(),
            'water_line' => LineChoice::cases(),
            'method' => GrowingSystem::cases(),
            'density' => Density::cases(),
            default => null,
        };

        return $cases === null ? null : array_column($cases, 'value');
    }
}
