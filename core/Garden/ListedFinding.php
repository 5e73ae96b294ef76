<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\File\GardenFile;
use stdClass;

/** A finding as it stands in a preview's report: its ways out as they come to mind, not tried. */
final readonly class ListedFinding
{
    /**
     * @param  int  $rank  how bad it is (Severity::rank())
     * @param  string  $text  as it stands in the report
     * @param  string|null  $ofGarden  the same where it is said of the garden, for all its tubs
     */
    private function __construct(public int $rank, public string $text, public string $code, public float $by, public ?string $ofGarden)
    {
    }

    public static function of(Finding $finding, stdClass $document): self
    {
        $listed = $finding->listed();

        return new self(
            $finding->severity->rank(),
            GardenFile::encode(Report::finding($listed, $document)),
            $finding->code,
            $finding->by,
            $finding->ofGarden === null ? null : GardenFile::encode(Report::finding($listed->saidOfGarden(), $document)),
        );
    }

    /** The same said of the garden. */
    public function saidOfGarden(): static
    {
        return new self($this->rank, $this->ofGarden ?? $this->text, $this->code, $this->by, null);
    }
}
