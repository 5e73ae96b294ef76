<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use stdClass;

/** Where tubs are to stand: what is free there, mm, what it bears, and what light, warmth and power there is. */
final readonly class Room
{
    private const LENGTH_MM = 1000.0;

    private const DEPTH_MM = 500.0;

    private const HEIGHT_MM = 2000.0;

    private const CLIMATE = 'cool-maritime';

    private function __construct(
        public float $length,
        public float $depth,
        public float $height,
        public string $setting,
        public string $load,
        public ?float $limitKg,
        public bool $mains,
        public ?string $window,
        public bool $lamp,
        public ?float $lightHours,
        public ?float $airC,
        public string $climate,
        public ?string $from,
        public ?string $to,
        private bool $sun,
    ) {
    }

    public static function fromDocument(stdClass $raw): self
    {
        return new self(
            (float) ($raw->length_mm ?? self::LENGTH_MM),
            (float) ($raw->depth_mm ?? self::DEPTH_MM),
            (float) ($raw->height_mm ?? self::HEIGHT_MM),
            $raw->setting ?? 'indoor',
            $raw->load ?? 'ground',
            isset($raw->limit_kg) ? (float) $raw->limit_kg : null,
            $raw->mains ?? true,
            $raw->window ?? null,
            $raw->lamp ?? false,
            isset($raw->light_hours) ? (float) $raw->light_hours : null,
            isset($raw->air_c) ? (float) $raw->air_c : null,
            $raw->climate ?? self::CLIMATE,
            $raw->from ?? null,
            $raw->to ?? null,
            $raw->sun ?? true,
        );
    }

    /** Whether there is no light but that of a lamp. */
    public function isDark(): bool
    {
        return $this->setting === 'indoor' && $this->window === null;
    }

    /** Whether the sun shines on the tubs; in the open it does, where nobody said that there is shade. */
    public function isInSun(): bool
    {
        return $this->sun && $this->setting === 'open';
    }

    /**
     * The same with some of it otherwise.
     *
     * @param  array<string, mixed>  $of  by the names of what it is made of
     */
    public function with(array $of): self
    {
        return new self(...[...get_object_vars($this), ...$of]);
    }
}
