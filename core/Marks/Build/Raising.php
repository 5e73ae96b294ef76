<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use DateInterval;
use DateTimeImmutable;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Crop\Plug;
use KelpTub\Core\Crop\Sowing;
use KelpTub\Core\Crop\Sprouting;
use KelpTub\Core\Crop\StartedFrom;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Site;
use KelpTub\Core\Marks\Crop\HandOver;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Units\QuantityWriter;
use LogicException;
use stdClass;

/**
 * Raising the plants of a tub from seed, in words and figures for the build sheet: when to begin, seeds to a plug, warmth, light or dark,
 * thinning, and when they are ready. Source: handbook, build (before the first screw: seeds); figures of the crop table †.
 */
final readonly class Raising
{
    /** Plugs are soaked in water of this pH: stone wool and coir bring lime with them. */
    private const SOAK_PH = 5.5;

    /** @var list<CropShare> that are raised in plugs before the tub is planted, the slowest first */
    public array $shares;

    /** The air of the garden, °C, where it is the same every day. */
    private ?float $air;

    /** Whether it is a nursery: plugs go in when they have sprouted, and its drip keeps them. */
    private bool $isNursery;

    /** @param  string|null  $planted  the date on which the plants go in, where it is known */
    public function __construct(private TubPlan $tub, Site $site, private QuantityWriter $write, public ?string $planted)
    {
        $this->isNursery = $tub->tub->system === GrowingSystem::Nursery;
        $this->air = $site->weather->climate === null ? $site->airTemperatureC : null;
        $shares = $tub->tub->planting->started === StartedFrom::Plug
            ? array_values(array_filter($tub->plants->mix->shares, static fn (CropShare $s): bool => $s->crop->sowing !== null))
            : [];
        usort($shares, fn (CropShare $a, CropShare $b): int => $this->daysBefore($b->crop) <=> $this->daysBefore($a->crop));
        $this->shares = $shares;
    }

    /** What to do to sow, with this tub's numbers. */
    public function sow(): string
    {
        $plug = $this->tub->tub->planting->plug;
        $many = count($this->shares) > 1;
        $says = array_map(
            fn (CropShare $s): string => self::sown($s->crop, self::sowingOf($s->crop), $many),
            $this->shares,
        );

        return $this->begins()
            .match ($plug) {
                Plug::None => 'Fill a tray with fine grit or vermiculite and wet it. ',
                Plug::Foam => 'Press each plug under water until no air comes out of it, then let it drip. ',
                default => 'Soak the plugs for half an hour in water of pH '.$this->write->number(self::SOAK_PH, 1)
                    .' and let them drip: do not squeeze them. ',
            }
            .implode(' ', $says)
            .' Put a clear lid or bag over them and stand them '.($this->isTooCool()
                ? "where it is warmer than this garden’s {$this->write->temperature((float) $this->air)}: indoors, or over a heat mat."
                : 'where it is warm enough.');
    }

    private function isTooCool(): bool
    {
        return $this->air !== null
            && array_filter($this->shares, fn (CropShare $s): bool => $this->air < self::sowingOf($s->crop)->lowC) !== [];
    }

    /** @return array<string, string> */
    public function sowFigures(): array
    {
        $figures = [];
        foreach ($this->shares as $share) {
            $of = count($this->shares) > 1 ? "{$share->crop->name}: " : '';
            $sowing = self::sowingOf($share->crop);
            if (count($this->shares) > 1) {
                $figures[$of.'begin'] = $this->before($share->crop);
            }
            $figures[ucfirst($of.'plugs')] = (string) ($share->plants * $this->tub->tub->count);
            $figures[ucfirst($of.'warmth')] = "{$this->write->temperature($sowing->lowC)} to {$this->write->temperature($sowing->highC)}";
            $figures[ucfirst($of.'up in about')] = self::days($share->crop->daysGerminate);
        }

        return $figures;
    }

    /** What to do until they can be set in. */
    public function raise(): string
    {
        $hours = max([0.0, ...array_map(static fn (CropShare $s): float => $s->crop->lightHours, $this->shares)]);
        $thinned = array_filter($this->shares, static fn (CropShare $s): bool => self::sowingOf($s->crop)->isThinned());

        return 'Take the cover off as soon as they show, and give them light at once: '
            .$this->write->number($hours, 0, 'h').' a day, close under a lamp or at the brightest window, or they grow thin and fall over. '
            .($thinned === [] ? '' : 'Where more come up than are to stay, cut the weaker off with scissors; pulled, they take '
                .'the others’ roots with them. ')
            .($this->isNursery
                ? 'Set them in the nursery as soon as they show: from then on its drip keeps the plugs moist.'
                : 'Keep the plugs moist, never standing in water. When the first true leaves show, wet them with feed of a quarter of its '
                    .'strength. Build the tub meanwhile.');
    }

    /** @return array<string, string> */
    public function raiseFigures(): array
    {
        $figures = [];
        foreach ($this->shares as $share) {
            $of = count($this->shares) > 1 ? "{$share->crop->name}: " : '';
            $figures[ucfirst($of.'leave in each')] = (string) self::sowingOf($share->crop)->stays();
            $figures[ucfirst($of.'ready')] = ($this->isNursery ? 'seedlings show, some ' : 'roots show below the plug, some ')
                .self::days($this->daysBefore($share->crop)).' after sowing';
        }

        return $figures;
    }

    /** @return list<stdClass> what is sown of each crop, to be drawn */
    public function drawn(): array
    {
        return array_map(fn (CropShare $s): stdClass => (object) [
            'crop' => $s->crop->key,
            'name' => $s->crop->name,
            'plugs' => $s->plants * $this->tub->tub->count,
            'seeds' => self::sowingOf($s->crop)->seeds,
            'in' => self::sowingOf($s->crop)->in->value,
            'leave' => self::sowingOf($s->crop)->stays(),
            'up_days' => $s->crop->daysGerminate,
            'ready_days' => $this->daysBefore($s->crop),
        ], $this->shares);
    }

    /** How seeds are put in the cups of a tub itself; empty where that is not how it starts. */
    public function inCups(): string
    {
        $crops = $this->tub->tub->planting->started === StartedFrom::Seed
            ? array_filter($this->tub->plants->mix->crops(), static fn (Crop $crop): bool => $crop->sowing !== null)
            : [];
        $many = count($crops) > 1;

        return implode(' ', array_map(
            fn (Crop $crop): string => self::sown($crop, self::sowingOf($crop), $many, 'cup')
                .(self::sowingOf($crop)->isThinned()
                    ? ' Later leave the best '.(self::sowingOf($crop)->thinTo === 1 ? 'one' : self::sowingOf($crop)->thinTo).' in each.'
                    : ''),
            $crops,
        ));
    }

    private function begins(): string
    {
        $first = $this->shares[0]->crop;

        return 'Begin '.$this->before($first).(count($this->shares) > 1 ? " with {$first->inSentence()}, the slowest" : '').'. ';
    }

    /** When a crop is sown, here or in the nursery: "14 days before the plants go in, on 2 March 2027" */
    public function before(Crop $crop): string
    {
        $days = $this->daysBefore($crop);
        $date = $this->planted === null
            ? null
            : (new DateTimeImmutable($this->planted))->sub(new DateInterval("P{$days}D"));

        return self::days($days).' before the plants go in'.($date === null ? '' : ', on '.$date->format('j F Y'));
    }

    /** Days from sowing a plug until it is set into this tub. */
    public function daysBefore(Crop $crop): int
    {
        return HandOver::daysInPlugs($this->tub, $crop);
    }

    private static function sown(Crop $crop, Sowing $sowing, bool $named, string $in = 'plug'): string
    {
        $seeds = $sowing->seeds === 1 ? 'one seed' : "$sowing->seeds seeds";

        return ($named ? "Of {$crop->inSentence()} put" : 'Put')." $seeds in each $in, ".match ($sowing->in) {
            Sprouting::Light => 'press them on and leave them uncovered: they come up in light.',
            Sprouting::Dark => 'twice as deep as a seed is thick, and close it over them: they come up in the dark.',
            Sprouting::Either => 'just under the top.',
        };
    }

    private static function sowingOf(Crop $crop): Sowing
    {
        return $crop->sowing ?? throw new LogicException("$crop->name is not sown.");
    }

    private static function days(int $days): string
    {
        return $days === 1 ? '1 day' : "$days days";
    }
}
