<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/** How one tub's water is made up at a stage of its plants: to which EC, with how much of each part. */
final readonly class Mixing
{
    /** @var array<string, float|null> EC that the tub has when it is made up at a stage, mS/cm; null where the feed's is not known */
    private array $made;

    /**
     * @param  FeedProduct|null  $product  null where none is chosen: then the EC runs as if the target were met, and there are no doses
     * @param  Target|null  $target  null without plants
     * @param  float  $source  EC of the water, mS/cm
     */
    public function __construct(
        public ?FeedProduct $product,
        private Strength $strength,
        public ?Target $target,
        public float $source,
    ) {
        $made = [];
        foreach (Stage::cases() as $stage) {
            $made[$stage->value] = $this->mixed($stage);
        }
        $this->made = $made;
    }

    /** Whether the label's dose is given from the start. */
    public function isSimple(): bool
    {
        return $this->product !== null && ($this->strength === Strength::Simple || $this->target === null);
    }

    /** Share of the label's dose that goes in at a stage; null without a feed. */
    public function shareAt(Stage $stage): ?float
    {
        return match (true) {
            $this->product === null => null,
            $this->isSimple() => 1.0,
            $this->isPlain($stage) => 0.0,
            default => $this->product->shareFor($this->target?->at($stage) ?? 0.0, $this->source, $stage),
        };
    }

    /** EC that the tub has when it is made up at a stage, mS/cm; null where the feed's is not known. */
    public function ecAt(Stage $stage): ?float
    {
        return $this->made[$stage->value];
    }

    /** EC of a top-up at a stage at a share of full strength, mS/cm; null where the feed's is not known. */
    public function topUpEc(Stage $stage, float $share): ?float
    {
        $full = $this->ecAt($stage);

        return match (true) {
            $share === 0.0 => $this->source,
            $full === null => null,
            default => $this->source + $share * ($full - $this->source),
        };
    }

    /** The same worked out, once a stage. */
    private function mixed(Stage $stage): ?float
    {
        if ($this->product === null) {
            return $this->target === null || $this->isPlain($stage)
                ? $this->source
                : $this->source + FeedProduct::added($this->target->at($stage), $this->source);
        }
        $share = $this->shareAt($stage) ?? 0.0;
        $label = $this->product->labelEc($stage);

        return $label === null ? ($share === 0.0 ? $this->source : null) : $this->source + $share * $label;
    }

    /** The strongest that this feed makes of the water at a stage, mS/cm; without a feed there is no end, null where it is not known. */
    public function strongest(Stage $stage): ?float
    {
        $label = $this->product?->labelEc($stage);

        return match (true) {
            $this->product === null => INF,
            $label === null => null,
            default => $this->source + FeedProduct::MOST_OF_LABEL * $label,
        };
    }

    /**
     * What goes into so many litres at a stage at a share of full strength (0 plain water, 1 as a fill).
     *
     * @return list<Dose>
     */
    public function doses(float $litres, Stage $stage, float $part = 1.0): array
    {
        return $this->product?->doses($part * ($this->shareAt($stage) ?? 0.0), $litres, $stage) ?? [];
    }

    /**
     * What brings so many litres up by an EC at a stage: parts `(c − E)·V/(label EC)`.
     *
     * @return list<Dose>
     */
    public function dosesUp(float $ec, float $litres, Stage $stage): array
    {
        $label = $this->product?->labelEc($stage);

        return $this->product === null || $label === null ? [] : $this->product->doses($ec / $label, $litres, $stage);
    }

    /** Whether seeds get water alone. */
    private function isPlain(Stage $stage): bool
    {
        return $stage === Stage::Sprouting && $this->target !== null && ! $this->target->isOnce();
    }
}
