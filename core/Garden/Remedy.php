<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use Closure;
use stdClass;

/** A way out of a finding: what it does in words, and a JSON Patch (RFC 6902) on the garden that does it. */
final readonly class Remedy
{
    /**
     * @param  list<stdClass>  $patch
     * @param  (Closure(): (Remedy|null))|null  $otherwise  what to try where this does not help
     * @param  list<string>  $then  codes of the stops that it would bring
     * @param  bool  $pending  whether it was not tried yet
     */
    public function __construct(
        public string $says,
        public array $patch,
        public ?Closure $otherwise = null,
        public array $then = [],
        public bool $pending = false,
    ) {
    }

    /**
     * Ways of which the first that helps is wanted, each what else to try where the one before it does not; null where there are none.
     * Each is made when its turn comes.
     *
     * @template T
     *
     * @param  list<T>  $of
     * @param  Closure(T): self  $way
     */
    public static function inTurn(array $of, Closure $way): ?self
    {
        if ($of === []) {
            return null;
        }
        $first = $way($of[0]);

        return new self($first->says, $first->patch, static fn (): ?self => self::inTurn(array_slice($of, 1), $way));
    }

    /** The same, not tried yet. */
    public function untried(): self
    {
        return new self($this->says, $this->patch, pending: true);
    }

    /**
     * The same with what it would bring named after it.
     *
     * @param  list<Finding>  $stops
     */
    public function bringing(array $stops): self
    {
        if ($stops === []) {
            return new self($this->says, $this->patch);
        }

        return new self(
            "$this->says. Then: ".lcfirst(rtrim(explode('. ', $stops[0]->says)[0], '.')),
            $this->patch,
            then: array_values(array_unique(array_map(static fn (Finding $f): string => $f->code, $stops))),
        );
    }
}
