<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/** How one tub's water is made up on a day: to which EC, with how much of each part. */
final readonly class Mixing
{
    /** @param  FeedProduct|null  $product  null where none is chosen: then water is made up to the target and doses are not known */
    public function __construct(
        public ?FeedProduct $product,
        private Strength $strength,
        public ?Target $target,
        public float $source,
    ) {
    }

    public function stageOn(float $day): Stage
    {
        return $this->target?->stageOn($day) ?? Stage::Grow;
    }

    /** Share of the label's dose that goes in on a day; null without a feed. */
    public function shareOn(float $day): ?float
    {
        if ($this->product === null) {
            return null;
        }
        $stage = $this->stageOn($day);
        if ($this->strength === Strength::Simple || $this->target === null) {
            return 1.0;
        }

        return $stage === Stage::Sprouting ? 0.0 : $this->product->shareFor($this->target->on($day), $this->source, $stage);
    }

    /** EC that the tub has when it is made up on a day, mS/cm; null where the feed's is not known. */
    public function ecOn(float $day): ?float
    {
        $share = $this->shareOn($day);
        if ($share === null) {
            return $this->target === null ? $this->source : max($this->source, $this->target->on($day));
        }
        $label = $this->product?->labelEc($this->stageOn($day));

        return $label === null ? ($share === 0.0 ? $this->source : null) : $this->source + $share * $label;
    }

    /**
     * What goes into so many litres on a day at a share of full strength (0 plain water, 1 as a fill).
     *
     * @return list<Dose>
     */
    public function doses(float $litres, float $day, float $part = 1.0): array
    {
        return $this->product?->doses($part * ($this->shareOn($day) ?? 0.0), $litres, $this->stageOn($day)) ?? [];
    }
}
