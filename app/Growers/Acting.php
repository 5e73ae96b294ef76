<?php

declare(strict_types=1);

namespace App\Growers;

use App\Models\Grower;
use LogicException;

/**
 * For whom a request is answered. What belongs to growers is looked up for that one alone (`BelongsToGrower`); only commands on the
 * machine itself, which name nobody, see everybody's.
 */
final class Acting
{
    /** Whoever sits at a machine that never asked anyone for a name. */
    public const AT_THE_MACHINE = '';

    /** Owns nothing: somebody who is not signed in. */
    public const STRANGER = '-';

    private ?string $id = null;

    public function __construct(private readonly bool $isCommand)
    {
    }

    public function as(string $id): void
    {
        $this->id = $id;
    }

    /** Whose things are looked up; null for everybody's. */
    public function id(): ?string
    {
        if ($this->id === null && ! $this->isCommand) {
            throw new LogicException('It was not said for whom this request is answered.');
        }

        return $this->id;
    }

    /** Whose a new thing is: a command makes it the first grower's, where there is one. */
    public function owner(): string
    {
        return $this->id() ?? Grower::first()->id ?? self::AT_THE_MACHINE;
    }
}
