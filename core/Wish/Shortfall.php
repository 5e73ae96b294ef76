<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use stdClass;

/** One thing in which a design goes beyond a wish: what would have to be wished instead, as a patch and in words. */
final readonly class Shortfall
{
    /**
     * @param  string  $of  what it is of: `height`
     * @param  float  $by  how far beyond, as a share of what was wished; the nearest is the least
     * @param  string  $says  "25 mm more height: 1225 mm"
     */
    public function __construct(public string $of, public float $by, public string $says, public string $path, public mixed $value)
    {
    }

    public function patch(): stdClass
    {
        return (object) ['op' => 'add', 'path' => $this->path, 'value' => $this->value];
    }
}
