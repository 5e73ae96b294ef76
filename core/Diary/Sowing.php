<?php

declare(strict_types=1);

namespace KelpTub\Core\Diary;

use KelpTub\Core\Numbers\Dates;
use stdClass;

/** One sowing of a succession: in which cups, when it comes into them, and what it brings when. */
final readonly class Sowing
{
    /** @param  list<int>  $cups  numbers of its holes, from 1 on */
    public function __construct(
        public string $tub,
        public int $copy,
        public array $cups,
        public ?int $sown,
        public int $setIn,
        public int $harvest,
        public int $last,
        public float $grams,
    ) {
    }

    public function toReport(): stdClass
    {
        return (object) [
            'tub' => $this->tub,
            'copy' => $this->copy,
            'cups' => $this->cups,
            'sown' => $this->sown === null ? null : Dates::text($this->sown),
            'set_in' => Dates::text($this->setIn),
            'harvest' => Dates::text($this->harvest),
            'last' => Dates::text($this->last),
            'harvest_g' => round($this->grams, 1),
        ];
    }
}
