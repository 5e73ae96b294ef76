<?php

declare(strict_types=1);

namespace Tests\Core;

use App\Library\LibraryFiles;
use KelpTub\Core\Cup\Cup;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchedDocument;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Lid\CupInHole;
use KelpTub\Core\Lid\FreshMemory;
use KelpTub\Core\Lid\KeepOut;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\Lid;
use KelpTub\Core\Lid\LidMake;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Marks;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\Vessel\Profile;
use KelpTub\Core\Vessel\Station;
use stdClass;

/** Gardens for tests: read through the real reader, planned with the shipped Library. */
final class Gardens
{
    private static ?Library $library = null;

    private static ?FreshMemory $memory = null;

    public static function files(): LibraryFiles
    {
        return new LibraryFiles(dirname(__DIR__, 2).'/data');
    }

    public static function library(): Library
    {
        return self::$library ??= self::files()->library();
    }

    public static function reader(): GardenReader
    {
        return self::files()->reader(self::library());
    }

    /** @param  array<string, mixed>  $garden what differs from an empty garden */
    public static function of(array $garden): Garden
    {
        return self::reader()->read(json_encode(['format' => GardenFile::FORMAT, 'version' => 1, ...$garden], JSON_THROW_ON_ERROR));
    }

    /**
     * One tub fed by one pump where it is aerated.
     *
     * @param  array<string, mixed>  $tub  what differs from an aerated 20 L bucket
     * @param  array<string, mixed>  $garden  what differs from the defaults
     * @param  array<string, mixed>  $air  what differs from a pump with a check valve; ['none' => true] for no pump
     */
    public static function tub(array $tub = [], array $garden = [], array $air = []): Garden
    {
        $tub = ['id' => 'tub', 'system' => 'aerated', 'vessel' => 'bucket-20', ...$tub];
        if ($tub['system'] !== 'passive' && ! array_key_exists('stones', $tub)) {
            $tub['stones'] = ['kind' => 'disc-100'];
        }
        $pumps = $tub['system'] === 'passive' || isset($air['none']) ? [] : [
            ['id' => 'pump', 'pump' => 'pump-4w-2', 'check_valve' => true, 'branches' => [['tub' => 'tub']], ...$air],
        ];

        return self::of(['tubs' => [$tub], 'air' => $pumps, ...$garden]);
    }

    /**
     * What a patch does, without the tests that hold it to what it is meant for.
     *
     * @param  list<stdClass>  $patch
     * @return list<stdClass>
     */
    public static function deeds(array $patch): array
    {
        return array_values(array_filter($patch, static fn (stdClass $operation): bool => $operation->op !== 'test'));
    }

    /** The planner with its final answers: spreads worked out, each once in a run of the tests. */
    public static function planner(): Planner
    {
        return new Planner(Marks::all(), self::library(), self::$memory ??= new FreshMemory);
    }

    public static function plan(Garden $garden): Plan
    {
        return self::planner()->plan($garden);
    }

    /** The plan of the tub of Gardens::tub(), or of another one. */
    public static function tubPlan(Garden $garden, string $id = 'tub'): TubPlan
    {
        return self::plan($garden)->get(TubPlans::class)->tubs[$id];
    }

    /** The garden as a patch makes it. */
    public static function applied(Garden $garden, array $patch): Garden
    {
        return self::reader()->fromDocument(PatchedDocument::of($garden->document, $patch));
    }

    /** What a tub is fed, and its season. */
    public static function fed(Garden $garden, string $id = 'tub'): FeedPlan
    {
        return self::plan($garden)->get(FeedPlans::class)->of($id);
    }

    public static function report(Garden $garden): stdClass
    {
        return self::planner()->report($garden);
    }

    /** @return list<string> "severity code" of every finding */
    public static function findings(Garden $garden): array
    {
        $planner = self::planner();

        return array_map(static fn ($f): string => "{$f->severity->value} $f->code", $planner->findings($planner->plan($garden)));
    }

    /** @return list<string> every fault of a garden that is refused, "pointer: message" */
    public static function faults(string $json): array
    {
        try {
            self::reader()->read($json);
        } catch (RefusedGarden $refused) {
            return array_map(strval(...), $refused->faults);
        }

        return [];
    }

    /**
     * A space whose hole centres may lie in exactly the given section: straight walls far away, a lid inset by edge and radius.
     *
     * @param  list<KeepOut>  $keepOuts
     */
    public static function space(CrossSection $region, array $keepOuts = [], float $hole = 54, LidMake $make = LidMake::Plain): LayoutSpace
    {
        $inset = 2 * ($hole / 2 + $make->leastEdge());
        $outline = $region->round
            ? CrossSection::circle($region->length + $inset)
            : CrossSection::rectangle($region->length + $inset, $region->width + $inset, $region->cornerRadius + $inset / 2);
        $wide = CrossSection::circle(3000);

        return new LayoutSpace(
            new Lid($outline, 2.5, $make, 0, $keepOuts),
            [new CupInHole(new Cup(null, 'Cup', 58, 50, 36, 52, false), $hole, 248)],
            new Profile([new Station(0, $wide), new Station(300, $wide)]),
        );
    }
}
