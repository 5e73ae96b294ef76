<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Severity;

/** What the rules say against a design: how often, how badly, and the worst of it. */
final readonly class Verdict
{
    private function __construct(public int $stops, public int $mends, public int $minds, public ?Finding $worst)
    {
    }

    /**
     * @param  list<Finding>  $findings  worst first
     * @param  callable(Finding): bool  $counts  which of them count
     */
    public static function of(array $findings, callable $counts): self
    {
        $counted = array_values(array_filter($findings, $counts));
        $of = static fn (Severity $severity): int => count(
            array_filter($counted, static fn (Finding $f): bool => $f->severity === $severity),
        );

        return new self($of(Severity::Stop), $of(Severity::Mend), $of(Severity::Mind), $counted[0] ?? null);
    }

    /** @return array<string, int|string|null> as an answer gives it */
    public function toAnswer(): array
    {
        return [
            'stops' => $this->stops,
            'mends' => $this->mends,
            'minds' => $this->minds,
            'severity' => $this->worst?->severity->value,
            'says' => $this->worst?->says,
        ];
    }
}
