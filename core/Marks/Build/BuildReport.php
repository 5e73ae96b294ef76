<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Build\Caution;
use KelpTub\Core\Build\Step;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Tub;
use stdClass;

/** A tub's build sheet as it is answered: its steps with what is done of them for one copy, the time they take, and its templates. */
final class BuildReport
{
    public static function of(Plan $plan, Tub $tub, int $copy = 1): stdClass
    {
        $record = $plan->garden->of(BuildRecords::class)->of($tub->id, $copy);
        $sheet = BuildSheet::of($plan, $tub);
        $heights = $sheet->templates->heights();

        return (object) [
            'tub' => $tub->id,
            'name' => $tub->name,
            'count' => $tub->count,
            'copy' => $copy,
            'minutes' => $sheet->minutes(),
            'done' => count(array_filter($sheet->steps, static fn (Step $s): bool => $record?->ticked($s) !== null)),
            'sowing' => $sheet->raising->drawn(),
            'days' => $sheet->days->toReport(),
            'templates' => array_keys($sheet->templates->all()),
            'wall' => array_map(
                static fn (string $name, float $height): stdClass => (object) [
                    'name' => $name,
                    'height_mm' => $height,
                    'along_mm' => $sheet->templates->along($name, $height),
                ],
                array_keys($heights),
                array_values($heights),
            ),
            'steps' => array_map(static fn (Step $step): stdClass => self::step($step, $record), $sheet->steps),
        ];
    }

    private static function step(Step $step, ?BuildRecord $record): stdClass
    {
        return (object) [
            'key' => $step->key,
            'title' => $step->title,
            'does' => $step->does,
            'figures' => self::pairs($step->figures, 'label', 'value'),
            'tools' => self::pairs($step->tools, 'key', 'name'),
            'parts' => self::pairs($step->parts, 'key', 'name'),
            'minutes' => $step->minutes,
            'cautions' => array_map(
                static fn (Caution $c): stdClass => (object) ['key' => $c->value, 'says' => $c->says()],
                $step->cautions,
            ),
            'drawing' => (object) [
                'detail' => $step->drawing,
                'highlight' => $step->highlight,
                'water_mm' => $step->water,
                'planted' => $step->planted,
            ],
            'done_when' => $step->doneWhen,
            'if_not' => $step->ifNot,
            'print' => $step->print(),
            'ticked' => $record?->ticked($step),
            'changed' => $record !== null && $record->isChanged($step),
            'note' => $record?->note($step),
        ];
    }

    /**
     * @param  array<string, string>  $pairs
     * @return list<stdClass>
     */
    private static function pairs(array $pairs, string $key, string $value): array
    {
        return array_map(
            static fn (string $k, string $v): stdClass => (object) [$key => $k, $value => $v],
            array_map(strval(...), array_keys($pairs)),
            array_values($pairs),
        );
    }
}
