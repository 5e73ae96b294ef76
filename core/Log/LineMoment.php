<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use KelpTub\Core\Numbers\Dates;

/** When something was, as people say it: "yesterday evening", "2 days ago", "on Monday at 7:40", "2027-04-18 18:30". */
final class LineMoment
{
    /** Minutes of the day. */
    private const PARTS = [
        'morning' => 480, 'noon' => 720, 'lunch' => 720, 'midday' => 720, 'afternoon' => 900, 'evening' => 1140, 'night' => 1320,
    ];

    private const DAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];

    private const NUMBERS = ['a' => 1, 'an' => 1, 'one' => 1, 'two' => 2, 'three' => 3, 'four' => 4, 'five' => 5, 'six' => 6, 'seven' => 7];

    /**
     * @param  int  $day  of the grower's clock
     * @param  int  $minute  of it
     * @return array{array{int, int}|null, string, string} day and minute, null of a moment that is still to come; what is left of the text;
     *                                                     and what was understood, in words
     */
    public static function of(string $text, int $day, int $minute): array
    {
        $rest = $text;
        $on = self::day($rest, $day);
        $at = self::minute($rest);
        $ago = self::hoursAgo($rest);
        if ($ago !== null) {
            $moment = $day * Dates::MINUTES_A_DAY + $minute - 60 * $ago;
            [$on, $at] = [intdiv($moment, Dates::MINUTES_A_DAY), $moment % Dates::MINUTES_A_DAY];
        }
        if ($on === null && $at === null) {
            return [[$day, $minute], $text, ''];
        }
        $moment = [$on ?? $day, $at ?? $minute];
        $said = self::says($moment, $day);

        return [$moment > [$day, $minute] ? null : $moment, trim($rest), $said];
    }

    /** The moment as the format writes it. */
    public static function text(int $day, int $minute): string
    {
        return sprintf('%sT%02d:%02d', Dates::text($day), intdiv($minute, 60), $minute % 60);
    }

    /** @param  array{int, int}  $moment */
    private static function says(array $moment, int $today): string
    {
        $date = match ($today - $moment[0]) {
            0 => 'today',
            1 => 'yesterday',
            default => Dates::dayAndMonth($moment[0]),
        };

        return sprintf('%s, %d:%02d', $date, intdiv($moment[1], 60), $moment[1] % 60);
    }

    private static function day(string &$rest, int $today): ?int
    {
        $date = self::take('/\b(?:on )?(\d{4}-\d\d-\d\d)(?=T|\b)T?/u', $rest);
        if ($date !== null && Dates::are($date[1])) {
            return Dates::number($date[1]);
        }
        if (self::take('/\b(?:the )?day before yesterday\b/ui', $rest) !== null) {
            return $today - 2;
        }
        $ago = self::take('/\b(\d{1,3}|'.implode('|', array_keys(self::NUMBERS)).') days? ago\b/ui', $rest);
        if ($ago !== null) {
            return $today - (self::NUMBERS[mb_strtolower($ago[1])] ?? (int) $ago[1]);
        }
        // Last night is yesterday's; the word for the part of the day stays for minute().
        if (preg_match('/\blast night\b/ui', $rest) === 1) {
            $rest = (string) preg_replace('/\blast (?=night\b)/ui', 'at ', $rest, 1);

            return $today - 1;
        }
        if (preg_match('/\byesterday\b(?!\')/ui', $rest) === 1) {
            $rest = (string) preg_replace(
                '/\byesterday(?:\s+(?=(?:in the |at )?(?:morning|noon|midday|lunch|afternoon|evening|night)\b))?/ui',
                'at ',
                $rest,
                1,
            );
            $rest = (string) preg_replace(
                '/\bat\s+(?!(?:in the |at )?(?:morning|noon|midday|lunch|afternoon|evening|night)\b|\d{1,2}[:.]\d\d|\d{1,2}\s*(?:am'
                    .'|pm))/ui',
                '',
                $rest,
                1,
            );

            return $today - 1;
        }
        $weekday = self::take('/\b(?:on |last )?('.implode('|', self::DAYS).')\b/ui', $rest);
        if ($weekday !== null) {
            $back = (Dates::weekday($today) - (int) array_search(mb_strtolower($weekday[1]), self::DAYS, true) + 7) % 7;

            return $today - ($back === 0 ? 7 : $back);
        }
        if (preg_match('/\b(?:this (?=morning|noon|afternoon|evening)|tonight\b|today\b)/ui', $rest, $m) === 1) {
            $rest = (string) preg_replace(
                ['/\bthis (?=morning|noon|afternoon|evening)/ui', '/\btonight\b/ui', '/\btoday\b/ui'],
                ['at ', 'at night', ''],
                $rest,
                1,
            );

            return $today;
        }

        return null;
    }

    private static function minute(string &$rest): ?int
    {
        $clock = self::take('/(?:\bat )?\b([01]?\d|2[0-3]):([0-5]\d)(?::\d\d)?(?:\s*(am|pm))?\b/ui', $rest)
            ?? self::take('/(?:\bat )?\b(\d{1,2})()\s*(am|pm)\b/ui', $rest)
            ?? self::take('/\bat (\d{1,2})() o\'?clock\b/ui', $rest);
        if ($clock !== null) {
            $hour = (int) $clock[1] % (isset($clock[3]) ? 12 : 24) + (mb_strtolower($clock[3] ?? '') === 'pm' ? 12 : 0);

            return 60 * $hour + (int) $clock[2];
        }
        $part = self::take('/\b(?:in the |at )('.implode('|', array_keys(self::PARTS)).')\b/ui', $rest);

        return $part === null ? null : self::PARTS[mb_strtolower($part[1])];
    }

    private static function hoursAgo(string &$rest): ?int
    {
        $ago = self::take('/\b(\d{1,2}|'.implode('|', array_keys(self::NUMBERS)).') hours? ago\b/ui', $rest);

        return $ago === null ? null : (self::NUMBERS[mb_strtolower($ago[1])] ?? (int) $ago[1]);
    }

    /** @return array<int, string>|null */
    private static function take(string $pattern, string &$rest): ?array
    {
        if (preg_match($pattern, $rest, $m) !== 1) {
            return null;
        }
        $rest = (string) preg_replace('/\s+/u', ' ', (string) preg_replace($pattern, ' ', $rest, 1));

        return array_filter($m, static fn (string $s): bool => $s !== '') + ['', '', ''];
    }
}
