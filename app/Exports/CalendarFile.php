<?php

declare(strict_types=1);

namespace App\Exports;

use DateTimeImmutable;
use DateTimeInterface;
use KelpTub\Core\Days\Item;
use KelpTub\Core\Numbers\Dates;
use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\ParseException;
use Sabre\VObject\Reader;

/**
 * Days as a calendar file (RFC 5545): whole days, each known by a name that stays when it moves. Beside an earlier file of the same garden
 * what has moved since has a higher sequence, and what is no more is cancelled; read in twice it changes nothing.
 */
final class CalendarFile
{
    private const PRODUCT = '-//Kelp Tub//Days//EN';

    private const ALARM_HOUR = 8;

    /**
     * @param  list<Item>  $items
     * @param  string  $name  of the garden
     * @param  string  $id  what tells this garden's events from another's
     * @param  string|null  $before  the file as it was written last
     */
    public static function of(
        array $items,
        string $name,
        string $id,
        DateTimeInterface $stamp,
        ?string $before = null,
        bool $alarm = false,
    ): string {
        return self::quietly(static function () use ($items, $name, $id, $stamp, $before, $alarm): string {
            $calendar = new VCalendar(['PRODID' => self::PRODUCT, 'X-WR-CALNAME' => $name]);
            $known = self::known($before);
            $written = [];
            foreach ($items as $item) {
                if ($item->done !== null) {
                    continue;
                }
                $uid = self::uid($item->key, $id);
                $written[$uid] = true;
                self::event($calendar, $item, $uid, $known[$uid] ?? null, $stamp, $alarm);
            }
            foreach ($known as $uid => [$sequence, $date, $summary]) {
                // What is past stays as it is; what was to come and is no more is taken back.
                if (! isset($written[$uid]) && str_ends_with($uid, "@$id") && $date >= $stamp->format('Ymd')) {
                    $event = self::added($calendar, [
                        'UID' => $uid,
                        'DTSTAMP' => $stamp,
                        'SUMMARY' => $summary,
                        'STATUS' => 'CANCELLED',
                        'SEQUENCE' => $sequence + 1,
                    ]);
                    $event->add('DTSTART', $date, ['VALUE' => 'DATE']);
                }
            }

            return $calendar->serialize();
        });
    }

    /** @param  array{int, string, string}|null  $known */
    private static function event(
        VCalendar $calendar,
        Item $item,
        string $uid,
        ?array $known,
        DateTimeInterface $stamp,
        bool $alarm,
    ): void {
        $date = str_replace('-', '', Dates::text($item->date));
        $event = self::added($calendar, [
            'UID' => $uid,
            'DTSTAMP' => $stamp,
            'SUMMARY' => $item->says,
            'DESCRIPTION' => implode("\n", array_filter([$item->why, self::amounts($item), $item->how, $item->note])),
            'CATEGORIES' => $item->kind,
            'STATUS' => 'CONFIRMED',
            'TRANSP' => 'TRANSPARENT',
            'SEQUENCE' => $known === null ? 0 : $known[0] + ($known[1] === $date && $known[2] === $item->says ? 0 : 1),
        ]);
        $event->add('DTSTART', $date, ['VALUE' => 'DATE']);
        $event->add('DTEND', str_replace('-', '', Dates::text($item->date + 1)), ['VALUE' => 'DATE']);
        if ($alarm) {
            $event->add('VALARM', [
                'ACTION' => 'DISPLAY',
                'DESCRIPTION' => $item->says,
                'TRIGGER' => 'PT'.self::ALARM_HOUR.'H',
            ]);
        }
    }

    /** @param  array<string, mixed>  $members */
    private static function added(VCalendar $calendar, array $members): Component
    {
        $event = $calendar->add('VEVENT', $members);
        assert($event instanceof Component);

        return $event;
    }

    /** "A 24 g, B 16 g" */
    private static function amounts(Item $item): string
    {
        return implode(', ', array_map(
            static fn (array $part): string => sprintf(
                '%s %s %s',
                $part['name'],
                round($part['amount'], 1),
                $part['unit'] === 'ml' ? 'mL' : 'g',
            ),
            $item->parts,
        ));
    }

    private static function uid(string $key, string $id): string
    {
        return preg_replace('/[^A-Za-z0-9._\/-]+/', '-', $key)."@$id";
    }

    /** @return array<string, array{int, string, string}> sequence, date and summary of an earlier file's events that were not cancelled */
    private static function known(?string $before): array
    {
        if ($before === null || trim($before) === '') {
            return [];
        }
        try {
            $calendar = Reader::read($before);
        } catch (ParseException) {
            return [];
        }
        $known = [];
        foreach ($calendar->select('VEVENT') as $event) {
            $values = array_map(
                static fn (string $name): string => (string) ($event->select($name)[0] ?? ''),
                ['SEQUENCE', 'DTSTART', 'SUMMARY'],
            );
            $status = (string) ($event->select('STATUS')[0] ?? '');
            $known[(string) ($event->select('UID')[0] ?? '')] = [
                (int) $values[0],
                // A day that is back after it was cancelled is told from the one before by its sequence.
                $status === 'CANCELLED' ? '' : $values[1],
                $values[2],
            ];
        }

        return $known;
    }

    /** The library's signatures are older than this PHP: its notices are none of ours. */
    private static function quietly(callable $do): string
    {
        $level = error_reporting(error_reporting() & ~E_DEPRECATED);
        try {
            return $do();
        } finally {
            error_reporting($level);
        }
    }

    /** A stamp that is the same for the same moment of the grower's clock. */
    public static function stamp(float $now): DateTimeImmutable
    {
        return new DateTimeImmutable('@'.(int) round($now * 86_400));
    }
}
