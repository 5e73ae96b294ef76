<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use KelpTub\Core\Air\Bubble;
use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\Stone;
use KelpTub\Core\Air\StoneSet;
use KelpTub\Core\Air\Supply;
use KelpTub\Core\Air\Tube;
use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Feed\FeedPart;
use KelpTub\Core\Feed\FeedProduct;
use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Lid\KeepOut;
use KelpTub\Core\Lid\Lid;
use KelpTub\Core\Lid\LidMake;
use KelpTub\Core\Lid\Panel;
use KelpTub\Core\Light\Lamp;
use KelpTub\Core\Season\WeatherClimate;
use KelpTub\Core\Vessel\Cover;
use KelpTub\Core\Vessel\Fill;
use KelpTub\Core\Vessel\FillFit;
use KelpTub\Core\Vessel\LinerBag;
use KelpTub\Core\Vessel\Opacity;
use KelpTub\Core\Vessel\Profile;
use KelpTub\Core\Vessel\Station;
use KelpTub\Core\Vessel\Vessel;
use KelpTub\Core\Vessel\VesselKind;
use stdClass;

/**
 * Makes typed parts of the objects in a garden file or on a Library shelf, which have the same form. Expects what PartCheck has passed.
 *
 * An object in place may say in `key` which Library item it was taken from: it is bought as that.
 */
final class PartReader
{
    public const DEFAULT_FLOOR_MM = 3.0;

    public static function vessel(stdClass $raw, ?string $key): Vessel
    {
        $whole = new Profile(
            self::each($raw->stations, static fn (stdClass $s): Station => new Station((float) $s->height_mm, self::section($s))),
        );
        $measured = isset($raw->cut_mm) ? $whole->cutAt((float) $raw->cut_mm) : $whole;
        $fills = self::each($raw->fills ?? [], static fn (stdClass $f): Fill => new Fill((float) $f->litres, (float) $f->depth_mm));
        $fit = $fills === [] ? null : FillFit::of($measured, $fills);
        $scale = $fit !== null && $fit->applied ? $fit->scale : 1.0;
        $mouth = $measured->mouth();
        $kind = VesselKind::from($raw->kind ?? ($mouth->round ? 'bucket' : 'tote'));

        return new Vessel(
            $key ?? $raw->key ?? null,
            $raw->name ?? ucfirst($kind->value),
            $kind,
            isset($raw->label_l) ? (float) $raw->label_l : null,
            Opacity::from($raw->opacity ?? 'opaque'),
            (float) ($raw->empty_kg ?? 0),
            (float) ($raw->floor_mm ?? self::DEFAULT_FLOOR_MM),
            $raw->braced ?? false,
            $raw->food_safe ?? true,
            $measured,
            $scale === 1.0 ? $measured : $measured->withAreasScaled($scale),
            $scale === 1.0 ? $whole : $whole->withAreasScaled($scale),
            $fit,
        );
    }

    public static function cup(stdClass $raw, ?string $key): Cup
    {
        return new Cup(
            $key ?? $raw->key ?? null,
            $raw->name ?? 'Cup',
            (float) $raw->lip_diameter_mm,
            (float) $raw->top_diameter_mm,
            (float) $raw->bottom_diameter_mm,
            (float) $raw->height_mm,
            ($raw->made ?? 'bought') === 'home',
        );
    }

    public static function stone(stdClass $raw, ?string $key): Stone
    {
        return new Stone(
            $key ?? $raw->key ?? null,
            $raw->name ?? 'Air stone',
            Bubble::from($raw->bubble),
            (float) ($raw->length_mm ?? 50),
            (float) $raw->min_l_min,
            (float) $raw->max_l_min,
            (float) $raw->resistance_kpa_per_l_min,
        );
    }

    public static function pump(stdClass $raw, ?string $key): Pump
    {
        $curve = isset($raw->curve)
            ? array_map(static fn (array $p): array => [(float) $p[0], (float) $p[1]], $raw->curve)
            : Pump::straight((float) $raw->free_flow_l_min, (float) $raw->max_pressure_kpa);
        usort($curve, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return new Pump(
            $key ?? $raw->key ?? null,
            $raw->name ?? 'Air pump',
            $curve,
            (int) ($raw->outlets ?? 1),
            (float) ($raw->power_w ?? 0),
            Supply::from($raw->supply ?? Supply::Mains->value),
            isset($raw->noise_db) ? (float) $raw->noise_db : null,
            isset($raw->battery_wh) ? (float) $raw->battery_wh : null,
        );
    }

    public static function tube(stdClass $raw, ?string $key): Tube
    {
        return new Tube($key ?? $raw->key ?? null, $raw->name ?? 'Air tubing', (float) $raw->inner_mm, (float) $raw->outer_mm);
    }

    /** @param  Shelf<Lamp>  $shelf */
    public static function lampOf(string|stdClass $given, Shelf $shelf): Lamp
    {
        return is_string($given) ? $shelf->get($given) : self::lamp($given, null);
    }

    public static function lamp(stdClass $raw, ?string $key): Lamp
    {
        return new Lamp(
            $key ?? $raw->key ?? null,
            $raw->name ?? 'Lamp',
            (float) $raw->power_w,
            (float) ($raw->umol_j ?? Lamp::USUAL_UMOL_J),
            (float) ($raw->height_mm ?? Lamp::USUAL_HEIGHT_MM),
            (float) $raw->length_mm,
            (float) $raw->width_mm,
            (float) ($raw->least_height_mm ?? Lamp::LEAST_HEIGHT_MM),
        );
    }

    public static function product(stdClass $raw, ?string $key): FeedProduct
    {
        /** @var non-empty-list<FeedPart> $parts as the schema has it */
        $parts = self::each($raw->parts, static fn (stdClass $p): FeedPart => new FeedPart(
            $p->name,
            isset($p->ml_per_l),
            (float) ($p->ml_per_l ?? $p->g_per_l),
            isset($p->density_g_ml) ? (float) $p->density_g_ml : null,
            isset($p->ec_per_unit) ? (float) $p->ec_per_unit : null,
            $p->label ?? null,
        ));
        $order = array_flip($raw->order ?? []);
        usort($parts, static fn (FeedPart $a, FeedPart $b): int => ($order[$a->name] ?? INF) <=> ($order[$b->name] ?? INF));

        return new FeedProduct(
            $key ?? $raw->key ?? null,
            $raw->name ?? 'Feed',
            $parts,
            isset($raw->ec_ms_cm) ? (float) $raw->ec_ms_cm : null,
            array_map(
                static fn (mixed $share): array => $share instanceof stdClass
                    ? array_map(floatval(...), get_object_vars($share))
                    : ['' => (float) $share],
                get_object_vars($raw->stages ?? new stdClass),
            ),
            $raw->organic ?? false,
            $raw->living ?? false,
            $raw->calcium_magnesium ?? false,
        );
    }

    public static function climate(stdClass $raw, string $key): WeatherClimate
    {
        $of = /** @return list<float> */ static fn (string $figure): array => array_values(array_map(floatval(...), $raw->{$figure}));

        return new WeatherClimate(
            $key,
            $raw->name,
            $of('air_c'),
            $of('air_spread_c'),
            $of('humidity_pct'),
            $of('humidity_spread_pct'),
            $of('sun_h'),
            $of('rain_days'),
            $of('rain_mm'),
        );
    }

    /**
     * Makes one thing of each object in a list of a file.
     *
     * @template T
     *
     * @param  callable(stdClass, int): T  $make
     * @return list<T>
     */
    public static function each(mixed $list, callable $make): array
    {
        $made = [];
        foreach ($list as $i => $raw) {
            $made[] = $make($raw, $i);
        }

        return $made;
    }

    public static function section(stdClass $raw): CrossSection
    {
        return isset($raw->diameter_mm)
            ? CrossSection::circle((float) $raw->diameter_mm)
            : CrossSection::rectangle((float) $raw->length_mm, (float) $raw->width_mm, (float) ($raw->corner_radius_mm ?? 0));
    }

    /** The light cover; an object in its place is a liner bag. */
    public static function cover(stdClass $vessel): Cover
    {
        $cover = $vessel->cover ?? Cover::None->value;

        return is_string($cover) ? Cover::from($cover) : Cover::Liner;
    }

    public static function liner(stdClass $vessel): ?LinerBag
    {
        $bag = ($vessel->cover ?? null) instanceof stdClass ? $vessel->cover->liner : null;

        return $bag === null ? null : new LinerBag((float) $bag->width_mm, (float) $bag->length_mm);
    }

    /** @param  Shelf<Stone>  $shelf */
    public static function stones(stdClass $raw, Shelf $shelf): StoneSet
    {
        return new StoneSet(
            is_string($raw->kind) ? $shelf->get($raw->kind) : self::stone($raw->kind, null),
            (int) ($raw->count ?? 1),
            (float) ($raw->height_mm ?? Stone::DEFAULT_HEIGHT_MM),
            self::each($raw->more ?? [], static fn (stdClass $more): StoneSet => self::stones($more, $shelf)),
            isset($raw->at) ? self::each($raw->at, static fn (stdClass $p): Point => new Point((float) $p->x_mm, (float) $p->y_mm)) : null,
        );
    }

    /**
     * @param  list<non-empty-list<stdClass>>  $raw  as the schema has them
     * @return list<Panel>
     */
    private static function panels(array $raw): array
    {
        return array_map(static fn (array $corners): Panel => new Panel(self::points($corners)), $raw);
    }

    /**
     * @param  non-empty-list<stdClass>  $raw  as the schema has them, three or four
     * @return non-empty-list<Point>
     */
    public static function points(array $raw): array
    {
        return array_map(static fn (stdClass $p): Point => new Point((float) $p->x_mm, (float) $p->y_mm), $raw);
    }

    /** @param  CrossSection  $mouth  of the vessel, which the lid follows where its outline is not given */
    public static function lid(stdClass $raw, CrossSection $mouth): Lid
    {
        $outlined = isset($raw->diameter_mm) || isset($raw->length_mm);

        return new Lid(
            $outlined ? self::section($raw) : $mouth,
            (float) ($raw->thickness_mm ?? Lid::DEFAULT_THICKNESS_MM),
            LidMake::from($raw->make ?? 'plain'),
            (float) ($raw->top_above_rim_mm ?? 0),
            self::each(
                $raw->keep_outs ?? [],
                static fn (stdClass $k): KeepOut => new KeepOut((float) $k->x_mm, (float) $k->y_mm, self::section($k)),
            ),
            self::panels($raw->panels ?? []),
        );
    }
}
