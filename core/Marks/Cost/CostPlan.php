<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Cost;

use KelpTub\Core\Cost\Budget;
use KelpTub\Core\Cost\Purchase;
use KelpTub\Core\File\Library;

/** What is bought, how it is brought, and what it comes to. */
final readonly class CostPlan
{
    /**
     * @param  list<Purchase>  $purchases
     * @param  array<string, float>  $parcels  what each supplier's parcel costs to bring
     */
    public function __construct(public array $purchases, public array $parcels, public Budget $budget, public Library $library)
    {
    }

    /** @return list<string> names of the parts that nobody offers */
    public function unpriced(): array
    {
        return array_values(array_map(
            static fn (Purchase $purchase): string => $purchase->need->name,
            array_filter($this->purchases, static fn (Purchase $purchase): bool => ! $purchase->priced),
        ));
    }
}
