<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use stdClass;

/** What was understood of a line: the entry's members, each in words; what was not; and what has to be asked first. */
final readonly class ReadLine
{
    /**
     * @param  array<string, mixed>  $entry  its members as the format has them, the moment with them
     * @param  list<string>  $understood  in words, to be looked at before it is kept
     * @param  string  $left  what was not understood, which is kept as the note
     * @param  list<array{about: string, text: string, question: string}>  $asks
     */
    public function __construct(public array $entry, public array $understood, public string $left, public array $asks)
    {
    }

    public function toReport(): stdClass
    {
        return (object) [
            'entry' => (object) $this->entry,
            'understood' => $this->understood,
            'left' => $this->left,
            'asks' => array_map(static fn (array $ask): stdClass => (object) $ask, $this->asks),
        ];
    }
}
