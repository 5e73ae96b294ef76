<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/** Which findings have the ways out of them tried, and whose come first, where there is not time for all. */
final readonly class WaysWanted
{
    /**
     * @param  string|null  $tub  whose findings come first
     * @param  int  $atEach  of so many findings at each mark of a tub, worst first; of the rest ways are listed and not tried
     * @param  string  $wholeMark  a mark at which all findings of that tub, of those beside it and of the garden are asked about
     * @param  list<string>|null  $beside  other tubs that are asked about, as those on the same pump; null for all
     */
    public function __construct(
        public ?string $tub = null,
        public int $atEach = PHP_INT_MAX,
        public string $wholeMark = '',
        public ?array $beside = null,
    ) {
    }

    /**
     * Places of those whose ways are tried, in the order in which they are.
     *
     * @param  list<Finding>  $findings  worst first
     * @return list<int>
     */
    public function inOrder(array $findings): array
    {
        $wanted = $at = [];
        $near = [null, $this->tub, ...($this->beside ?? [])];
        foreach ($findings as $i => $finding) {
            $isNear = in_array($finding->tub, $near, true);
            if (! $isNear && $this->beside !== null) {
                continue;
            }
            $place = "$finding->tub $finding->mark";
            $at[$place] = ($at[$place] ?? 0) + 1;
            if ($at[$place] <= $this->atEach || ($isNear && $finding->mark === $this->wholeMark)) {
                $wanted[] = $i;
            }
        }
        usort($wanted, fn (int $a, int $b): int => [$findings[$a]->tub !== $this->tub, $a] <=> [$findings[$b]->tub !== $this->tub, $b]);

        return $wanted;
    }
}
