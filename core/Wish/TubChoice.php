<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\AirEdits;
use KelpTub\Core\Lid\PatternKind;
use KelpTub\Core\Season\TopUpStrength;
use KelpTub\Core\Vessel\Cover;
use KelpTub\Core\Vessel\Vessel;
use stdClass;

/** A kind of tub that a bed may stand in: vessel, cup, way of running it, how many alike, and how its holes are laid out. */
final readonly class TubChoice
{
    /** † wide walls are covered with foil, round ones with a sleeve. */
    private const WALLS = Cover::Foil;

    /**
     * @param  string|stdClass  $given  the vessel as a garden file has it: by key, or whole and with a key
     * @param  stdClass  $whole  the same vessel whole
     * @param  int  $count  so many alike
     * @param  list<int>  $plants  in one of them, of each of the bed's portions
     * @param  string  $pattern  in which the holes are laid out, by the garden's key
     * @param  bool  $traced  holes are traced and cut, where there is no drill
     * @param  string|null  $lamp  by key
     * @param  float  $lidTop  how high its lid lies over what it stands on, mm
     * @param  bool  $coated  whether it is made light outside though it is dark, against the sun
     * @param  TopUpStrength|null  $strength  what it is topped up with; null for what is usual
     * @param  list<stdClass>  $holes  as a garden file has them, where no regular pattern does
     */
    public function __construct(
        public Bed $bed,
        public string|stdClass $given,
        private stdClass $whole,
        public Vessel $vessel,
        public string $cup,
        public GrowingSystem $system,
        public TopUps $topUps,
        public int $count,
        public array $plants,
        public string $pattern = 'best',
        public bool $traced = false,
        public ?string $lamp = null,
        public float $lidTop = 0.0,
        public array $holes = [],
        public bool $coated = false,
        public ?TopUpStrength $strength = null,
    ) {
    }

    /** Cups in one of them. */
    public function cups(): int
    {
        return (int) array_sum($this->plants);
    }

    /**
     * The same with some of it otherwise.
     *
     * @param  array<string, mixed>  $of  by the names of what it is made of
     */
    public function with(array $of): self
    {
        return new self(...[...get_object_vars($this), ...$of]);
    }

    /**
     * Its longer side and its shorter one, mm.
     *
     * @return array{float, float}
     */
    public static function sides(Vessel $vessel): array
    {
        $mouth = $vessel->profile->mouth();
        $floor = $vessel->profile->sectionAt(0.0);
        $sides = [max($mouth->length, $floor->length), max($mouth->width, $floor->width)];

        return [max($sides), min($sides)];
    }

    private function layout(): ?stdClass
    {
        return match (true) {
            $this->vessel->isOpenMouthed() => null,
            $this->holes !== [] => (object) [
                'pattern' => PatternKind::Manual->value,
                'cups' => count($this->holes),
                'holes' => $this->holes,
            ],
            default => (object) ['pattern' => $this->pattern, 'cups' => $this->cups(), 'holes' => null],
        };
    }

    /** What the vessel is called in the Library, or among one's own. */
    public function key(): string
    {
        return is_string($this->given) ? $this->given : ($this->given->key ?? 'own');
    }

    /** The vessel with what keeps light and sun off it, where it has none and wants some. */
    private function covered(): string|stdClass
    {
        $isBare = ($this->whole->cover ?? Cover::None->value) === Cover::None->value;
        if (! $isBare || (! $this->coated && ! $this->vessel->opacity->needsCover())) {
            return $this->given;
        }

        return (object) [
            'key' => $this->key(),
            ...get_object_vars($this->whole),
            'cover' => ($this->vessel->isOpenMouthed() ? Cover::Sleeve : self::WALLS)->value,
        ];
    }

    /** As a garden file has it. */
    public function raw(string $id, ?string $feed): stdClass
    {
        $crops = [];
        foreach ($this->bed->portions as $i => $portion) {
            $crops[] = (object) ['crop' => $portion->crop->key, 'plants' => $this->plants[$i]];
        }
        $name = "{$this->vessel->name}, {$this->bed->inWords()}";
        $isAerated = $this->system === GrowingSystem::Aerated;

        return (object) array_filter([
            'id' => $id,
            'name' => mb_substr($name, 0, 120),
            'count' => $this->count,
            'system' => $this->system->value,
            'vessel' => $this->covered(),
            'cup' => $this->cup,
            'layout' => $this->layout(),
            'crop' => count($crops) === 1 ? $crops[0]->crop : null,
            'plants' => count($crops) === 1 ? $crops[0]->plants : null,
            'crops' => count($crops) === 1 ? null : $crops,
            'top_ups' => $this->topUps->value,
            'top_up_strength' => $this->strength?->value,
            'cutting' => $this->traced ? 'traced' : null,
            'tube_entry' => $isAerated && $this->traced ? 'lid' : null,
            'trellis' => array_filter($this->bed->portions, static fn (Portion $p): bool => $p->crop->climbs()) === [] ? null : true,
            'stones' => $isAerated ? AirEdits::stonesFor($this->vessel) : null,
            'feed' => $feed,
            'lamp' => $this->lamp,
        ], static fn (mixed $value): bool => $value !== null);
    }
}
