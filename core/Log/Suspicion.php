<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use stdClass;

/** What a log seems to say: what it is, how sure, because of what, what to do about it, and the one look that would settle it. */
final readonly class Suspicion
{
    /** From here on it is likely. */
    private const LIKELY = 0.6;

    /**
     * @param  float  $sure  0 to 1
     * @param  list<string>  $because  ids of entries
     * @param  string  $why  what in them
     */
    public function __construct(
        public string $code,
        public float $sure,
        public string $says,
        public string $why,
        public string $do,
        public string $check,
        public array $because = [],
    ) {
    }

    public function word(): string
    {
        return $this->sure >= self::LIKELY ? 'likely' : 'perhaps';
    }

    public function toReport(): stdClass
    {
        return (object) [
            'code' => $this->code,
            'sure' => round($this->sure, 2),
            'word' => $this->word(),
            'says' => $this->says,
            'why' => $this->why,
            'because' => $this->because,
            'do' => $this->do,
            'check' => $this->check,
        ];
    }
}
