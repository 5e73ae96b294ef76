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
}
