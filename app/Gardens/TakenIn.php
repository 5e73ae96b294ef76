<?php

declare(strict_types=1);

namespace App\Gardens;

/** What came of taking in everything from one file. */
final class TakenIn
{
    /** @var list<string> names of gardens that are new here */
    public array $new = [];

    /** @var list<string> names of gardens that were deleted here, and are back */
    public array $back = [];

    /** Gardens and Library items that were here already. */
    public int $same = 0;

    /** @var list<string> names of gardens that came in beside one that differs */
    public array $beside = [];

    /** @var list<array{name: string, message: string}> what could not come in, and why */
    public array $refused = [];

    /** @var array<string, string> where each garden of the file is now, by the ids that it had and has */
    public array $places = [];

    /** Library items that came in. */
    public int $items = 0;

    public function refuse(string $name, string $message): void
    {
        $this->refused[] = ['name' => $name, 'message' => $message];
    }
}
