<?php

declare(strict_types=1);

namespace App\Cli;

use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\WhatIf\Savings;
use stdClass;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Helper\Table;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('savings', 'Ways to spend less, and those that together bring the garden under its cap.')]
final class SavingsCommand extends GardenCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->addOption('json', null, InputOption::VALUE_NONE, 'as JSON, and nothing else');
    }

    protected function answer(Garden $garden, Planner $planner, InputInterface $input, OutputInterface $output): int
    {
        $answer = (new Savings($planner))->of($garden);
        $input->getOption('json') === true
            ? $output->writeln(Json::pretty($answer), OutputInterface::OUTPUT_RAW)
            : self::table($answer, new QuantityWriter($garden->units), $output);

        return self::SUCCESS;
    }

    private static function table(stdClass $answer, QuantityWriter $write, OutputInterface $output): void
    {
        $money = static fn (float $sum): string => $write->number($sum, 2);
        $cap = $answer->cap === null ? 'no cap' : "cap {$money($answer->cap)}";
        $output->writeln("Outlay {$money($answer->outlay)} $answer->currency, $cap", OutputInterface::OUTPUT_RAW);
        $table = (new Table($output))->setStyle('compact')->setHeaders(['saves', 'and brings', 'by']);
        foreach ($answer->savings as $saving) {
            $table->addRow([$money($saving->saves), self::harm($saving, $write), $saving->says]);
        }
        $table->render();
        if ($answer->least !== null) {
            $output->writeln(
                "The least of all, with as many plants: {$money($answer->least->outlay)}, {$answer->least->says}.",
                OutputInterface::OUTPUT_RAW,
            );
        }
        if ($answer->set !== null) {
            $output->writeln("Least harm under the cap: {$answer->set->says}.", OutputInterface::OUTPUT_RAW);
            $output->writeln("Then it costs {$money($answer->set->outlay)}.", OutputInterface::OUTPUT_RAW);
        }
        if ($answer->proof !== null) {
            $output->writeln($answer->proof, OutputInterface::OUTPUT_RAW);
        }
    }

    private static function harm(stdClass $saving, QuantityWriter $write): string
    {
        $harm = [];
        foreach (['stops' => 'stop', 'mends' => 'mend', 'minds' => 'mind'] as $many => $one) {
            if ($saving->{$many} > 0) {
                $harm[] = "{$saving->{$many}} $one";
            }
        }
        if ($saving->yield_lost_g > 0.0) {
            $harm[] = $write->mass($saving->yield_lost_g / 1000).' less harvest';
        }

        return $harm === [] ? 'no harm' : implode(', ', $harm);
    }
}
