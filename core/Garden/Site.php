<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Crop\Climate;
use stdClass;

/** Where a garden stands: air, water, light, and what bears it. */
final readonly class Site
{
    private const SUN_HOURS = 4.0;

    private function __construct(
        public Setting $setting,
        public float $altitudeM,
        public float $airTemperatureC,
        public float $humidityPct,
        public float $waterTemperatureC,
        public float $lightHours,
        public Ground $ground,
        public Bearing $bearing,
        public ?float $shelfLimitKg,
        public ?float $headroomMm,
        public bool $fullSun,
        public bool $waterGiven,
        public float $sunHours,
        public WeatherWish $weather,
    ) {
    }

    public static function fromDocument(stdClass $site): self
    {
        return new self(
            Setting::from($site->setting ?? 'indoor'),
            (float) ($site->altitude_m ?? 0),
            (float) ($site->air_temperature_c ?? 21),
            (float) ($site->humidity_pct ?? 55),
            (float) ($site->water_temperature_c ?? 20),
            (float) ($site->light_hours ?? 16),
            Ground::from($site->floor ?? 'wood'),
            Bearing::from($site->load ?? 'ground'),
            isset($site->shelf_limit_kg) ? (float) $site->shelf_limit_kg : null,
            isset($site->headroom_mm) ? (float) $site->headroom_mm : null,
            $site->full_sun ?? false,
            isset($site->water_temperature_c),
            (float) ($site->sun_hours ?? self::SUN_HOURS),
            WeatherWish::fromDocument($site->weather ?? new stdClass),
        );
    }

    /** @return array<string, mixed> as the garden file has it, defaults filled in */
    public function toReport(): array
    {
        return [
            'setting' => $this->setting->value,
            'altitude_m' => $this->altitudeM,
            'air_temperature_c' => $this->airTemperatureC,
            'humidity_pct' => $this->humidityPct,
            'water_temperature_c' => $this->waterTemperatureC,
            'light_hours' => $this->lightHours,
            'floor' => $this->ground->value,
            'load' => $this->bearing->value,
            'shelf_limit_kg' => $this->shelfLimitKg,
            'headroom_mm' => $this->headroomMm,
            'full_sun' => $this->fullSun,
            'sun_hours' => $this->sunHours,
            'weather' => $this->weather->toReport(),
        ];
    }

    /** Whether leaves and walls stand in full sun: nowhere in a room. */
    public function inSun(): bool
    {
        return $this->fullSun && $this->setting !== Setting::Indoor;
    }

    /** How much faster or slower plants drink here than in the reference room. */
    public function climate(): float
    {
        return Climate::factor($this->airTemperatureC, $this->humidityPct, $this->lightHours, $this->inSun());
    }
}
