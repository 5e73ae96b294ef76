<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/** One bottle or bag of a feed, with its dose at full strength: mL of a liquid or g of a dry one in a litre of water. */
final readonly class FeedPart
{
    /**
     * @param  float  $perLitre  mL or g in a litre at full strength
     * @param  float|null  $density  g in a mL of it; null where the packet does not say
     * @param  float|null  $ecPerUnit  mS/cm that one mL or g brings to a litre; null where it is not known
     * @param  string|null  $label  the dose as it stands on the packet
     */
    public function __construct(
        public string $name,
        public bool $liquid,
        public float $perLitre,
        public ?float $density,
        public ?float $ecPerUnit,
        public ?string $label = null,
    ) {
    }

    public function unit(): string
    {
        return $this->liquid ? 'mL' : 'g';
    }

    /** Teaspoons of 4.93 mL to the nearest quarter for an amount in mL or g; null for a dry one of unknown density. */
    public function spoons(float $amount): ?float
    {
        $millilitres = match (true) {
            $this->liquid => $amount,
            $this->density !== null && $this->density > 0.0 => $amount / $this->density,
            default => null,
        };

        return $millilitres === null ? null : Spoons::nearest($millilitres);
    }
}
