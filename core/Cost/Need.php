<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/** How much of a part something in the design takes. */
final readonly class Need
{
    /**
     * @param  bool  $shared  one serves the whole garden: needs of it are not added up
     * @param  float  $owned  so much of it is there already, by what the garden says
     * @param  string  $why  what it is for and how its amount was worked out
     * @param  list<string>  $for  ids of the tubs that it serves; none for the garden as a whole
     * @param  bool  $later  whether it is for plantings after the first, and so no part of one season
     */
    public function __construct(
        public string $key,
        public string $name,
        public NeedKind $kind,
        public float $amount,
        public string $unit = 'piece',
        public NeedStage $stage = NeedStage::Tools,
        public bool $shared = false,
        public float $owned = 0.0,
        public string $why = '',
        public array $for = [],
        public bool $later = false,
    ) {
    }

    /** This and another need of the same part together. */
    public function and(self $other): self
    {
        $join = $this->shared ? max(...) : static fn (float $a, float $b): float => $a + $b;

        return new self(
            $this->key,
            $other->name,
            $other->kind,
            $join($this->amount, $other->amount),
            $other->unit,
            $this->stage,
            $this->shared,
            $join($this->owned, $other->owned),
            $this->why === $other->why
                ? $this->why
                : implode('; ', array_unique(array_filter([...explode('; ', $this->why), ...explode('; ', $other->why)]))),
            array_values(array_unique([...$this->for, ...$other->for])),
            $this->later && $other->later,
        );
    }

    /** The same, said to serve a tub; what says so itself keeps its own. */
    public function ofTub(string $id): self
    {
        return $id === '' || $this->for !== [] ? $this : $this->with($this->amount, $this->owned, [$id]);
    }

    /** The same for one of so many tubs alike; what they share is needed once. */
    public function ofOne(int $count): self
    {
        return $this->shared ? $this : $this->with($this->amount / $count, $this->owned / $count, $this->for);
    }

    /** @param  list<string>  $for */
    private function with(float $amount, float $owned, array $for): self
    {
        return new self(
            $this->key,
            $this->name,
            $this->kind,
            $amount,
            $this->unit,
            $this->stage,
            $this->shared,
            $owned,
            $this->why,
            $for,
            $this->later,
        );
    }
}
