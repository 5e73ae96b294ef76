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
     * @param  string|null  $ofGarden  what is said in its place, of the garden, where every tub has this finding
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
        public ?string $ofGarden = null,
    ) {
    }

    public function saidBy(Mark $mark): self
    {
        return new self(...[...get_object_vars($this), 'mark' => $mark->key()]);
    }

    /** @param  list<Remedy>  $remedies */
    public function mendedBy(array $remedies): self
    {
        return new self(...[...get_object_vars($this), 'remedies' => $remedies]);
    }

    /** The same with the ways out of it as they come to mind, not tried. */
    public function listed(): self
    {
        return $this->mendedBy(array_map(static fn (Remedy $way): Remedy => $way->untried(), $this->ways()));
    }

    /** The same said of the garden, for all its tubs. */
    public function saidOfGarden(): static
    {
        return new self(...[...get_object_vars($this), 'tub' => null, 'says' => $this->ofGarden ?? $this->says, 'ofGarden' => null]);
    }

    /** @return list<Remedy> */
    public function ways(): array
    {
        return is_array($this->ways) ? $this->ways : ($this->ways)();
    }
}
