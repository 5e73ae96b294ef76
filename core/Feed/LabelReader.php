<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

use KelpTub\Core\Units\Dimension;
use KelpTub\Core\Units\QuantityReader;
use KelpTub\Core\Units\Reading;
use KelpTub\Core\Units\UnitSystem;
use KelpTub\Core\Units\UnreadableQuantity;

/**
 * Reads a dose as it stands on the packet: `3/4 tsp per gallon`, `30 g per 50 L`, `2 scoops of 4 mL for 15 L`, `8 mL to 2 US gal`,
 * `5 ml/L`, `1:250`.
 *
 * An amount, a word between, and the water it is for; without a number that is one of its unit. Source: handbook, season (feed products).
 */
final class LabelReader
{
    public const EXAMPLES = '"3/4 tsp per gallon", "30 g per 50 L", "2 scoops of 4 mL for 15 L", "8 mL to 2 US gal"';

    private const BETWEEN = '/^(.+?)\s*(?:\/|\b(?:per|for|to|in|into|on|a|each)\b)\s*(?:each\s+|every\s+|a\s+|an\s+|one\s+)?(.+)$/iu';

    private const SCOOPS = '/^([\d.,\/\s½¼¾⅓⅔-]+?)\s*(?:scoops?|spoons?|caps?|capfuls?|measures?|sachets?|pumps?|drops?)\s+of\s+(.+)$/iu';

    private const RATIO = '/^1\s*:\s*(\d+(?:[.,]\d+)?)$/u';

    /** @throws UnreadableQuantity when it is no dose */
    public static function read(string $text): LabelDose
    {
        $clean = trim($text);
        if (preg_match(self::RATIO, $clean, $ratio) === 1 && (float) str_replace(',', '.', $ratio[1]) > 0.0) {
            return new LabelDose($clean, true, 1000 / (float) str_replace(',', '.', $ratio[1]));
        }
        $said = self::halves($clean) ?? throw UnreadableQuantity::label($text, self::EXAMPLES);
        [$amount, $factor] = self::amount($said[0], $text);
        $water = self::water($said[1]);
        if ($water->value <= 0.0 || $amount->value <= 0.0) {
            throw UnreadableQuantity::label($text, self::EXAMPLES);
        }
        $perLitre = $amount->value * $factor / $water->value;
        $notes = array_filter([$amount->unit->note, $water->unit->note]);

        return $amount->unit->dimension === Dimension::Volume
            ? new LabelDose($clean, true, 1000 * $perLitre, implode(', ', $notes))
            : new LabelDose($clean, false, $perLitre, implode(', ', $notes));
    }

    /**
     * The amount and the water: a slash within a fraction parts nothing.
     *
     * @return array{string, string}|null
     */
    private static function halves(string $text): ?array
    {
        $plain = (string) preg_replace('/(\d)\s*\/\s*(\d)/u', '$1⁄$2', $text);

        return preg_match(self::BETWEEN, $plain, $m) === 1 ? [str_replace('⁄', '/', $m[1]), str_replace('⁄', '/', $m[2])] : null;
    }

    /** @return array{Reading, float} what one is, and how many of them */
    private static function amount(string $text, string $label): array
    {
        $many = 1.0;
        if (preg_match(self::SCOOPS, trim($text), $m) === 1) {
            $many = QuantityReader::read(trim($m[1]).' L', Dimension::Volume, UnitSystem::Metric)->value;
            $text = $m[2];
        }
        $reading = QuantityReader::readAny(preg_match('/^\s*[\d.,½¼¾⅓⅔]/u', $text) === 1 ? $text : "1 $text");
        if (! in_array($reading->unit->dimension, [Dimension::Volume, Dimension::Mass], true)) {
            throw UnreadableQuantity::label($label, self::EXAMPLES);
        }

        return [$reading, $many];
    }

    private static function water(string $text): Reading
    {
        $clean = trim((string) preg_replace('/\bof\s+(?:the\s+)?(?:water|solution)\b.*$|\bwater\b.*$/iu', '', trim($text)));

        return QuantityReader::read(
            preg_match('/^[\d.,½¼¾⅓⅔]/u', $clean) === 1 ? $clean : "1 $clean",
            Dimension::Volume,
            UnitSystem::Metric,
        );
    }
}
