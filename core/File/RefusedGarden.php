<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use InvalidArgumentException;

/** A garden that is refused whole, with every fault found. */
final class RefusedGarden extends InvalidArgumentException
{
    /** @param  non-empty-list<Fault>  $faults */
    private function __construct(public readonly array $faults)
    {
        parent::__construct(implode("\n", array_map(strval(...), $faults)));
    }

    /** @param  non-empty-list<Fault>  $faults */
    public static function because(array $faults): self
    {
        return new self($faults);
    }

    public static function one(string $pointer, string $message): self
    {
        return new self([new Fault($pointer, $message)]);
    }
}
