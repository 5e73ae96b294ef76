<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Crop\StartedFrom;
use KelpTub\Core\Cup\GrowingSystem;

/** Before the first screw: seeds are sown and raised while the tub is built; young plants are fetched, or cuttings made ready to cut. */
final class YoungPlantSteps extends StepGroup
{
    public function add(): void
    {
        if ($this->raising->shares === []) {
            $this->tub->tub->planting->started === StartedFrom::Nursery ? $this->fromNursery() : $this->fetch();

            return;
        }
        $plugs = array_sum(array_map(static fn (CropShare $s): int => $s->plants, $this->raising->shares));
        $this->bench->step(
            'sow',
            'Sow the seeds',
            $this->raising->sow(),
            $this->raising->sowFigures(),
            [],
            'plug',
            'seed',
            'Each plug has its seeds, and the cover is on.',
            $plugs,
        );
        $this->bench->step(
            'raise',
            'Raise the seedlings',
            $this->raising->raise(),
            $this->raising->raiseFigures(),
            [],
            'plug',
            'roots',
            $this->tub->tub->system === GrowingSystem::Nursery
                ? 'A seedling shows in every plug.'
                : 'Roots show at the foot of every plug. Until then, go on with the tub.',
            $plugs,
        );
    }

    /** What the nursery of this garden raises for this tub, and when it begins. */
    private function fromNursery(): void
    {
        $shares = $this->tub->plants->mix->shares;
        if ($shares === []) {
            return;
        }
        $figures = [];
        $nurseries = [];
        foreach ($shares as $share) {
            $of = count($shares) > 1 ? "{$share->crop->name}: " : '';
            $figures[ucfirst($of.'plants')] = (string) ($share->plants * $this->tub->tub->count);
            $figures[ucfirst($of.'sow')] = $this->raising->before($share->crop);
            foreach ($this->bench->handOver->raising($share->crop->key) as $nursery) {
                $nurseries[$nursery->tub->id] = $nursery->tub->name;
            }
        }
        $this->bench->step(
            'young',
            'Raise the plants in the nursery',
            ($nurseries === [] ? 'No nursery of this garden raises them yet: plant one with them. ' : 'They are raised in '
                .implode(' and ', $nurseries).', by its own sheet. ')
                .'They come over with their plugs when roots hang out of them, a finger long. Build this tub meanwhile.',
            $figures,
            [],
            'plant',
            'roots',
            'Roots hang out of every plug in the nursery. Until then, go on with the tub.',
        );
    }

    /** What comes into the cups without being raised here. */
    private function fetch(): void
    {
        $tub = $this->tub->tub;
        $isFetched = $tub->system === GrowingSystem::Cloner || $tub->planting->started === StartedFrom::Seedling;
        if (! $isFetched || $this->tub->plants->count === 0) {
            return;
        }
        $count = $this->tub->plants->count * $tub->count;
        if ($tub->system === GrowingSystem::Cloner) {
            $this->bench->step(
                'young',
                'Choose the stems',
                'Look for healthy shoots of this year without flowers, and water their plant the evening before you cut. They are cut '
                    .'in the '
                    .'morning of the day on which they go in, so the cloner comes first.',
                ['Cuttings' => (string) $count],
                [],
                'plant',
                'roots',
                'There are enough shoots, and nothing crawls on them.',
            );

            return;
        }
        $this->bench->step(
            'young',
            'Find the young plants',
            'Look for compact ones with white roots and four leaves or more, and look under the leaves: what crawls there comes in with '
                .'them. Keep them shaded and moist, away from other plants, until the tub is ready.',
            ['Young plants' => (string) $count],
            [],
            'plant',
            'roots',
            'After some days on their own nothing crawls on them.',
        );
    }
}
