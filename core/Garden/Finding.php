<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use Closure;

/** Something the rules have to say about a design: what, how much, why, and what to do. */
final readonly class Finding
{
    /**
     * @param  string|null  $tub  id of the tub it is about
     * @param  string  $at  JSON pointer into the garden
     * @param  list<Remedy>|(Closure(): list<Remedy>)  $ways  out of it, as they come to mind; which of them help is found by trying
     * @param  float  $by  how much is amiss, in whatever measure: a way out that leaves less of it lessens the finding
     * @param  string  $mark  key of the mark that says it, and at which it is mended
     * @param  list<Remedy>  $remedies  those that help
     */
    public function __construct(
        public string $code,
        public Severity $severity,
        public ?string $tub,
        public string $at,
        public string $says,
        public string $why,
        public array|Closure $ways = [],
        public float $by = 0.0,
        public string $mark = '',
        public array $remedies = [],
    ) {
    }

    public function saidBy(Mark $mark): self
    {
        return $this->with($mark->key(), $this->remedies);
    }

    /** @param  list<Remedy>  $remedies */
    public function mendedBy(array $remedies): self
    {
        return $this->with($this->mark, $remedies);
    }

    /** @return list<Remedy> */
    public function ways(): array
    {
        return is_array($this->ways) ? $this->ways : ($this->ways)();
    }

    /** @param  list<Remedy>  $remedies */
    private function with(string $mark, array $remedies): self
    {
        return new self(
            $this->code,
            $this->severity,
            $this->tub,
            $this->at,
            $this->says,
            $this->why,
            $this->ways,
            $this->by,
            $mark,
            $remedies,
        );
    }
}
