<?php

declare(strict_types=1);

namespace App\Library;

use KelpTub\Core\File\Fault;
use KelpTub\Core\File\PartCheck;
use stdClass;

/** The shelves of the Library to which a grower adds things of their own. */
enum LibraryKind: string
{
    case Vessels = 'vessels';
    case Cups = 'cups';
    case Saws = 'saws';
    case Crops = 'crops';
    case Pumps = 'pumps';
    case Stones = 'stones';
    case Feeds = 'feeds';

    /** What one item is, as the garden file's schema names it; a saw is in no garden file and has its own. */
    public function definition(): string
    {
        return match ($this) {
            self::Vessels => 'vessel',
            self::Cups => 'cup',
            self::Saws => 'saw',
            self::Crops => 'cropRow',
            self::Pumps => 'pump',
            self::Stones => 'stoneKind',
            self::Feeds => 'product',
        };
    }

    /**
     * What the schema cannot say of an item.
     *
     * @return list<Fault>
     */
    public function disagreements(stdClass $item): array
    {
        return match ($this) {
            self::Vessels => PartCheck::vessel($item, ''),
            self::Cups => PartCheck::cup($item, ''),
            self::Crops => PartCheck::crop($item, ''),
            self::Pumps => PartCheck::pump($item, ''),
            self::Stones => PartCheck::stone($item, ''),
            self::Feeds => PartCheck::product($item, ''),
            self::Saws => [],
        };
    }
}
