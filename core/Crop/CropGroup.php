<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/** What is eaten of a crop; a cutting is rooted and given away. */
enum CropGroup: string
{
    case Leaf = 'leaf';
    case Herb = 'herb';
    case Root = 'root';
    case Flower = 'flower';
    case Fruit = 'fruit';
    case Cutting = 'cutting';

    /** † air that ends a crop of which nothing else is known, °C: the middle of its group in the crop table. */
    public function leastAirC(): float
    {
        return match ($this) {
            self::Leaf => -5.0,
            self::Herb => -6.0,
            self::Root => -4.0,
            self::Flower => -4.0,
            self::Fruit => 2.0,
            self::Cutting => 2.0,
        };
    }

    /** † light of a day that such a crop wants, mol/m²: the middle of its group in the crop table. */
    public function lightMolDay(): float
    {
        return match ($this) {
            self::Leaf => 12.5,
            self::Herb => 13.0,
            self::Root => 15.0,
            self::Flower => 12.5,
            self::Fruit => 20.0,
            self::Cutting => 6.0,
        };
    }
}
