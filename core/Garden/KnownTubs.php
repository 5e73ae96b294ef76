<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use JsonException;
use KelpTub\Core\File\GardenFile;
use stdClass;
use WeakMap;

/**
 * The tubs of a garden as far as they are known from before. While one of them is dragged the others stay as they were: a tub with the same
 * place and the same words, in the same site, units, saws and Library of its own, is the same tub with the same plan.
 */
final class KnownTubs
{
    /** What every tub is read and planned by, besides itself. */
    private const GROUND = ['units', 'site', 'saws_mm', 'library'];

    /** A document of more tubs is none. */
    private const MOST = 60;

    /** @var WeakMap<stdClass, string|null> fingerprints of what the tubs of a document stand on */
    private WeakMap $grounds;

    /** @var WeakMap<stdClass, array{string, string}> of tubs as they stand in a document: a fingerprint, and that of their ground */
    private WeakMap $fingerprintsOfRaw;

    /** @var WeakMap<stdClass, KnownTub> */
    private WeakMap $found;

    /** @var WeakMap<Tub, array{string, string}> a fingerprint of what a tub and its plan follow from, and that of its ground */
    private WeakMap $fingerprints;

    /** @var WeakMap<Tub, object> */
    private WeakMap $plans;

    public function __construct(private readonly TubMemory $memory = new NoTubMemory)
    {
        $this->letGo();
    }

    /** A plan holds its tub, so that PHP 8.2 would never free either of them by itself. */
    private function letGo(): void
    {
        $this->grounds = new WeakMap;
        $this->fingerprintsOfRaw = new WeakMap;
        $this->found = new WeakMap;
        $this->fingerprints = new WeakMap;
        $this->plans = new WeakMap;
    }

    /**
     * Looks up the tubs of a document, whose form is not known to be sound yet. A tub that is known has stood in its place of a sound
     * document before. What was looked up of other documents is let go: two may share a tub, each at a place of its own, and a request
     * may read thousands.
     *
     * @return WeakMap<stdClass, KnownTub> those that are known, by the tub as it stands in the document
     */
    public function look(stdClass $document): WeakMap
    {
        $this->letGo();
        $tubs = $document->tubs ?? null;
        if (is_array($tubs) && count($tubs) <= self::MOST && $this->memory->keeps()) {
            $this->grounds[$document] = $ground = self::fingerprintOf(self::GROUND, $document);
            foreach ($ground === null ? [] : $tubs as $index => $raw) {
                $text = $raw instanceof stdClass ? self::textOf($raw) : null;
                if ($text !== null) {
                    $this->lookUp($raw, hash('xxh128', "$ground $index $text"), (string) $ground);
                }
            }
        }

        return $this->found;
    }

    private function lookUp(stdClass $raw, string $fingerprint, string $ground): void
    {
        $this->fingerprintsOfRaw[$raw] = [$fingerprint, $ground];
        $known = $this->memory->recall("tub $fingerprint");
        if ($known instanceof KnownTub) {
            $this->found[$raw] = $known;
        }
    }

    /** A part of a document as text; null where it holds a number beyond all measure, which no text can say. */
    private static function textOf(stdClass $part): ?string
    {
        try {
            return GardenFile::encode($part);
        } catch (JsonException) {
            return null;
        }
    }

    /** @param  list<string>  $members  of a document */
    private static function fingerprintOf(array $members, stdClass $document): ?string
    {
        $text = self::textOf((object) array_intersect_key((array) $document, array_flip($members)));

        return $text === null ? null : hash('xxh128', $text);
    }

    /**
     * A tub that is as it was, or else as it is read.
     *
     * @param  callable(): Tub  $read
     */
    public function tub(stdClass $raw, callable $read): Tub
    {
        $known = $this->found[$raw] ?? null;
        $tub = $known === null ? $read() : $known->tub;
        if (isset($this->fingerprintsOfRaw[$raw])) {
            $this->fingerprints[$tub] = $this->fingerprintsOfRaw[$raw];
        }
        if ($known !== null) {
            $this->plans[$tub] = $known->plan;
        }

        return $tub;
    }

    private function ground(stdClass $document): ?string
    {
        return $this->grounds[$document] ??= self::fingerprintOf(self::GROUND, $document);
    }

    /**
     * The fingerprint of a tub of a garden; null where it was not read but comes of a trial, or where a trial has put it on other ground.
     */
    private function fingerprintOfTub(Tub $tub, Garden $garden): ?string
    {
        [$fingerprint, $ground] = $this->fingerprints[$tub] ?? [null, null];

        return $fingerprint !== null && $ground === $this->ground($garden->document) ? $fingerprint : null;
    }

    /** What follows from a tub by itself, where it is known. */
    public function planOf(Tub $tub, Garden $garden): ?object
    {
        return $this->fingerprintOfTub($tub, $garden) === null ? null : $this->plans[$tub] ?? null;
    }

    public function keepPlan(Tub $tub, Garden $garden, object $plan): void
    {
        $fingerprint = $this->fingerprintOfTub($tub, $garden);
        if ($fingerprint !== null) {
            $this->plans[$tub] = $plan;
            $this->memory->keep("tub $fingerprint", new KnownTub($tub, $plan));
        }
    }

    /**
     * Fingerprints of all that the marks say of each tub: what the tub follows from, the members that marks read, and what they plan of it
     * by other tubs.
     *
     * @param  list<Mark>  $marks
     * @return array<string, string> by tub id
     */
    public function fingerprints(Plan $plan, array $marks): array
    {
        $document = $plan->garden->document;
        $byTub = array_merge(...array_map(static fn (Mark $mark): array => $mark->membersByTub(), $marks));
        $members = array_merge(...array_map(static fn (Mark $mark): array => $mark->members(), $marks));
        $read = self::fingerprintOf(array_values(array_diff($members, $byTub)), $document);
        $entries = self::entriesByTub($byTub, $document);
        $fingerprints = [];
        foreach ($read === null ? [] : $plan->garden->tubs as $tub) {
            $fingerprint = $this->fingerprintOfTub($tub, $plan->garden);
            if ($fingerprint !== null) {
                $shared = array_map(static fn (Mark $mark): ?object => $mark->shares($tub->id, $plan), $marks);
                $own = serialize([array_filter($shared), $entries[$tub->id] ?? []]);
                $fingerprints[$tub->id] = hash('xxh128', "$fingerprint $read $own");
            }
        }

        return $fingerprints;
    }

    /**
     * @param  list<string>  $members  lists of a document whose entries speak of one tub each
     * @return array<string, array<string, stdClass>> by tub, then by place
     */
    private static function entriesByTub(array $members, stdClass $document): array
    {
        $by = [];
        foreach ($members as $member) {
            foreach ($document->{$member} ?? [] as $i => $entry) {
                $by[$entry->tub]["/$member/$i"] = $entry;
            }
        }

        return $by;
    }

    public function of(string $fingerprint): ?KnownOfTub
    {
        $known = $this->memory->recall("said $fingerprint");

        return $known instanceof KnownOfTub ? $known : null;
    }

    public function keep(string $fingerprint, KnownOfTub $known): void
    {
        $this->memory->keep("said $fingerprint", $known);
    }
}
