<script setup lang="ts">
/** What the tub holds, weighs and asks for. */
import { computed } from 'vue';
import Figure from '../kit/Figure.vue';
import { area, length, load, mass, number, volume } from '../kit/format';
import { useGarden } from '../kit/garden';
import { useVessel } from './vessel';

const garden = useGarden();
const { report, vessel, cover } = useVessel();
const units = garden.units;

const fills = computed(() => vessel.value.fills ?? []);
const covered = computed(() => ({ both: 'walls and lid', walls: 'the walls', lid: 'the lid' })[report.value.shape.cover_parts]);
/** How the tube comes in where it does not come through a wall. */
const overTheTop = computed(() => {
    if (report.value.raft) return 'over the rim, in the gap beside the board';
    return report.value.shape.in_mouth ? 'over the rim; notch the cup’s lip for the tube' : 'through the lid';
});

const dripNote = computed(() => {
    const drip = report.value.nursery;
    if (!drip) return '';
    const each = drip.per_cup_l_h === null ? '' : `; ${number(drip.per_cup_l_h, 1, 'L/h')} a cup while it runs`;
    return `a day, ${number(drip.turnovers_day ?? 0, 0)} times the tub${each}; lifts it ${length(drip.head_mm, units.value)}`;
});
const pairNote = computed(() => {
    const pair = report.value.under;
    if (!pair) return '';
    const walls = pair.gap_mm === null ? 'walls clear of each other' : `${length(Math.max(0, pair.gap_mm), units.value)} between the walls`;
    const rim = `${length(Math.abs(pair.above_mm), units.value)} ${pair.above_mm < 0 ? 'under' : 'over'}`;
    return `${walls}; the rim stands ${rim} the lower one’s`;
});
const volumes = computed(() => report.value.volume);
/** Where the bar of the weight ends: half over what one lifts, or at the weight itself. */
const heaviest = computed(() => Math.max(1.5 * report.value.limits.lift_kg, report.value.mass_kg));
</script>

<template>
    <Figure
        label="Working volume"
        :value="volume(volumes.working_l, units)"
        :share="volumes.working_l / volumes.brim_l"
        :limit="volumes.label_l === null ? null : volumes.label_l / volumes.brim_l"
        :note="
            volumes.label_l === null
                ? `${volume(volumes.brim_l, units)} to the rim`
                : `label ${volume(volumes.label_l, units)}, to the rim ${volume(volumes.brim_l, units)}`
        "
        :why="report.workings.working_l"
    />
    <Figure label="Usable" :value="volume(volumes.usable_l, units)" :note="`down to ${length(report.levels.lowest_mm, units)}`" />
    <Figure
        v-if="volumes.fill_scale !== null"
        label="Fills say"
        :value="number(volumes.fill_scale * 100, 1, '%')"
        :note="
            fills.length < 2
                ? 'of the measured volume; one fill is not applied'
                : `of the measured volume, within ${number(volumes.fill_residual_pct ?? 0, 1, '%')}`
        "
    />
    <Figure
        label="Weight filled"
        :value="mass(report.mass_kg, units)"
        :share="report.mass_kg / heaviest"
        :limit="report.limits.lift_kg / heaviest"
        :note="`${load(report.load_kg_m2, units)} on its floor; ` + `over ${mass(report.limits.lift_kg, units)} fill it where it stands`"
        :why="report.workings.mass_kg"
    />
    <Figure
        v-if="report.raft"
        label="The board goes down"
        :value="length(report.raft.travel_mm, units)"
        :note="
            report.raft.jam_level_mm > 0
                ? `then it jams; ${volume(report.raft.litres_till_jam, units)} till ` +
                  `then${report.season.jam_day === null ? '' : `, on day ${Math.floor(report.season.jam_day)}`}`
                : 'to the floor: straight walls never stop it'
        "
    />
    <Figure
        v-if="report.raft"
        label="It carries"
        :value="mass(report.raft.load_kg, units)"
        :share="report.raft.load_kg / report.raft.carries_kg"
        :limit="report.raft.safe_share"
        :note="`goes under at ${mass(report.raft.carries_kg, units)}; cups ` + `dip ${length(Math.max(0, report.raft.dip_mm ?? 0), units)}`"
    />
    <Figure v-if="report.nursery" label="Over the cups" :value="volume(report.nursery.litres_day, units)" :note="dripNote" />
    <Figure v-if="report.under" label="Room for the pump" :value="length(report.under.room_mm, units)" :note="pairNote" />
    <Figure
        v-if="report.under"
        label="Cord hole"
        :value="length(report.under.cord_hole_diameter_mm, units)"
        :note="`its middle ${length(report.under.cord_hole_mm, units)} over the lower floor`"
    />
    <Figure
        v-if="report.cover_m2 > 0"
        label="To cover"
        :value="area(report.cover_m2, units)"
        :note="`${covered}${cover === 'paint' ? ', a dark coat and a light one' : ''}`"
    />
    <Figure
        v-if="report.sight_strip"
        label="Sight strip"
        :value="length(report.sight_strip.to_mm - report.sight_strip.from_mm, units)"
        :note="
            `masked before painting, from ${length(report.sight_strip.from_mm, units)} ` + `to ${length(report.sight_strip.to_mm, units)}`
        "
    />
    <Figure
        v-if="report.levels.overflow_mm !== null"
        label="Overflow hole"
        :value="length(report.levels.overflow_mm, units)"
        note="over the floor; rain runs out there"
    />
    <Figure
        v-if="report.levels.tube_entry_mm !== null && report.shape.stones"
        label="Tube hole"
        :value="length(report.levels.tube_entry_mm, units)"
        :note="
            report.shape.tube_through_lid
                ? overTheTop
                : `above the floor; ${length(report.levels.rim_mm - report.levels.tube_entry_mm, units)} down from the rim`
        "
    />
</template>
