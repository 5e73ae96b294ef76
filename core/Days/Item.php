<?php

declare(strict_types=1);

namespace KelpTub\Core\Days;

use KelpTub\Core\Numbers\Dates;
use stdClass;

/** Something to do, or to look at, on a day at one copy of a tub. */
final readonly class Item
{
    /**
     * @param  string  $key  that stays when its day moves: what it is of, its kind, its number
     * @param  int  $date  as `Dates` counts
     * @param  list<string>  $plantings  ids
     * @param  string  $how  how it is done here, where it needs saying
     * @param  list<array{name: string, unit: string, amount: float, tsp: float|null}>  $parts  of the feed
     * @param  float|null  $ec  to which it is made up, mS/cm
     * @param  int|null  $by  the last day on which it still does
     * @param  bool  $isForecast  whether its day follows from a forecast and may move
     * @param  string|null  $done  id of the entry that tells of it
     * @param  string  $note  what is to be known of its day: that nobody can come then, or what would carry it over
     */
    public function __construct(
        public string $key,
        public int $date,
        public string $kind,
        public string $tub,
        public int $copy,
        public array $plantings,
        public string $says,
        public string $why = '',
        public string $how = '',
        public ?float $litres = null,
        public array $parts = [],
        public ?float $ec = null,
        public ?int $by = null,
        public bool $isForecast = false,
        public ?string $done = null,
        public string $note = '',
    ) {
    }

    public function on(int $date, string $note = ''): self
    {
        return $date === $this->date && $note === '' ? $this : new self(...[
            ...get_object_vars($this),
            'date' => $date,
            'note' => trim("$this->note $note"),
        ]);
    }

    public function doneBy(string $entry, int $date): self
    {
        return new self(...[...get_object_vars($this), 'done' => $entry, 'date' => $date, 'isForecast' => false]);
    }

    /** @param  int  $today  what is not done by then is late */
    public function toReport(int $today): stdClass
    {
        $parts = [];
        foreach ($this->parts as $part) {
            $parts[$part['name']] = (object) [$part['unit'] => $part['amount'], ...($part['tsp'] === null ? [] : ['tsp' => $part['tsp']])];
        }

        return (object) [
            'key' => $this->key,
            'date' => Dates::text($this->date),
            'kind' => $this->kind,
            'tub' => $this->tub,
            'copy' => $this->copy,
            'plantings' => $this->plantings,
            'says' => $this->says,
            'why' => $this->why,
            'how' => $this->how,
            'litres' => $this->litres,
            'parts' => (object) $parts,
            'ec_ms_cm' => $this->ec,
            'by' => $this->by === null ? null : Dates::text($this->by),
            'forecast' => $this->isForecast,
            'done' => $this->done,
            'late' => $this->done === null && $this->date < $today,
            'note' => $this->note,
        ];
    }
}
