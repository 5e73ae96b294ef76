<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

/** One thing in which two documents differ: where, what, and how it stands in the one and in the other, in words. */
final readonly class Difference
{
    /**
     * @param  string  $pointer  in the second document, or in the first where the second has it not
     * @param  string  $where  the tub or the pump it belongs to; empty for the garden itself
     * @param  string  $what  the field in words, empty for the whole of what $where names
     * @param  string|null  $before  null where the first has it not
     * @param  string|null  $after  null where the second has it not
     */
    public function __construct(
        public string $pointer,
        public string $where,
        public string $what,
        public ?string $before,
        public ?string $after,
    ) {
    }

    /** As a step from the first document to the second: `Pail: plants was 2, is 3`. */
    public function says(): string
    {
        if ($this->what === '') {
            return $this->where.($this->before === null ? ' was added' : ' was taken out');
        }
        $of = $this->where === '' ? '' : "$this->where: ";

        return $of.match (true) {
            $this->before === null => "$this->what is $this->after now",
            $this->after === null => "$this->what is not set any more",
            default => "$this->what was $this->before, is $this->after",
        };
    }
}
