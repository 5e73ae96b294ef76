<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\GuardedPatch;
use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Geometry\Point;
use LogicException;
use stdClass;

/**
 * Puts the marks' parts together as the report of the file format. Numbers are not rounded; what is not computed or does not apply is
 * null.
 */
final class Report
{
    public const FORMAT = 'kelp-tub.report';

    public const VERSION = 1;

    /**
     * @param  list<Mark>  $marks
     * @param  list<Finding>  $findings
     * @param  bool  $whole  with the days of the seasons
     */
    public static function of(Plan $plan, array $marks, array $findings, bool $whole = false): stdClass
    {
        return (object) [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'tubs' => array_map(
                static fn (Tub $tub): stdClass => self::objects(self::tub($tub, $plan, $marks, $whole)),
                $plan->garden->tubs,
            ),
            ...get_object_vars(self::objects(self::garden($plan, $marks, $whole))),
            'findings' => array_map(
                static fn (Finding $finding): stdClass => self::finding($finding, $plan->garden->document),
                $findings,
            ),
        ];
    }

    /**
     * The same as text, of parts that are text already.
     *
     * @param  array<string, mixed>  $garden  garden()
     * @param  list<string>  $tubs
     * @param  list<string>  $findings
     */
    public static function text(array $garden, array $tubs, array $findings): string
    {
        return sprintf(
            '{"format":"%s","version":%d,"tubs":[%s],%s,"findings":[%s]}',
            self::FORMAT,
            self::VERSION,
            implode(',', $tubs),
            substr(GardenFile::encode((object) $garden), 1, -1),
            implode(',', $findings),
        );
    }

    /**
     * @param  list<Mark>  $marks
     * @return array<string, mixed>
     */
    public static function tub(Tub $tub, Plan $plan, array $marks, bool $whole = false): array
    {
        $parts = ['id' => $tub->id, 'name' => $tub->name, 'count' => $tub->count, 'system' => $tub->system->value];
        foreach ($marks as $mark) {
            $parts = self::joined($parts, $mark->reportOnTub($tub->id, $plan, $whole));
        }

        return $parts;
    }

    /**
     * A tub's part that is text already with what more marks report of it, which is seldom anything.
     *
     * @param  list<Mark>  $marks
     */
    public static function tubWith(string $text, Tub $tub, Plan $plan, array $marks): string
    {
        $more = [];
        foreach ($marks as $mark) {
            $more = self::joined($more, $mark->reportOnTub($tub->id, $plan, false));
        }

        return $more === [] ? $text : GardenFile::encode(self::objects(self::joined((array) GardenFile::decode($text), $more)));
    }

    /**
     * What is said of no single tub, findings left out.
     *
     * @param  list<Mark>  $marks
     * @return array<string, mixed>
     */
    public static function garden(Plan $plan, array $marks, bool $whole = false): array
    {
        $parts = [];
        foreach ($marks as $mark) {
            $parts = self::joined($parts, $mark->report($plan, $whole));
        }

        return $parts;
    }

    /**
     * Two parts as one: members of the same name are joined, where one of them is null the other stands. No two marks give one figure.
     *
     * @param  array<string, mixed>  $one
     * @param  array<string, mixed>  $other
     * @return array<string, mixed>
     */
    private static function joined(array $one, array $other): array
    {
        foreach ($other as $key => $value) {
            $before = $one[$key] ?? null;
            $one[$key] = match (true) {
                $before === null => $value,
                $value === [] && is_array($before) => $before,
                is_array($before) && is_array($value)
                    && ! array_is_list($before) && ! array_is_list($value) => self::joined($before, $value),
                default => throw new LogicException("Two marks report $key."),
            };
        }

        return $one;
    }

    /** @param  array<string, mixed>  $members */
    private static function objects(array $members): stdClass
    {
        return (object) array_map(static fn (mixed $m): mixed => is_array($m) && ! array_is_list($m) ? self::objects($m) : $m, $members);
    }

    /** A finding on a document, its ways out held to what they are meant for. */
    public static function finding(Finding $finding, stdClass $document): stdClass
    {
        return (object) [
            'code' => $finding->code,
            'severity' => $finding->severity->value,
            'mark' => $finding->mark,
            'tub' => $finding->tub,
            'at' => $finding->at,
            'says' => $finding->says,
            'why' => $finding->why,
            'remedies' => array_map(
                static fn (Remedy $r): stdClass => (object) [
                    'says' => $r->says,
                    'patch' => GuardedPatch::of($document, $r->patch),
                    'then' => $r->then,
                    'pending' => $r->pending,
                ],
                $finding->remedies,
            ),
        ];
    }

    /**
     * @param  list<Point>  $points
     * @return list<stdClass>
     */
    public static function points(array $points): array
    {
        return array_map(static fn (Point $p): stdClass => (object) ['x_mm' => $p->x, 'y_mm' => $p->y], $points);
    }

    /** @return array<string, bool|float> */
    public static function section(CrossSection $section): array
    {
        return [
            'round' => $section->round,
            'length_mm' => $section->length,
            'width_mm' => $section->width,
            'corner_radius_mm' => $section->cornerRadius,
        ];
    }
}
