<?php

declare(strict_types=1);

namespace App\Meters;

use App\Logs\EntryStore;
use App\Models\Garden;
use Illuminate\Support\Str;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\Log\Meter;
use KelpTub\Core\Marks\Days\MeterReader;
use stdClass;

/** What meters show is written down as entries of theirs, put right by their calibration. */
final readonly class MeterReadings
{
    public function __construct(private MeterService $service, private EntryStore $entries)
    {
    }

    /** The meter that stands in a copy of a tub; null where none does. */
    public static function meter(stdClass $document, string $tub, int $copy): ?Meter
    {
        foreach (MeterReader::of($document) as $meter) {
            if ($meter->tub === $tub && $meter->copy === $copy) {
                return $meter;
            }
        }

        return null;
    }

    /** @return stdClass|string the entry that was kept, or why there is none */
    public function take(Garden $garden, Meter $meter, string $at): stdClass|string
    {
        $shown = $this->service->shows($garden->id, $meter, $at);
        if (is_string($shown)) {
            return $shown;
        }
        $entry = (object) [
            'id' => (string) Str::ulid(),
            'tub' => $meter->tub,
            'copy' => $meter->copy,
            'at' => $at,
            ...$meter->putRight($shown),
            'from' => 'meter',
        ];
        [$answer] = $this->entries->take($garden, [$entry]);

        return $answer['result'] === 'refused' ? 'Not written down: '.($answer['message'] ?? '') : $entry;
    }

    /**
     * Asks every meter of every garden.
     *
     * @return array{int, int} how many readings were kept, and how many meters gave none
     */
    public function all(string $at): array
    {
        $kept = $away = 0;
        foreach (Garden::query()->where('document', 'like', '%"meters"%')->lazyById(20) as $garden) {
            foreach (MeterReader::of(GardenFile::decode($garden->document)) as $meter) {
                is_string($this->take($garden, $meter, $at)) ? $away++ : $kept++;
            }
        }

        return [$kept, $away];
    }
}
