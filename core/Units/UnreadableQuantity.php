<?php

declare(strict_types=1);

namespace KelpTub\Core\Units;

use InvalidArgumentException;

/** A text that is no quantity. The message quotes what was given and shows what would do. */
final class UnreadableQuantity extends InvalidArgumentException
{
    public static function empty(Dimension $dimension): self
    {
        return new self('Nothing was given. Write a measure like '.self::examples($dimension).'.');
    }

    public static function noNumber(string $text, ?Dimension $dimension): self
    {
        return new self(
            sprintf('"%s" does not start with a number. Write a measure like %s.', self::quote($text), self::examples($dimension)),
        );
    }

    public static function unknownUnit(string $text, string $unit, ?Dimension $dimension): self
    {
        return new self(
            sprintf(
                '"%s" has no unit that is known here ("%s"). Write a measure like %s.',
                self::quote($text),
                self::quote($unit),
                self::examples($dimension),
            ),
        );
    }

    public static function unitMissing(string $text): self
    {
        return new self(sprintf('"%s" has no unit. Write it with one, like 54 mm, 2 3/8 in, 20 L or 5 gal.', self::quote($text)));
    }

    public static function label(string $text, string $examples): self
    {
        return new self(
            sprintf(
                '"%s" is no dose: say how much of it for how much water, as it stands on the packet, like %s.',
                self::quote($text),
                $examples,
            ),
        );
    }

    public static function unscaledPpm(string $text): self
    {
        return new self(
            sprintf(
                '"%s" does not say which ppm scale the meter uses. Write ppm (500) or ppm (700), as in 840 ppm (700).',
                self::quote($text),
            ),
        );
    }

    public static function wrongDimension(string $text, Dimension $given, Dimension $wanted): self
    {
        return new self(
            sprintf(
                '"%s" is a %s, and a %s is wanted. Write a measure like %s.',
                self::quote($text),
                self::word($given),
                self::word($wanted),
                self::examples($wanted),
            ),
        );
    }

    public static function ambiguousComma(string $text): self
    {
        return new self(
            sprintf(
                '"%s" could mean a thousand or a decimal. Write it with a point for decimals and no comma for thousands, like 1000 or 1.5.',
                self::quote($text),
            ),
        );
    }

    public static function divisionByZero(string $text): self
    {
        return new self(sprintf('"%s" divides by zero. Write a fraction like 3/8.', self::quote($text)));
    }

    public static function tooLarge(string $text): self
    {
        return new self(sprintf('"%s" is larger than anything measured here. Check the number.', self::quote($text)));
    }

    public static function noMoney(string $text): self
    {
        return new self(sprintf('"%s" is no sum of money. Write one like 15 or 15.50.', self::quote($text)));
    }

    public static function otherMoney(string $text, string $currency): self
    {
        return new self(sprintf('"%s" is not in %s, in which this garden counts. Write the sum in %2$s.', self::quote($text), $currency));
    }

    private static function examples(?Dimension $dimension): string
    {
        $examples = $dimension?->examples() ?? ['54 mm', '2 3/8 in', '20 L', '5 gal', '72 °F'];
        $last = array_pop($examples);

        return $examples === [] ? (string) $last : implode(', ', $examples).' or '.$last;
    }

    private static function word(Dimension $dimension): string
    {
        return str_replace('-', ' ', $dimension->value);
    }

    private static function quote(string $text): string
    {
        return mb_strlen($text) > 60 ? mb_substr($text, 0, 57).'…' : $text;
    }
}
