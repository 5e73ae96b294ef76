<?php

declare(strict_types=1);

namespace App\Cli;

use KelpTub\Core\Cost\Offer;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Cost\CostPlan;
use KelpTub\Core\Marks\Cost\MoneyWish;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Tub\CupPlan;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\Units\QuantityWriter;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Helper\Table;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('plan', 'Plans a garden: a table per tub, then findings, parts and cost.')]
final class PlanCommand extends GardenCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->addOption('json', null, InputOption::VALUE_NONE, 'the report as JSON, and nothing else');
    }

    protected function answer(Garden $garden, Planner $planner, InputInterface $input, OutputInterface $output): int
    {
        if ($input->getOption('json') === true) {
            $output->writeln(
                Json::pretty($planner->report($garden, whole: true)),
                OutputInterface::OUTPUT_RAW,
            );

            return self::SUCCESS;
        }
        $plan = $planner->plan($garden);
        $findings = $planner->findings($plan);
        $write = new QuantityWriter($garden->units);
        $output->writeln($garden->name, OutputInterface::OUTPUT_RAW);
        foreach ($plan->get(TubPlans::class)->tubs as $tub) {
            self::tub($tub, $plan, $write, $output);
        }
        $output->writeln(['', 'Findings'], OutputInterface::OUTPUT_RAW);
        foreach ($findings as $finding) {
            $output->writeln(FindingLine::of($finding), OutputInterface::OUTPUT_RAW);
        }
        if ($findings === []) {
            $output->writeln('Nothing found.');
        }
        self::cost($plan, $write, $output);

        return self::SUCCESS;
    }

    private static function tub(TubPlan $tub, Plan $plan, QuantityWriter $w, OutputInterface $output): void
    {
        $air = $plan->get(AirPlans::class)->tubs[$tub->tub->id];
        $label = $tub->tub->body->vessel->labelLitres;
        $distance = $tub->holes->arrangement->holeDistance;
        $run = $plan->get(FeedPlans::class)->of($tub->tub->id)->run();
        $dry = $run?->dryDay();
        $harvest = $run?->harvestDay();
        $output->writeln(['', $tub->tub->name.($tub->tub->count > 1 ? " × {$tub->tub->count}" : '')], OutputInterface::OUTPUT_RAW);
        (new Table($output))->setStyle('compact')->setRows([
            ['  vessel', $tub->tub->body->vessel->name.', '.$tub->tub->system->value],
            [
                '  volume',
                sprintf(
                    '%s working, %s usable, %s to the rim%s',
                    $w->volume($tub->water->working()),
                    $w->volume($tub->water->usable()),
                    $w->volume($tub->tub->body->vessel->profile->brim()),
                    $label === null ? '' : ', label '.$w->volume($label),
                ),
            ],
            [
                '  water line',
                $w->length($tub->water->line->grown).' above the floor, cup bottom at '.$w->length($tub->water->line->cupBottom),
            ],
            ['  weight', $w->mass($tub->fittings->weight->kg)],
            ...self::system($tub, $w),
            [
                '  hole',
                $tub->cutting->inMouth ? 'none: the cup hangs in the mouth' : implode(
                    '; ',
                    array_map(
                        static fn (CupPlan $size): string => sprintf(
                            '%s, %s, %s',
                            $w->length($size->seat->hole),
                            $size->saw === null ? 'traced' : $size->saw->name().' saw',
                            $size->seat->kind->value,
                        ),
                        $tub->cutting->sizes,
                    ),
                ),
            ],
            [
                '  layout',
                sprintf(
                    '%d × %s%s',
                    $tub->holes->count(),
                    $tub->holes->arrangement->pattern->value,
                    $distance === null ? '' : ', '.$w->length($distance).' apart',
                ),
            ],
            ...($tub->plants->mix->isEmpty() ? [] : [
                [
                    '  grows',
                    implode(
                        ', ',
                        array_map(
                            static fn (CropShare $s): string => $s->plants.' × '.mb_strtolower($s->crop->name),
                            $tub->plants->mix->shares,
                        ),
                    ),
                ],
            ]),
            ['  carries', sprintf('%d plants, limited by %s', $tub->plants->capacity->plants, $tub->plants->capacity->limitedBy)],
            [
                '  oxygen',
                $air->balance === null ? 'by the air gap' : sprintf(
                    '%s of air, steady at %s',
                    $w->number($air->flow, 2, 'L/min'),
                    $w->number($air->balance->steady(), 1, 'mg/L'),
                ),
            ],
            [
                '  days',
                $run === null ? 'no crop' : sprintf(
                    '%s, dry %s if nobody tops up',
                    $harvest === null ? 'no harvest' : 'harvest on day '.$w->number($harvest, 0),
                    $dry === null ? 'never' : 'on day '.$w->number(floor($dry), 0),
                ),
            ],
        ])->render();
    }

    /** @return list<array{string, string}> what is particular to a raft, a nursery or a nested pair */
    private static function system(TubPlan $tub, QuantityWriter $w): array
    {
        $rows = [];
        if ($tub->cutting->raft !== null) {
            $rows[] = [
                '  raft',
                sprintf(
                    '%s by %s board, %s thick, goes down %s before it jams',
                    $w->length($tub->cutting->raft->board->length),
                    $w->length($tub->cutting->raft->board->width),
                    $w->length($tub->cutting->raft->thickness),
                    $w->length($tub->cutting->raft->travel()),
                ),
            ];
        }
        if ($tub->tub->system === GrowingSystem::Nursery) {
            $rows[] = [
                '  drip',
                sprintf(
                    '%s a day over the cups, %s min on and %s off',
                    $w->volume($tub->tub->water->drip->litresADay()),
                    $w->number($tub->tub->water->drip->on, 0),
                    $w->number($tub->tub->water->drip->off, 0),
                ),
            ];
        }
        if ($tub->fittings->pair !== null) {
            $rows[] = [
                '  stands in',
                sprintf(
                    '%s, on blocks of %s, %s above its rim',
                    $tub->fittings->pair->lower->name,
                    $w->length($tub->fittings->pair->blocks),
                    $w->length($tub->fittings->pair->above),
                ),
            ];
        }

        return $rows;
    }

    private static function cost(Plan $plan, QuantityWriter $w, OutputInterface $output): void
    {
        $output->writeln(['', 'Parts'], OutputInterface::OUTPUT_RAW);
        $table = (new Table($output))->setStyle('compact');
        foreach ($plan->get(CostPlan::class)->purchases as $purchase) {
            $unit = $purchase->need->unit === 'piece' ? '' : $purchase->need->unit;
            $packs = implode(' + ', array_map(static function (array $pack) use ($w, $unit): string {
                /** @var array{Offer, int} $pack */
                return $pack[1].' × '.($unit === 'mm' ? $w->run($pack[0]->pack) : $w->number($pack[0]->pack, 1));
            }, $purchase->packs));
            $need = $unit === 'mm' ? $w->run($purchase->need->amount) : $w->number(
                $purchase->need->amount,
                $purchase->need->amount < 1.0 ? 2 : 1,
                $unit,
            );
            $table->addRow(
                [
                    '  '.$purchase->need->name,
                    $need,
                    $packs === '' ? ($purchase->priced ? 'owned' : 'no price') : $packs,
                    number_format($purchase->cost, 2),
                ],
            );
        }
        $table->render();
        $budget = $plan->get(CostPlan::class)->budget;
        $output->writeln(
            [
                '',
                sprintf(
                    'Outlay %s %s%s',
                    number_format($budget->outlay, 2),
                    $plan->garden->of(MoneyWish::class)->currency,
                    $budget->perPlant === null ? '' : ', '.number_format($budget->perPlant, 2).' a plant',
                ).($budget->cap === null ? '' : ', cap '.number_format($budget->cap, 2)),
            ],
            OutputInterface::OUTPUT_RAW,
        );
    }
}
