<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use InvalidArgumentException;

/** A garden that is refused whole, with every fault found; of very many the first ones, and how many more there are. */
final class RefusedGarden extends InvalidArgumentException
{
    /** So many faults are listed. */
    public const MOST_FAULTS = 200;

    /** @param  non-empty-list<Fault>  $faults */
    private function __construct(public readonly array $faults)
    {
        parent::__construct(implode("\n", array_map(strval(...), $faults)));
    }

    /** @param  non-empty-list<Fault>  $faults */
    public static function because(array $faults): self
    {
        $more = count($faults) - self::MOST_FAULTS;

        return new self($more > 0 ? [...array_slice($faults, 0, self::MOST_FAULTS), new Fault('', "and $more more")] : $faults);
    }

    public static function one(string $pointer, string $message): self
    {
        return new self([new Fault($pointer, $message)]);
    }
}
