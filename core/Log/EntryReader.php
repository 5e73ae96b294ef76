<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use KelpTub\Core\Numbers\Dates;
use KelpTub\Core\Units\QuantityWriter;
use stdClass;

/**
 * Reads entries of a log as the format has them. What is out of range is refused with what it might have been, never put right.
 * Source: handbook, log (entries).
 */
final readonly class EntryReader
{
    public const MOST_EC = 10.0;

    public const MOST_LEVEL_MM = 3000.0;

    /** So old a garden may be, and so far ahead a clock may be wrong. */
    public const MOST_LITRES = 1000.0;

    private const MOST_GRAMS = 100_000.0;

    private const MOST_PICKED = 10_000;

    private const MOST_DOSE = 10_000.0;

    private const NOTE_LENGTH = 2000;

    private const MOST_LISTED = 40;

    private const ID = '/^[0-9A-HJKMNP-TV-Za-hjkmnp-tv-z]{26}$/D';

    private const NAME_LENGTH = 120;

    /** Members that say where it belongs and what it is, besides what was observed. */
    private const FRAME = ['id', 'planting', 'tub', 'copy', 'at', 'from', 'replaces', 'strikes'];

    /** @param  array<string, array{string, int}>  $plantings  tub and copy by id */
    public function __construct(private array $plantings = [])
    {
    }

    /** @return Entry|array<string, string> the entry, or what is wrong with it by its members */
    public function read(stdClass $raw): Entry|array
    {
        $faults = [...self::frameFaults($raw), ...$this->placeFaults($raw), ...self::readingFaults($raw), ...self::deedFaults($raw)];
        if ($faults === [] && ! isset($raw->strikes) && array_diff(array_keys(get_object_vars(self::told($raw))), self::FRAME) === []) {
            $faults['note'] = 'says nothing: no reading, nothing done, no note';
        }

        return $faults !== [] ? $faults : $this->entry($raw);
    }

    /** An entry that is known to be sound, since it was read when it was kept; null where its planting is not known any more. */
    public function known(stdClass $raw): ?Entry
    {
        return isset($raw->tub) || isset($this->plantings[$raw->planting ?? '']) ? $this->entry($raw) : null;
    }

    /** What of an entry says something: members of null, empty lists and texts left out. */
    private static function told(stdClass $raw): stdClass
    {
        return (object) array_filter(
            get_object_vars($raw),
            static fn (mixed $value): bool => $value !== null && $value !== [] && $value !== '' && $value !== false
                && ! ($value instanceof stdClass && get_object_vars($value) === []),
        );
    }

    /** Whether it is an id as a page makes them, of an entry or of a photograph. */
    public static function isId(mixed $id): bool
    {
        return is_string($id) && preg_match(self::ID, $id) === 1;
    }

    /** @return array<string, string> */
    private static function frameFaults(stdClass $raw): array
    {
        $faults = [];
        foreach (['id', 'replaces', 'strikes'] as $key) {
            $id = $raw->{$key} ?? null;
            if (($key === 'id' || $id !== null) && ! self::isId($id)) {
                $faults[$key] = ($id === null ? 'is missing' : 'is no id of an entry').'; it has 26 letters and digits';
            }
        }
        if (isset($raw->replaces, $raw->strikes)) {
            $faults['strikes'] = 'is given besides "replaces"; an entry puts one right or takes one back';
        }
        if (! is_string($raw->at ?? null) || self::moment($raw->at) === null) {
            $faults['at'] = (isset($raw->at) ? 'is no moment' : 'is missing').'; it reads 2027-04-18T07:40';
        }
        if (! in_array($raw->from ?? 'hand', ['hand', 'meter', 'import'], true)) {
            $faults['from'] = 'is one of hand, meter, import';
        }

        return $faults;
    }

    /** @return array<string, string> */
    private function placeFaults(stdClass $raw): array
    {
        $planting = $raw->planting ?? null;
        if ($planting !== null && (! is_string($planting) || strlen($planting) > self::NAME_LENGTH * 4)) {
            return ['planting' => 'is no id of a planting'];
        }
        if ($planting !== null && ! isset($raw->tub)) {
            return isset($this->plantings[$planting]) ? [] : ['planting' => "is \"$planting\", and no planting of this garden has that id"];
        }
        $copy = $raw->copy ?? 1;

        return match (true) {
            ! is_string($raw->tub ?? null) || $raw->tub === '' || mb_strlen($raw->tub) > self::NAME_LENGTH => [
                'tub' => 'is missing; an entry is of a planting, or of a tub and its copy',
            ],
            ! is_int($copy) || $copy < 1 || $copy > 50 => ['copy' => 'is a whole number from 1 to 50'],
            isset($planting, $this->plantings[$planting]) && $this->plantings[$planting] !== [$raw->tub, $copy] => [
                'planting' => "is \"$planting\", which stands in another tub than this entry is of",
            ],
            default => [],
        };
    }

    /** @return array<string, string> */
    private static function readingFaults(stdClass $raw): array
    {
        $faults = [];
        foreach (['level_mm', 'ec_ms_cm', 'ph', 'water_c', 'top_up_ec'] as $what) {
            $faults[$what] = self::reading($what, $raw->{$what} ?? null);
        }

        return array_filter($faults);
    }

    /** What is wrong with a reading, by the member of an entry that it is; null where nothing is. */
    public static function reading(string $what, mixed $value): ?string
    {
        return match ($what) {
            'level_mm' => self::number($value, 0.0, self::MOST_LEVEL_MM, 'mm'),
            'ph' => self::ph($value),
            'water_c' => self::number($value, -2.0, 60.0, '°C'),
            default => self::ec($value),
        };
    }

    /** What is wrong with an EC, with what it might be: a meter may show µS/cm or ppm. */
    public static function ec(mixed $ec): ?string
    {
        $wrong = self::number($ec, 0.0, self::MOST_EC, 'mS/cm');
        if ($wrong === null || ! is_numeric($ec) || $ec <= self::MOST_EC) {
            return $wrong;
        }
        $ec = (float) $ec;
        $mean = $ec >= 100.0 && $ec <= 10_000.0
            ? sprintf('%s mS/cm from µS/cm, or ppm of which scale', self::plain($ec / 1000))
            : self::plain($ec / 10).' mS/cm';

        return "$wrong; did it mean $mean?";
    }

    /** What is wrong with a pH, with what it might be. */
    public static function ph(mixed $ph): ?string
    {
        $wrong = self::number($ph, 0.0, 14.0, '');

        return $wrong === null || ! is_numeric($ph) || $ph <= 14.0 || $ph >= 140.0 ? $wrong
            : "$wrong; did it mean ".self::plain((float) $ph / 10).'?';
    }

    private static function plain(float $value): string
    {
        return QuantityWriter::plain($value, 3);
    }

    private static function number(mixed $value, float $low, float $high, string $unit): ?string
    {
        $unit = $unit === '' ? '' : " $unit";

        return match (true) {
            $value === null => null,
            ! is_int($value) && ! is_float($value) => 'is not a number',
            $value < $low || $value > $high => sprintf(
                'is %s%s; it lies from %s to %s',
                self::plain((float) $value),
                $unit,
                self::plain($low),
                self::plain($high),
            ),
            default => null,
        };
    }

    /** @return array<string, string> */
    private static function deedFaults(stdClass $raw): array
    {
        $faults = [
            'top_up_l' => self::number($raw->top_up_l ?? null, 0.0, self::MOST_LITRES, 'L'),
            'harvest_g' => self::number($raw->harvest_g ?? null, 0.0, self::MOST_GRAMS, 'g'),
            'picked' => isset($raw->picked) && ! is_int($raw->picked) ? 'is a whole number'
                : self::number($raw->picked ?? null, 0.0, self::MOST_PICKED, ''),
            'change' => is_bool($raw->change ?? false) ? null : 'is true or false',
            'dose' => self::dose($raw->dose ?? null),
            'signs' => self::signs($raw->signs ?? []),
            'did' => self::texts($raw->did ?? []),
            'note' => is_string($raw->note ?? '') && mb_strlen($raw->note ?? '') <= self::NOTE_LENGTH ? null
                : 'is a text of at most '.self::NOTE_LENGTH.' characters',
            'photo' => ! isset($raw->photo) || self::isId($raw->photo) ? null : 'is no photograph',
        ];

        return array_filter($faults);
    }

    private static function dose(mixed $dose): ?string
    {
        if ($dose === null) {
            return null;
        }
        if (! $dose instanceof stdClass || count(get_object_vars($dose)) > self::MOST_LISTED) {
            return 'is an object, as in {"A": {"ml": 12}}';
        }
        foreach (get_object_vars($dose) as $name => $amount) {
            $given = $amount instanceof stdClass ? get_object_vars($amount) : [];
            $wrong = in_array(array_keys($given), [['ml'], ['g']], true)
                ? self::number(reset($given), 0.0, self::MOST_DOSE, (string) key($given))
                : 'has an amount in ml or in g';
            if ($wrong !== null) {
                return "of \"$name\" $wrong";
            }
        }

        return null;
    }

    private static function signs(mixed $signs): ?string
    {
        if (! is_array($signs) || count($signs) > self::MOST_LISTED) {
            return 'is a list';
        }
        foreach ($signs as $sign) {
            if (! is_string($sign) || Sign::tryFrom($sign) === null) {
                return 'has '.(is_string($sign) ? "\"$sign\"" : 'something').', which is none of '.implode(
                    ', ',
                    array_column(Sign::cases(), 'value'),
                );
            }
        }

        return null;
    }

    private static function texts(mixed $texts): ?string
    {
        $wrong = ! is_array($texts) || count($texts) > self::MOST_LISTED;
        foreach (is_array($texts) ? $texts : [] as $text) {
            $wrong = $wrong || ! is_string($text) || mb_strlen($text) > self::NAME_LENGTH;
        }

        return $wrong ? 'is a list of at most '.self::MOST_LISTED.' keys' : null;
    }

    /** @return array{int, int}|null day and minute */
    public static function moment(string $at): ?array
    {
        return preg_match('/^(\d{4}-\d\d-\d\d)T([01]\d|2[0-3]):([0-5]\d)(?::[0-5]\d)?$/D', $at, $m) === 1 && Dates::are($m[1])
            ? [Dates::number($m[1]), 60 * (int) $m[2] + (int) $m[3]]
            : null;
    }

    private function entry(stdClass $raw): Entry
    {
        [$day, $minute] = self::moment($raw->at) ?? [0, 0];
        [$tub, $copy] = isset($raw->tub) ? [$raw->tub, $raw->copy ?? 1] : $this->plantings[$raw->planting];
        $number = static fn (string $key): ?float => isset($raw->{$key}) ? (float) $raw->{$key} : null;
        $doses = [];
        foreach (get_object_vars($raw->dose ?? new stdClass) as $name => $amount) {
            [$unit] = array_keys(get_object_vars($amount));
            $doses[(string) $name] = [$unit, (float) $amount->{$unit}];
        }

        return new Entry(
            $raw->id, $tub, $copy, $raw->planting ?? null, $day, $minute,
            $number('level_mm'), $number('ec_ms_cm'), $number('ph'), $number('water_c'),
            $number('top_up_l') ?? 0.0, $number('top_up_ec'), $raw->change ?? false, $doses,
            $number('harvest_g'), $raw->picked ?? null,
            array_map(static fn (string $sign): Sign => Sign::from($sign), array_values($raw->signs ?? [])),
            array_values($raw->did ?? []), $raw->note ?? '', $raw->photo ?? null, $raw->from ?? 'hand',
            $raw->replaces ?? null, $raw->strikes ?? null, $raw,
        );
    }
}
