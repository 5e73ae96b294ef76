<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use stdClass;

/** The weather that seasons are run in: the site's own figures every day, or made-up days of a climate from a date on. */
final readonly class WeatherWish
{
    private const FIRST_SEED = 1;

    /** @param  string|null  $climate  key of the climate; null for steady days */
    private function __construct(public ?string $climate, public int $seed, public ?string $start)
    {
    }

    public static function fromDocument(stdClass $raw): self
    {
        return ($raw->kind ?? 'steady') === 'typical'
            ? new self($raw->climate, (int) ($raw->seed ?? self::FIRST_SEED), $raw->start)
            : new self(null, self::FIRST_SEED, null);
    }

    /** @return array<string, string|int|null> */
    public function toReport(): array
    {
        return [
            'kind' => $this->climate === null ? 'steady' : 'typical',
            'climate' => $this->climate,
            'seed' => $this->seed,
            'start' => $this->start,
        ];
    }
}
