<?php

declare(strict_types=1);

namespace Tests\Mutation;

/** One small change of one file of the core: what stands from an offset on for so many bytes, and what is put in its place. */
final readonly class Mutant
{
    public function __construct(public string $file, public int $line, public int $offset, public int $length, public string $becomes)
    {
    }

    public function apply(string $code): string
    {
        return substr_replace($code, $this->becomes, $this->offset, $this->length);
    }

    /** The folder that it is counted in: `Air`, `Marks/Tub`. */
    public function folder(): string
    {
        return substr(dirname($this->file), strlen('core/'));
    }

    /** What it does, for the list of survivors. */
    public function says(string $code): string
    {
        $was = preg_replace('/\s+/', ' ', substr($code, $this->offset, $this->length));
        $lines = explode("\n", $code);

        return sprintf(
            '`%s:%d` `%s` → `%s` in `%s`',
            $this->file,
            $this->line,
            $was,
            preg_replace('/\s+/', ' ', $this->becomes),
            trim($lines[$this->line - 1]),
        );
    }
}
