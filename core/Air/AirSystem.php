<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/** An air pump with its lines, as the grower set it. Heights from the room's floor, lengths in mm. */
final readonly class AirSystem
{
    /**
     * @param  list<Branch>  $branches
     * @param  bool  $manifold  whether a manifold with a valve at each outlet parts the line, in place of tees
     */
    public function __construct(
        public int $index,
        public string $id,
        public Pump $pump,
        public bool $aboveWater,
        public bool $checkValve,
        public float $height,
        public bool $joined,
        public Tube $tube,
        public float $trunk,
        public array $branches,
        public bool $manifold = false,
    ) {
    }

    /** The same lines on another pump. */
    public function withPump(Pump $pump): self
    {
        return new self(...[...get_object_vars($this), 'pump' => $pump]);
    }

    public function pointer(string $rest = ''): string
    {
        return "/air/$this->index$rest";
    }
}
