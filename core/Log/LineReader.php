<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Units\Unit;
use KelpTub\Core\Units\UnitSystem;

/**
 * Reads one line as a grower writes it at the tub: `pH 6.3, EC 1.7, 21 °C, down 4 cm, topped up 3 L`. What is doubtful (a range, a
 * question, something that was not done, a figure that cannot be) is never guessed: it stays as the note, or is asked for.
 *
 * Source: handbook, log (entries).
 */
final class LineReader
{
    private const NUMBER = '(?<n>\d+[ -]\d+\/\d+|\d+\/\d+|\d*\s?[½¼¾⅓⅔⅛⅜⅝⅞]|\d+(?:[.,]\d+)?|[.,]\d+|(?:one and a half|half an?'
        .'|a half|a quarter of an?'
        .'|an?|one|two|three|four|five|six|seven|eight|nine|ten|twelve)(?=\s))';

    private const DECIMAL = '(?<n>\d+(?:[.,]\d+)?|[.,]\d+)';

    private const WORDS = [
        'one and a half' => 1.5, 'half a' => 0.5, 'half an' => 0.5, 'a half' => 0.5, 'a quarter of a' => 0.25, 'a quarter of an' => 0.25,
        'a' => 1, 'an' => 1, 'one' => 1, 'two' => 2, 'three' => 3, 'four' => 4, 'five' => 5, 'six' => 6, 'seven' => 7, 'eight' => 8,
        'nine' => 9, 'ten' => 10, 'twelve' => 12,
    ];

    private const FRACTIONS = [
        '½' => 1 / 2, '¼' => 1 / 4, '¾' => 3 / 4, '⅓' => 1 / 3, '⅔' => 2 / 3, '⅛' => 1 / 8, '⅜' => 3 / 8, '⅝' => 5 / 8, '⅞' => 7 / 8,
    ];

    private const IS = '(?:\s*(?:is|was|are|at|of|reads?|read|shows?|stands?|now|about|around|roughly|up|:|=|~|-)\s*)*\s*';

    private const VOLUMES = 'millilit(?:re|er)s?|ml|lit(?:re|er)s?|l|imp(?:erial)? gal(?:lons?)?|gal(?:lons?)?|quarts?|qts?|pints?'
        .'|pts?|fl\.? ?oz'
        .'|fluid ounces?|cups?';

    private const LENGTHS = 'millimet(?:re|er)s?|mm|centimet(?:re|er)s?|cm|inch(?:es)?|in|"|″|\'\'';

    private const MASSES = 'kilograms?|kilos?|kg|grams?|grammes?|g|ounces?|oz|pounds?|lbs?';

    /** What makes a clause no report of what was read or done. */
    private const DOUBTFUL = '/\b(?:not|no|never|without|(?:did|do|does|is|was|has|have|had|could|would|should|ca|wo)n[\'’]?t'
        .'|forgot|should|shall|will'
        .'|must|needs?|going to|want(?:s|ed)? to|plan(?:s|ning|ned)? to|tomorrow|next (?:week|time|month)|maybe|perhaps|probably'
        .'|might|could|would'
        .'|if|unless|or|between|supposed|aim(?:ing)?|target|goal|wanted|yesterday\'s|last week\'s|label says)\b|\?|\d\s*(?:-|–|—|to'
        .'|\.\.)\s*\d(?!\d*\s?\/)/ui';

    private const FILLER = '/\b(?:and|the|is|was|it|its|now|today|of|with|at|in|to|then|also|just|again|by|for|i|have|has|been|my'
        .'|this|some|so|about|reading|measured'
        .'|water|level|tub)\b|[&+,;:.()\-–—!"\']/ui';

    /** Words that are left where something of a clause was understood, and say nothing more. */
    private const LEFT_OVER = '/\b(?:yet|seeds?|seedlings?|leaf|leaves|plants?|roots?|walls?|sides?|foul|pebbles|cups?|added|adding'
        .'|after|dosed|used|gave'
        .'|put|on|some|a bit'
        .'|slightly|very|looking|look|looks|all|over|are|were)\b/ui';

    private const DEEDS = [
        'clean-stone' => '/\b(?:clean(?:ed|s)?|wash(?:ed)?|soak(?:ed)?|scrubb?(?:ed)?|replac(?:ed)'
            .'|swapped)\b[^,;.]*\b(?:air ?)?stones?\b/u',
        'wipe' => '/\bwip(?:ed|e)\b[^,;.]*/u',
        'trim-roots' => '/\btrimm?(?:ed)?\b[^,;.]*\broots?\b/u',
        'thin' => '/\bthinn(?:ed|ing)\b[^,;.]*/u',
        'pinch' => '/\bpinch(?:ed)?\b[^,;.]*/u',
        'tie' => '/\b(?:tied|staked)\b[^,;.]*/u',
        'cover' => '/\b(?:covered|wrapped|shaded)\b[^,;.]*/u',
        'sow' => '/\bsow(?:ed|n)\b[^,;.]*/u',
        'transplant' => '/\b(?:transplanted|planted out|set in)\b[^,;.]*/u',
        'clear' => '/\b(?:cleared|pulled)\b[^,;.]*\b(?:out|plants?|tub)\b[^,;.]*/u',
        'check' => '/\b(?:checked|looked)\b(?: (?:the )?(?:tub|water|roots|pump|air|everything|over it|at it))?/u',
    ];

    /** @var array<string, mixed> */
    private array $entry = [];

    /** @var array<int|string, string> by the figure's member */
    private array $understood = [];

    /** @var list<string> */
    private array $left = [];

    /** @var list<array{about: string, text: string, question: string}> */
    private array $asks = [];

    private QuantityWriter $write;

    /** What of a clause is not understood yet. */
    private string $rest = '';

    private bool $isAfterChange = false;

    /** The figure that was kept last. */
    private ?string $last = null;

    private function __construct(private readonly LineContext $context)
    {
        $this->write = new QuantityWriter($context->units);
    }

    public static function read(string $line, LineContext $context): ReadLine
    {
        $reader = new self($context);
        $text = trim((string) preg_replace('/[\s\x{00A0}\x{2009}\x{202F}]+/u', ' ', str_replace(['−', '’'], ['-', "'"], $line)));
        [$moment, $text, $said] = LineMoment::of($text, $context->day, $context->minute);
        if ($moment === null) {
            $reader->ask('at', $said, 'That is still to come. When was it?');
            $moment = [$context->day, $context->minute];
        } elseif ($said !== '') {
            $reader->understood[] = $said;
        }
        foreach (preg_split('/[;\n!]|,(?!\d)|(?<!\d),|\.(?!\d)|\b(?:but|then)\b/ui', $text) ?: [] as $clause) {
            if (trim($clause) !== '') {
                $reader->clause(trim($clause));
            }
        }

        return new ReadLine(
            ['at' => LineMoment::text(...$moment), ...$reader->entry],
            array_values($reader->understood),
            trim(implode(', ', array_filter($reader->left))),
            $reader->asks,
        );
    }

    private function clause(string $clause): void
    {
        $this->rest = mb_strtolower($clause);
        foreach ([Sign::NotUp, Sign::NoBubbles] as $sign) {
            $this->sign($sign);
        }
        // A dash before the pH that is brought down is none of a range.
        $held = (string) preg_replace('/\bph[- ](?:down|up)\b|\btop(?:ped)?-up\b/u', '', $this->rest);
        if (preg_match(self::DOUBTFUL, $held) === 1) {
            $this->left[] = $this->rest === mb_strtolower($clause) ? $clause : trim($this->rest);

            return;
        }
        $this->doses();
        $this->change();
        $this->topUps();
        $this->ph();
        $this->ec();
        $this->temperature();
        $this->level();
        $this->harvest();
        foreach (Sign::cases() as $sign) {
            $this->sign($sign);
        }
        foreach (self::DEEDS as $did => $pattern) {
            if ($this->take($pattern) !== null) {
                $this->entry['did'] = array_values(array_unique([...($this->entry['did'] ?? []), $did]));
                $this->understood[] = str_replace('-', ' ', $did).' noted';
            }
        }
        $isWhole = $this->rest === mb_strtolower($clause);
        if ($isWhole && preg_match('/^(?:(?:is|was|now|then|after|later)\s+)*'.self::DECIMAL.'$/u', $this->rest) === 1) {
            $this->bareNumber($clause);

            return;
        }
        $bare = trim((string) preg_replace([...($isWhole ? [] : [self::LEFT_OVER]), self::FILLER, '/\s+/u'], ['', '', ''], $this->rest));
        if ($bare !== '') {
            $this->left[] = $isWhole ? $clause : trim($this->rest, ' ,;:-');
        }
    }

    /** A number by itself: of what was spoken of before, later on, or of what nobody knows. */
    private function bareNumber(string $clause): void
    {
        $this->left[] = $clause;
        if ($this->last !== null && preg_match('/now|then|after|later/ui', $clause) === 1) {
            unset($this->entry[$this->last], $this->understood[$this->last]);
            $this->ask($this->last, $clause, 'Two figures for one thing: write them as two entries, each with its time.');

            return;
        }
        $this->ask('note', $clause, "$clause of what?");
    }

    private function sign(Sign $sign): void
    {
        if ($this->take('/'.$sign->pattern().'/u') !== null && ! in_array($sign->value, $this->entry['signs'] ?? [], true)) {
            $this->entry['signs'] = [...($this->entry['signs'] ?? []), $sign->value];
            $this->understood[] = lcfirst($sign->name());
        }
    }

    /** @return array<string, string>|null what a pattern found in what is left, which is taken out of it */
    private function take(string $pattern): ?array
    {
        if (preg_match($pattern, $this->rest, $m, PREG_UNMATCHED_AS_NULL) !== 1) {
            return null;
        }
        $this->rest = trim((string) preg_replace($pattern, ' ', $this->rest, 1));

        return array_map(
            static fn (?string $found): string => $found ?? '',
            array_filter($m, is_string(...), ARRAY_FILTER_USE_KEY) + ['' => $m[0]],
        );
    }

    private function ask(string $about, string $text, string $question): void
    {
        $this->asks[] = ['about' => $about, 'text' => $text, 'question' => $question];
    }

    /** Keeps a figure; where the line gave another one already neither is, and it is asked for. */
    private function keep(string $member, float $value, string $says, string $text): void
    {
        if (isset($this->entry[$member]) && abs($this->entry[$member] - $value) > 1.0e-9) {
            unset($this->entry[$member], $this->understood[$member]);
            $this->ask($member, $text, 'Two figures for one thing: write them as two entries, each with its time.');

            return;
        }
        $this->entry[$member] = $value;
        $this->last = $member;
        $this->understood[$member] = $says;
    }

    private function doses(): void
    {
        $parts = implode('|', array_map(static fn (string $p): string => preg_quote(mb_strtolower($p), '/'), $this->context->parts));
        $what = '(?<what>ph[ -]?(?:down|up|minus|plus|\-|\+)|acid|'.($parts === '' ? '' : "(?:part )?(?:$parts)|").'each)(?!\w)';
        $unit = '(?<u>ml|millilit(?:re|er)s?|drops?|g|grams?|tsp|teaspoons?|tbsp|tablespoons?)';
        $forms = [
            '/(?<!\w)'.self::NUMBER.'\s*'.$unit.'\s*(?:of\s+)?(?:the\s+)?'.$what.'(?:\s+of\s+[^,;.]*)?/u',
            '/(?<!\w)'.$what.self::IS.self::NUMBER.'\s*'.$unit.'(?!\w)/u',
        ];
        foreach ($forms as $form) {
            while (($m = $this->take($form)) !== null) {
                $this->dose($m['what'], self::number($m['n']), $m['u'], trim($m['']));
            }
        }
    }

    private function dose(string $what, ?float $amount, string $unit, string $text): void
    {
        if ($amount === null) {
            $this->left[] = $text;

            return;
        }
        [$kind, $value] = match (true) {
            str_starts_with($unit, 'drop') => ['ml', $amount / 20],
            str_starts_with($unit, 'tsp'), str_starts_with($unit, 'tea') => ['ml', $amount * Unit::ML_PER_TEASPOON],
            str_starts_with($unit, 'tb'), str_starts_with($unit, 'table') => ['ml', 3 * $amount * Unit::ML_PER_TEASPOON],
            str_starts_with($unit, 'g') => ['g', $amount],
            default => ['ml', $amount],
        };
        $names = [];
        foreach ($this->context->parts as $part) {
            if ($what === 'each' || preg_replace('/^part /', '', $what) === mb_strtolower($part)) {
                $names[] = $part;
            }
        }
        $names = match (true) {
            preg_match('/^ph[ -]?(?:down|minus|-)|^acid/u', $what) === 1 => ['ph-down'],
            str_starts_with($what, 'ph') => ['ph-up'],
            default => $names,
        };
        foreach ($names as $name) {
            $this->entry['dose'][$name] = [$kind => ($this->entry['dose'][$name][$kind] ?? 0.0) + $value];
            $said = QuantityWriter::plain($value, 2).($kind === 'ml' ? "\u{202F}mL" : "\u{202F}g");
            $this->understood[] = "$said of $name".(str_starts_with($unit, 'drop') ? ', 20 drops to a millilitre' : '');
        }
    }

    private function change(): void
    {
        $water = '(?:all )?(?:of )?(?:the )?(?:old )?(?:water|reservoir|solution|nutrients?(?: solution)?|res)';
        $found = $this->take('/\b(?:changed|renewed|replaced|swapped|exchanged)\s+'.$water.'\b|\b(?:water|reservoir|res'
            .'|solution) (?:was )?(?:changed?|renewed|replaced)\b'
            .'|\b(?:drained|emptied)\b[^,;.]*\b(?:refilled|filled)\b(?: it)?|\bfull (?:water )?change\b|\b(?:fresh|new) (?:water'
            .'|solution|batch)\b|\bwater change done\b/u');
        if ($found !== null) {
            $this->entry['change'] = true;
            $this->isAfterChange = true;
            $this->understood[] = 'all the water changed';
        }
    }

    private function topUps(): void
    {
        $poured = '\b(?:top(?:ped)?(?:[ -]it)?[ -]?up(?:[ -]it)?|toped up|refill(?:ed)?|fill(?:ed)?(?: it)?(?: up)?|add(?:ed)?'
            .'|pour(?:ed)?(?: in)?|put in|gave(?: it| them)?)';
        $litres = self::NUMBER.'\s*(?<u>'.self::VOLUMES.'|jug(?:ful)?s?)(?![\w\/])';
        $ec = '(?:[^,;.]*?\b(?:at|of|with)\b\s*(?:an? )?(?:ec\s*(?:of\s*)?(?<ec>\d+(?:[.,]\d+)?)'
            .'|(?<ec2>\d+(?:[.,]\d+)?)\s*(?:ms(?:\/cm)?|ec)))?';
        $m = $this->take('/'.$poured.'\s*(?:(?:with|by|another|of|about|around|roughly|some|it|the tub)\s+|~\s*)*'.$litres.$ec.'/u')
            ?? $this->take('/(?<![\w.,])\+\s*'.$litres.$ec.'/u')
            ?? $this->take(
                '/(?<![\w.,])'.$litres.'\s*(?:of )?(?:plain )?(?:water |feed )?(?:added|poured in|topped up|top[ -]?up|put in'
                    .'|in)\b'.$ec.'/u'
            );
        $m ??= preg_match('/jug/u', $this->rest) === 1 ? $this->take('/^'.$litres.'\s*(?:of water)?$/u') : null;
        if ($m === null) {
            $some = $this->take('/^'.$litres.'\s*$/u');
            if ($some !== null) {
                $this->ask('top_up_l', $some[''], 'Was that poured in? Write "topped up" before it.');
                $this->left[] = trim($some['']);

                return;
            }
            $to = $this->take('/'.$poured.'\s*(?:it )?(?:back )?(?:up )?to (?:the )?(?:water )?(?:line|mark|top|brim)\b/u');
            if ($to !== null) {
                $this->ask('top_up_l', $to[''], 'How many litres was that?');
                $this->left[] = trim($to['']);
            }

            return;
        }
        $litres = $this->litres($m);
        if ($litres === null) {
            return;
        }
        if ($litres > EntryReader::MOST_LITRES) {
            $this->ask('top_up_l', trim($m['']), 'That is more than any tub holds. How much was it?');

            return;
        }
        $this->keep('top_up_l', $litres, 'topped up '.$this->write->volume($litres), trim($m['']));
        $of = self::number(($m['ec'] ?? '').($m['ec2'] ?? ''));
        if ($of !== null) {
            $this->conductivity('top_up_ec', $of, '', trim($m['']), 'at EC');
        }
    }

    /** @param  array<string, string>  $m */
    private function litres(array $m): ?float
    {
        $amount = self::number($m['n']);
        if ($amount === null) {
            $this->ask('top_up_l', trim($m['']), 'How much was it?');

            return null;
        }
        if (str_starts_with($m['u'], 'jug')) {
            if ($this->context->jug === null) {
                $this->ask('jug', trim($m['']), 'How much does your jug hold?');
                $this->left[] = trim($m['']);
            }

            return $this->context->jug === null ? null : $amount * $this->context->jug;
        }
        $unit = Unit::named(rtrim(str_replace('fl.', 'fl', $m['u']), '.')) ?? Unit::named('l');

        return round($unit?->toCore($amount) ?? 0.0, 9);
    }

    private function ph(): void
    {
        while (($m = $this->take('/\bp\.?h(?![a-z])(?: value)?(?!\s*(?:down|up|minus|plus)\b)'.self::IS.self::DECIMAL.'(?![\d\/])/u')
            ?? $this->take('/(?<![\w.,])'.self::DECIMAL.'\s*ph\b/u')) !== null) {
            $ph = self::number($m['n']);
            $wrong = $ph === null ? 'cannot be read' : EntryReader::ph($ph);
            // What no water in a tub has is a slip more often than a reading.
            $wrong ??= $ph < 3.0 || $ph > 10.0 ? "is {$m['n']}, which no tub has" : null;
            if ($wrong !== null) {
                $this->ask('ph', trim($m['']), "pH $wrong");
                $this->left[] = trim($m['']);

                continue;
            }
            $this->keep('ph', (float) $ph, 'pH '.QuantityWriter::plain((float) $ph, 2), trim($m['']));
        }
    }

    private function ec(): void
    {
        $units = '(?<u>ms\s?\/\s?cm|ms|ds\s?\/\s?m|[µμu]s\s?\/\s?cm|[µμu]s)';
        // What is read after a change is that of the new water, unless it was before.
        $isNew = $this->isAfterChange && preg_match('/\b(?:was|were|had|before|old)\b/u', $this->rest) !== 1;
        while (($m = $this->take('/(?<![\w])(?:tds|ec)?'.self::IS.self::DECIMAL.'\s*ppm\s*\(?\s*(?<u>500|700)?(?: scale)?\s*\)?/u')
            ?? $this->take('/\btds\b'.self::IS.self::DECIMAL.'(?<u>)/u')) !== null) {
            $this->ppm($m, $isNew);
        }
        while (($m = $this->take('/\be\.?c(?![a-z])\.?'.self::IS.self::DECIMAL.'\s*(?:'.$units.')?(?![\w\/])/u')
            ?? $this->take('/\bconductivity\b'.self::IS.self::DECIMAL.'\s*(?:'.$units.')?/u')
            ?? $this->take('/(?<![\w.,])'.self::DECIMAL.'\s*(?:ec\b(?<u>)|'.str_replace('<u>', '<u2>', $units).')(?!\w)/u')) !== null) {
            $ec = self::number($m['n']);
            if ($ec === null) {
                $this->ask('ec_ms_cm', trim($m['']), 'A comma before three digits: is it thousands, or a point?');
                $this->left[] = trim($m['']);

                continue;
            }
            $this->conductivity(
                $isNew ? 'top_up_ec' : 'ec_ms_cm',
                $ec,
                $m['u'].($m['u2'] ?? ''),
                trim($m['']),
                $isNew ? 'made up to EC' : 'EC',
            );
        }
    }

    /** @param  array<string, string>  $m */
    private function ppm(array $m, bool $isNew): void
    {
        $ppm = self::number($m['n']);
        $scale = (int) $m['u'] ?: $this->context->ppmScale;
        if ($ppm === null || $scale === null) {
            $this->ask('ppm', trim($m['']), $ppm === null
                ? 'A comma before three digits: is it thousands, or a point?'
                : 'Which scale has your meter, 500 or 700? It is remembered with the garden.');
            $this->left[] = trim($m['']);

            return;
        }
        $ec = $ppm / $scale;
        $this->conductivity(
            $isNew ? 'top_up_ec' : 'ec_ms_cm',
            round($ec, 6),
            'ms',
            trim($m['']),
            QuantityWriter::plain($ppm, 0)." ppm ($scale) is EC",
        );
    }

    private function conductivity(string $member, float $ec, string $unit, string $text, string $says): void
    {
        $ec = preg_match('/^[µμu]/u', $unit) === 1 ? $ec / 1000 : $ec;
        $wrong = EntryReader::ec($ec);
        if ($wrong !== null) {
            $this->ask($member, $text, "EC $wrong");
            $this->left[] = $text;

            return;
        }
        $this->keep($member, $ec, "$says ".QuantityWriter::plain($ec, 3)."\u{202F}mS/cm", $text);
    }

    private function temperature(): void
    {
        $unit = '(?<u>°\s?[cf]|℃|℉|deg(?:rees?|\.)?\s?(?:c(?:elsius)?|f(?:ahrenheit)?)?|celsius|fahrenheit|[cf])(?!\w)';
        if (preg_match('/\b(?:air|room|outside|outdoors|tent|inside|ambient|cabin|shed|greenhouse|night|nights)\b/u', $this->rest) === 1) {
            return;
        }
        // A dash right before a figure, and not right after a word, is a minus.
        $is = str_replace('|-)', '|(?<!\s)-|-(?!\d))', self::IS);
        $degrees = '(?<n>(?:(?<=[\s:=])[-−])?\d+(?:[.,]\d+)?|[.,]\d+)';
        $named = '\b(?:water |reservoir )?temp(?:erature)?\b'.$is;
        $m = $this->take("/(?:$named|\\bwater\\b$is)?(?<![\\w.,])$degrees\\s*$unit/u")
            ?? $this->take("/$named$degrees(?<u>)(?!\\s*(?:mm|cm|in|l|ml|ppm|g)\\b)/u");
        if ($m === null) {
            return;
        }
        $degrees = self::number(strtr($m['n'], ['-' => '', '−' => '']));
        $degrees = $degrees !== null && preg_match('/^[-−]/u', $m['n']) === 1 ? -$degrees : $degrees;
        $isFahrenheit = preg_match('/f|℉/u', (string) preg_replace('/deg(?:rees?|\.)?/u', '', $m['u'])) === 1
            || (
                preg_match(
                    '/c|℃/u',
                    (string) preg_replace('/deg(?:rees?|\.)?/u', '', $m['u']),
                ) !== 1 && $this->context->units === UnitSystem::Us
            );
        $celsius = $degrees === null ? NAN : ($isFahrenheit ? ($degrees - 32) * 5 / 9 : $degrees);
        if (! ($celsius >= -2.0 && $celsius <= 60.0)) {
            $other = $degrees !== null && ! $isFahrenheit && $degrees > 60.0 && $degrees < 120.0
                ? sprintf(' Did it mean %s °F?', QuantityWriter::plain($degrees, 1))
                : '';
            $this->ask('water_c', trim($m['']), "Water is from -2 to 60\u{202F}°C.$other");
            $this->left[] = trim($m['']);

            return;
        }
        $this->keep('water_c', round($celsius, 4), 'water '.$this->write->temperature($celsius), trim($m['']));
    }

    private function level(): void
    {
        $length = self::NUMBER.'\s*(?<u>'.self::LENGTHS.')(?!\w)';
        $below = $this->take(
            '/(?:\b(?:water|level)\b'.self::IS.')?(?<![\w.,])'.$length.'\s*(?<way>below|under|above'
                .'|over) (?:the )?(?:water )?(?:line|mark)\b/u'
        );
        if ($below !== null) {
            $sign = in_array($below['way'], ['below', 'under'], true) ? -1 : 1;
            $this->levelFrom($this->context->line, $sign, $below, 'the line');

            return;
        }
        $moved = $this->take('/(?:\b(?:water|level)\b'.self::IS.')?\b(?<way>down|dropped|fell|fallen|sunk|lower|lost|up|risen'
            .'|rose)\b\s*(?:(?:by|about|around|another|has)\s+)*'
            .$length.'/u')
            ?? $this->take('/(?:\b(?:water|level)\b'.self::IS.')?(?<![\w.,])'.$length.'\s*(?<way>down|lower|gone|less|up|higher)\b/u');
        if ($moved !== null) {
            $sign = in_array($moved['way'], ['up', 'risen', 'rose', 'higher'], true) ? 1 : -1;
            $this->levelFrom($this->context->lastLevel, $sign, $moved, 'where it was last read');

            return;
        }
        $m = $this->take('/\b(?:water(?: level)?|level|stick|depth|dip(?:stick)?|height of (?:the )?water)\b'.self::IS.$length.'/u')
            ?? $this->take('/^\s*'.$length.'(?:\s*(?:deep|on the stick|of water|from the (?:floor|bottom)))?\s*$/u');
        if ($m !== null) {
            $this->levelFrom(0.0, 1, $m, 'the floor');

            return;
        }
        $bare = $this->take('/\b(?:level|stick|depth|dip(?:stick)?)\b'.self::IS.self::DECIMAL.'(?![\w.,\/])/u');
        if ($bare !== null) {
            $unit = $this->context->units === UnitSystem::Us ? 'inches or centimetres' : 'millimetres or centimetres';
            $this->ask('level_mm', trim($bare['']), "{$bare['n']} of what: $unit?");
            $this->left[] = trim($bare['']);
        }
    }

    /** @param  array<string, string>  $m */
    private function levelFrom(?float $from, int $sign, array $m, string $where): void
    {
        $unit = Unit::named(str_replace(["''"], '"', $m['u']));
        $number = self::number($m['n']);
        $level = $from === null || $unit === null || $number === null ? null : $from + $sign * $unit->toCore($number);
        if ($level === null || $level < 0.0 || $level > EntryReader::MOST_LEVEL_MM) {
            $this->ask('level_mm', trim($m['']), $level === null
                ? 'From where? No level was read before; give it from the floor.'
                : 'That is not a level of this tub. How high does it stand from the floor?');
            $this->left[] = trim($m['']);

            return;
        }
        $says = 'level '.$this->write->length($level).($where === 'the floor' ? '' : ', from '.$where);
        $this->keep('level_mm', round($level, 4), $says, trim($m['']));
    }

    private function harvest(): void
    {
        $pick = '\b(?:pick(?:ed)?|harvest(?:ed)?|cut|took|yield(?:ed)?|cropped)\b\s*(?:(?:about|around|some|another|the first|first'
            .'|my first|off)\s+)*';
        $m = $this->take('/'.$pick.self::NUMBER.'\s*(?<u>'.self::MASSES.')\b(?: of [^,;.]*)?/u')
            ?? $this->take(
                '/(?<![\w.,])'.self::NUMBER.'\s*(?<u>'.self::MASSES.')\b(?: of [^,;.]*?)?\s*(?:picked|harvested|harvest|cut)\b/u'
            );
        if ($m !== null) {
            $grams = self::number($m['n']) === null ? null : Unit::named($m['u'])?->toCore((float) self::number($m['n']));
            if ($grams !== null) {
                $this->entry['harvest_g'] = round(($this->entry['harvest_g'] ?? 0.0) + $grams, 4);
                $this->understood[] = 'picked '.(
                    $grams >= 1000.0 ? $this->write->mass($grams / 1000) : $this->write->number($grams, 0, 'g')
                );
            }
        }
        $m = $this->take('/'.$pick.self::NUMBER.'(?:\s+(?!up\b)[a-z]+)?(?:\s+(?:heads?|leaves|fruits?|bunch(?:es)?|pods?|plants?))?/u');
        if ($m !== null) {
            $count = self::number($m['n']);
            if ($count === null || $count !== floor($count) || $count < 1) {
                $this->left[] = trim($m['']);
            } else {
                $this->entry['picked'] = ($this->entry['picked'] ?? 0) + (int) $count;
                $this->understood[] = 'picked '.(int) $count;
            }
        }
    }

    /** A number as it is written, with a point or a comma, as a fraction or in words; null where a comma may stand for thousands. */
    private static function number(string $text): ?float
    {
        $text = trim($text);
        if ($text === '' || preg_match('/,\d{3}$/', $text) === 1) {
            return null;
        }
        if (isset(self::WORDS[$text])) {
            return (float) self::WORDS[$text];
        }
        foreach (self::FRACTIONS as $sign => $value) {
            if (str_ends_with($text, $sign)) {
                return (float) trim(mb_substr($text, 0, -1)) + $value;
            }
        }
        if (preg_match('/^(?:(\d+)[ -])?(\d+)\/(\d+)$/', $text, $m) === 1) {
            return (int) $m[3] === 0 ? null : (float) $m[1] + (float) $m[2] / (float) $m[3];
        }

        return (float) str_replace(',', '.', $text);
    }
}
