<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/** A dose as a label gives it: mL (or g) in a litre, with the words that it was read from. */
final readonly class LabelDose
{
    /** @param  string  $note  which of several units was meant: "US gallon of 3.785 L" */
    public function __construct(public string $text, public bool $byVolume, public float $perLitre, public string $note = '')
    {
    }
}
