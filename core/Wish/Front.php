<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

/** Designs that no other one beats in everything: money, work, harvest, how long they can be left, and room. */
final class Front
{
    /**
     * Of designs that come to the same in everything the first stays.
     *
     * @param  list<Tried>  $designs
     * @return list<Tried> in their order
     */
    public static function of(array $designs): array
    {
        $front = [];
        foreach ($designs as $i => $design) {
            foreach ($designs as $j => $other) {
                if ($i !== $j && self::beats($other->burden(), $design->burden(), $j < $i)) {
                    continue 2;
                }
            }
            $front[] = $design;
        }

        return $front;
    }

    /**
     * Whether one is nowhere worse and somewhere better.
     *
     * @param  list<float>  $one
     * @param  list<float>  $other
     * @param  bool  $isFirst  whether it is enough to be as good
     */
    public static function beats(array $one, array $other, bool $isFirst = false): bool
    {
        foreach ($one as $i => $burden) {
            if ($burden > $other[$i]) {
                return false;
            }
        }

        return $isFirst || $one !== $other;
    }
}
