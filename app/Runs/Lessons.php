<?php

declare(strict_types=1);

namespace App\Runs;

use stdClass;

/** Short lessons in growing, each a tub, a seed and a goal. */
final readonly class Lessons
{
    public function __construct(private string $file)
    {
    }

    /** @return list<stdClass> in the order in which they are taken */
    public function all(): array
    {
        return json_decode((string) file_get_contents($this->file), false, 64, JSON_THROW_ON_ERROR);
    }

    public function of(string $key): ?stdClass
    {
        foreach ($this->all() as $lesson) {
            if ($lesson->key === $key) {
                return $lesson;
            }
        }

        return null;
    }
}
