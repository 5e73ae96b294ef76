<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Garden\Garden;
use stdClass;

/** Puts a design's tubs into a garden that is there, with their feed, their air and what is sown in them, under names of their own. */
final readonly class IntoGarden
{
    private const LISTS = ['feeds', 'tubs', 'air', 'plantings'];

    public function __construct(private Garden $garden, private Library $library)
    {
    }

    /**
     * @param  stdClass  $design  a garden, as an answer gives it
     * @return list<stdClass> a patch; what is owned and spent stays as the garden has it
     */
    public function patch(stdClass $design): array
    {
        $maker = new PatchMaker($this->garden->document, $this->library);
        $ids = [];
        foreach (self::LISTS as $list) {
            $taken = array_column($this->garden->document->{$list} ?? [], 'id');
            foreach ($design->{$list} ?? [] as $one) {
                $id = $one->id;
                for ($n = 2; in_array($id, $taken, true); $n++) {
                    $id = "$one->id-$n";
                }
                $taken[] = $id;
                $ids[$list][$one->id] = $id;
            }
        }
        $patch = [];
        foreach (self::LISTS as $list) {
            $new = array_map(fn (stdClass $one): stdClass => $this->renamed($one, $list, $ids), $design->{$list} ?? []);
            if ($new === []) {
                continue;
            }
            $patch = [...$patch, ...(is_array($this->garden->document->{$list} ?? null)
                ? array_merge(...array_map(static fn (stdClass $one): array => $maker->append("/$list", $one), $new))
                : $maker->set("/$list", $new))];
        }

        return $patch;
    }

    /** @param  array<string, array<string, string>>  $ids  new ones by old ones, by list */
    private function renamed(stdClass $one, string $list, array $ids): stdClass
    {
        $new = (object) [...get_object_vars($one), 'id' => $ids[$list][$one->id]];
        if (isset($new->feed)) {
            $new->feed = $ids['feeds'][$new->feed] ?? $new->feed;
        }
        if ($list === 'plantings') {
            $new->tub = $ids['tubs'][$new->tub] ?? $new->tub;
        }
        if (isset($new->branches)) {
            $new->branches = array_map(
                static fn (stdClass $branch): stdClass => (object) [
                    ...get_object_vars($branch),
                    'tub' => $ids['tubs'][$branch->tub] ?? $branch->tub,
                ],
                $new->branches,
            );
        }

        return $new;
    }
}
