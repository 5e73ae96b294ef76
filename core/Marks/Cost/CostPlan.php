<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Cost;

use KelpTub\Core\Cost\Budget;
use KelpTub\Core\Cost\Purchase;

/** What is bought, and what it comes to. */
final readonly class CostPlan
{
    /** @param  list<Purchase>  $purchases */
    public function __construct(public array $purchases, public Budget $budget)
    {
    }
}
