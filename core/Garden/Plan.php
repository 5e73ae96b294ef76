<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Cost\Need;
use LogicException;

/** What follows from a garden, as far as its marks have planned: each mark's plan by its class, and what all of them need. */
final readonly class Plan
{
    /**
     * @param  array<class-string, object>  $parts
     * @param  array<string, list<Need>>  $needs  by tub id; under "" those of the garden as a whole
     */
    private function __construct(public Garden $garden, private array $parts, private array $needs, private ?self $before)
    {
    }

    /** @param  self|null  $before  the plan of the garden as it was before a change: what the change leaves alone may be taken from it */
    public static function of(Garden $garden, ?self $before = null): self
    {
        return new self($garden, [], [], $before);
    }

    /**
     * What this mark planned of the garden as it was before a change; null where there is nothing to take from it.
     *
     * @template T of object
     *
     * @param  class-string<T>  $class
     * @return T|null
     */
    public function before(string $class): ?object
    {
        $same = $this->before !== null && $this->garden->standsOnTheSame($this->before->garden);
        $part = $same ? $this->before->parts[$class] ?? null : null;

        return $part instanceof $class ? $part : null;
    }

    /** The same with what one more mark has planned; a mark may plan nothing of its own. */
    public function with(?object $part): self
    {
        return $part === null ? $this : new self($this->garden, [$part::class => $part] + $this->parts, $this->needs, $this->before);
    }

    /**
     * The same with what one more mark needs.
     *
     * @param  array<string, list<Need>>  $needs  by tub id; under "" those of the garden as a whole
     */
    public function needing(array $needs): self
    {
        $all = $this->needs;
        foreach ($needs as $tub => $more) {
            $all[$tub] = isset($all[$tub]) ? [...$all[$tub], ...$more] : $more;
        }

        return new self($this->garden, $this->parts, $all, $this->before);
    }

    /**
     * What all marks so far need, as it is bought: each part once, tub by tub and then what tubs share, in the order of the stages.
     *
     * @return list<Need>
     */
    public function needs(): array
    {
        $list = [];
        foreach ([...array_map(static fn (Tub $tub): string => $tub->id, $this->garden->tubs), ''] as $of) {
            $byStage = [];
            foreach ($this->needs[$of] ?? [] as $need) {
                if ($need->amount > 0.0) {
                    $byStage[$need->stage->value][] = $need->ofTub($of);
                }
            }
            ksort($byStage);
            foreach (array_merge(...$byStage) as $need) {
                $list[$need->key] = isset($list[$need->key]) ? $list[$need->key]->and($need) : $need;
            }
        }

        return array_values($list);
    }

    /**
     * What one more tub like this one takes by itself; what tubs share is not in it.
     *
     * @return list<Need>
     */
    public function needsOfOne(Tub $tub): array
    {
        return array_map(static fn (Need $need): Need => $need->ofOne($tub->count), $this->needs[$tub->id] ?? []);
    }

    /**
     * What a mark before this one has planned: `$plan->get(AirPlans::class)`.
     *
     * @template T of object
     *
     * @param  class-string<T>  $class
     * @return T
     */
    public function get(string $class): object
    {
        $part = $this->parts[$class] ?? null;

        return $part instanceof $class ? $part : throw new LogicException(
            "No mark has planned a $class yet: marks see only those before them.",
        );
    }
}
