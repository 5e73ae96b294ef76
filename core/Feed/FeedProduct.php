<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/**
 * A feed of one, two or three parts, as its packets give it.
 *
 * Its EC at full strength is the sum of what its parts bring, or is given as a whole, or is unknown: then doses go by the label's share
 * and no EC is made up. Source: handbook, season (feed products).
 */
final readonly class FeedProduct
{
    /** A dose is at most so much of what the label says; more is a typing mistake. */
    public const MOST_OF_LABEL = 1.25;

    /**
     * @param  non-empty-list<FeedPart>  $parts  in the order in which they are mixed
     * @param  float|null  $wholeEc  mS/cm of the label's dose as a whole
     * @param  array<string, array<string, float>>  $stages  share of the label's dose by stage and part; 1 where nothing is said
     * @param  bool  $organic  clogs fine stones and spoils in still water
     * @param  bool  $living  has helpful microbes in it, which peroxide kills
     * @param  bool  $calciumMagnesium  brings what soft water lacks
     */
    public function __construct(
        public ?string $key,
        public string $name,
        public array $parts,
        private ?float $wholeEc = null,
        private array $stages = [],
        public bool $organic = false,
        public bool $living = false,
        public bool $calciumMagnesium = false,
    ) {
    }

    public function isMultiPart(): bool
    {
        return count($this->parts) > 1;
    }

    /** Share of a part's label dose at a stage. */
    public function share(FeedPart $part, Stage $stage): float
    {
        $of = $this->stages[$stage === Stage::Bloom ? 'bloom' : 'grow'] ?? [];

        return $of[$part->name] ?? $of[''] ?? 1.0;
    }

    /** EC that the label's dose of a stage brings to pure water, mS/cm; null where the packet does not say. */
    public function labelEc(Stage $stage = Stage::Grow): ?float
    {
        $ec = 0.0;
        foreach ($this->parts as $part) {
            if ($part->ecPerUnit === null) {
                return $this->wholeEc;
            }
            $ec += $part->perLitre * $this->share($part, $stage) * $part->ecPerUnit;
        }

        return $ec > 0.0 ? $ec : $this->wholeEc;
    }

    /**
     * The share of the label's dose that brings water to an EC: `k = max(c − s, c/2)/(label EC)`, kept within 0 to 1.25. Worked: 0.6667
     * for 1.2 from 0.4 with a label of 1.2; 0.3333 for 0.8 from hard water of 0.8, which comes to 1.2.
     *
     * @param  float  $wanted  c, mS/cm
     * @param  float  $source  s, of the water, mS/cm
     */
    public function shareFor(float $wanted, float $source, Stage $stage): float
    {
        return min(self::MOST_OF_LABEL, $this->shareNeeded($wanted, $source, $stage));
    }

    /** The same with no end: over 1.25 the feed is too weak for what is wanted. */
    public function shareNeeded(float $wanted, float $source, Stage $stage): float
    {
        $label = $this->labelEc($stage);

        return $label === null ? 1.0 : self::added($wanted, $source) / $label;
    }

    /** What feed has to add to water, mS/cm: the rest to what is wanted, half of it at least: what is in hard water is no food. */
    public static function added(float $wanted, float $source): float
    {
        return max($wanted - $source, $wanted / 2);
    }

    /**
     * Amounts for so many litres, mL of liquids and g of dry parts.
     *
     * @return list<Dose>
     */
    public function doses(float $share, float $litres, Stage $stage): array
    {
        return array_map(
            fn (FeedPart $part): Dose => new Dose($part, $share * $part->perLitre * $this->share($part, $stage) * $litres),
            $this->parts,
        );
    }
}
