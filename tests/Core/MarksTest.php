<?php

declare(strict_types=1);

use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\NeedKind;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Mark;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Marks\Marks;
use Tests\Core\Gardens;

/** A mark that answers all that a mark may be asked, but for parts where it is to need none. */
function talkativeMark(bool $needy): Mark
{
    return new class($needy) extends Mark
    {
        public function __construct(private readonly bool $needy)
        {
        }

        public function key(): string
        {
            return 'talk';
        }

        public function needsOnTub(string $tub, Plan $plan, Library $library): array
        {
            return $this->needy ? [$tub => [new Need("spoon:$tub", 'Spoon', NeedKind::Part, 1)]] : [];
        }

        public function needs(Plan $plan, Library $library): array
        {
            return $this->needy ? [new Need('kettle', 'Kettle', NeedKind::Tool, 1)] : [];
        }

        public function findingsOnTub(string $tub, RuleContext $context): array
        {
            $way = $context->set('Say so', '/tubs/0/name', 'x');

            return [new Finding('talk.tub', Severity::Mind, $tub, '/tubs/0', 'A word.', 'So.', [$way])];
        }

        public function findings(RuleContext $context): array
        {
            return [new Finding('talk.garden', Severity::Mend, null, '', 'Another word.', 'So.')];
        }

        public function reportOnTub(string $tub, Plan $plan, bool $whole): array
        {
            return ['talk' => ['of' => $tub]];
        }

        public function report(Plan $plan, bool $whole): array
        {
            return ['talks' => 1];
        }
    };
}

/** A planner with the mark before another one, or last. */
function plannerWith(Mark $mark, ?string $before): Planner
{
    $marks = Marks::all();
    $keys = array_map(fn (Mark $m): string => $m->key(), $marks);
    array_splice($marks, $before === null ? count($marks) : (int) array_search($before, $keys, true), 0, [$mark]);

    return new Planner($marks, Gardens::library());
}

it('asks a mark for everything, wherever it stands in the list', function (?string $before) {
    $garden = Gardens::tub(['crop' => 'basil']);
    $plain = Gardens::report($garden);
    $planner = plannerWith(talkativeMark(false), $before);
    $report = $planner->report($garden);
    foreach ([$report, json_decode($planner->preview($garden))] as $told) {
        $said = array_values(array_filter($told->findings, fn ($f): bool => $f->mark === 'talk'));

        expect(array_column($said, 'tub', 'code'))->toBe(['talk.garden' => null, 'talk.tub' => 'tub'])
            ->and($told->tubs[0]->talk)->toEqual((object) ['of' => 'tub'])->and($told->talks)->toBe(1)
            ->and(count($told->findings))->toBe(count($plain->findings) + 2)
            ->and(json_encode($told->parts))->toBe(json_encode($plain->parts));
    }
})->with(['before Cost' => ['cost'], 'after Cost' => ['build'], 'last' => [null], 'first' => ['tub']]);

it('buys what a mark needs that stands before Cost, and refuses one that needs parts after they are counted', function () {
    $garden = Gardens::tub(['crop' => 'basil']);

    expect(array_column(plannerWith(talkativeMark(true), 'cost')->report($garden)->parts, 'need', 'key'))
        ->toMatchArray(['spoon:tub' => 1.0, 'kettle' => 1.0]);
    foreach (['build', null] as $before) {
        expect(fn () => plannerWith(talkativeMark(true), $before)->report($garden))
            ->toThrow(LogicException::class, 'The mark "talk" needs parts and is listed after they are counted; list it before.')
            ->and(fn () => plannerWith(talkativeMark(true), $before)->preview($garden))->toThrow(LogicException::class);
    }
});
