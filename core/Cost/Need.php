<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/** How much of a part something in the design takes. */
final readonly class Need
{
    /**
     * @param  bool  $shared  one serves the whole garden: needs of it are not added up
     * @param  float  $owned  so much of it is there already, by what the garden says
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
        );
    }
}
