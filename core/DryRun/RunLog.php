<?php

declare(strict_types=1);

namespace KelpTub\Core\DryRun;

use KelpTub\Core\Log\Sign;
use KelpTub\Core\Numbers\Dates;
use stdClass;

/** A season that is lived through, written down as a log would be: for the same diagnosis as in life. Source: handbook, log (Dry run). */
final readonly class RunLog
{
    /** Entries of the log have names of so many signs. */
    private const ID_LENGTH = 26;

    /** What is put in comes before what is read on an evening: readings are those afterwards. */
    private const PUT_IN_AT = '18:00';

    private const READ_AT = '18:10';

    private const SIGNS = ['pale' => Sign::PaleNewLeaves, 'wilting' => Sign::Wilting];

    private const BUBBLES = ['none' => Sign::NoBubbles, 'few' => Sign::WeakBubbles];

    /** @param  int  $start  the date of day 0, as `Dates` counts */
    public function __construct(private string $tub, private int $start)
    {
    }

    /**
     * @param  list<stdClass>  $seen  what was read on the evenings on which somebody was there
     * @param  list<Decision>  $decisions
     * @return list<stdClass> entries as the format has them
     */
    public function entries(array $seen, array $decisions): array
    {
        $entries = [];
        foreach ($seen as $row) {
            $put = $this->putIn($row, $decisions);
            if ($put !== null) {
                $entries[] = $this->entry(count($entries), $row->day, self::PUT_IN_AT, $put);
            }
            $entries[] = $this->entry(count($entries), $row->day, self::READ_AT, self::read($row));
        }

        return $entries;
    }

    /**
     * @param  list<Decision>  $decisions
     * @return array<string, mixed>|null null of an evening on which nothing was
     */
    private function putIn(stdClass $row, array $decisions): ?array
    {
        $put = [];
        foreach ($decisions as $decision) {
            if ($decision->day !== $row->day) {
                continue;
            }
            $put = [...$put, ...match ($decision->act) {
                Act::Change => ['change' => true],
                Act::TopUp => [
                    'top_up_l' => ($put['top_up_l'] ?? 0.0) + (float) $decision->litres,
                    ...($decision->ec === null ? [] : ['top_up_ec' => $decision->ec]),
                ],
                default => [],
            }];
        }

        return $put === [] ? null : $put;
    }

    /** @return array<string, mixed> */
    private static function read(stdClass $row): array
    {
        $signs = array_filter([
            self::SIGNS[$row->leaves] ?? null,
            self::BUBBLES[$row->bubbles ?? ''] ?? null,
            $row->green ? Sign::GreenFilm : null,
            $row->tips ? Sign::BurntTips : null,
            $row->missing > 0 ? Sign::NotUp : null,
        ]);

        return array_filter([
            'level_mm' => (float) $row->level_mm,
            'ph' => $row->ph,
            'ec_ms_cm' => $row->ec_ms_cm,
            'water_c' => $row->water_c,
            'signs' => array_map(static fn (Sign $sign): string => $sign->value, array_values($signs)),
        ], static fn (mixed $is): bool => $is !== null && $is !== []);
    }

    /** @param  array<string, mixed>  $says */
    private function entry(int $number, int $day, string $at, array $says): stdClass
    {
        return (object) [
            'id' => str_pad((string) $number, self::ID_LENGTH, '0', STR_PAD_LEFT),
            'tub' => $this->tub,
            'copy' => 1,
            'at' => Dates::text($this->start + $day)."T$at",
            ...$says,
        ];
    }
}
