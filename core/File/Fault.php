<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

/** One thing wrong with a garden file: where, by JSON pointer, and what would do. */
final readonly class Fault
{
    public function __construct(public string $pointer, public string $message)
    {
    }

    public function __toString(): string
    {
        return ($this->pointer === '' ? '/' : $this->pointer).': '.$this->message;
    }
}
