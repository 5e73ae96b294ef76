<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Days;

use KelpTub\Core\File\Fault;
use KelpTub\Core\Garden\OfTubs;
use KelpTub\Core\Log\Calibration;
use KelpTub\Core\Log\EntryReader;
use KelpTub\Core\Log\Meter;
use stdClass;

/** Reads the meters of a document: one at most in each copy of a tub. */
final class MeterReader
{
    private const PROBES = ['ph', 'ec'];

    /** @return list<Fault> */
    public static function faults(stdClass $document): array
    {
        $faults = (new OfTubs('meters'))->faults($document);
        $taken = [];
        foreach ($document->meters ?? [] as $i => $raw) {
            $place = "$raw->tub ".($raw->copy ?? 1);
            if (isset($taken[$place])) {
                $faults[] = new Fault("/meters/$i/tub", "is \"$raw->tub\", in which another meter stands already");
            }
            $taken[$place] = true;
            foreach (self::PROBES as $what) {
                $at = "/meters/$i/$what";
                $read = isset($raw->{$what}) ? Calibration::of($what, $raw->{$what}) : [];
                foreach (is_array($read) ? $read : [] as $member => $why) {
                    $faults[] = new Fault("$at/$member", $why);
                }
                if (isset($raw->{$what}->at) && EntryReader::moment($raw->{$what}->at) === null) {
                    $faults[] = new Fault("$at/at", 'is no moment; it reads 2027-04-18T07:40');
                }
            }
        }

        return $faults;
    }

    /** @return list<Meter> expects what faults() has passed */
    public static function of(stdClass $document): array
    {
        $calibration = static function (string $what, stdClass $raw): ?Calibration {
            $read = isset($raw->{$what}) ? Calibration::of($what, $raw->{$what}) : null;

            return $read instanceof Calibration ? $read : null;
        };

        return array_values(array_map(static fn (stdClass $raw): Meter => new Meter(
            $raw->tub,
            $raw->copy ?? 1,
            $raw->probe,
            $calibration('ph', $raw),
            $calibration('ec', $raw),
        ), $document->meters ?? []));
    }
}
