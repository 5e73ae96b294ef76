<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

use stdClass;

/** All offers by the part they are for; only those asked for are made. */
final class OfferShelf
{
    /** @var array<string, list<Offer>> those that were asked for */
    private array $made = [];

    /** @param  array<string, list<stdClass|array<string, mixed>>>  $byPart as they stand in a file */
    public function __construct(private readonly array $byPart)
    {
    }

    /** @param  iterable<stdClass>  $raw */
    public static function of(iterable $raw): self
    {
        return new self(self::byPart($raw));
    }

    /**
     * Offers by the part they are for.
     *
     * @param  iterable<stdClass>  $raw
     * @return array<string, list<stdClass>>
     */
    public static function byPart(iterable $raw): array
    {
        $byPart = [];
        foreach ($raw as $offer) {
            $byPart[$offer->part][] = $offer;
        }

        return $byPart;
    }

    /** @return list<Offer> */
    public function for(string $part): array
    {
        return $this->made[$part] ??= array_map(self::offer(...), $this->byPart[$part] ?? []);
    }

    /** @param  stdClass|array<string, mixed>  $raw */
    private static function offer(stdClass|array $raw): Offer
    {
        $raw = (object) $raw;

        return new Offer($raw->part, (float) $raw->pack, (float) $raw->price, $raw->supplier ?? null, $raw->instead ?? false);
    }

    /**
     * What a grower knows of a part besides what is here: their own offers and these, or theirs alone where one stands instead of others.
     *
     * @return list<Offer>
     */
    public function with(self $own, string $part): array
    {
        $theirs = $own->for($part);
        if ($theirs === []) {
            return $this->for($part);
        }
        $instead = array_values(array_filter($theirs, static fn (Offer $offer): bool => $offer->instead));

        return $instead === [] ? [...$this->for($part), ...$theirs] : $instead;
    }

    /** @return list<string> */
    public function parts(): array
    {
        return array_keys($this->byPart);
    }
}
