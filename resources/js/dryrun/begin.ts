import { router } from '@inertiajs/vue3';
import type { OpenGarden } from '../kit/garden';
import { send } from '../kit/turns';
import type { DryRun } from '../types/dry-run';
import { whyNot } from './run';

/** Begins a dry run of a tub as it stands in the design, and goes there. */
export async function beginDryRun(garden: OpenGarden, tub: string): Promise<void> {
    const answer = await send<DryRun>('Beginning a dry run', 'dry-runs', {
        body: JSON.stringify({ garden: garden.document.value, from: garden.id, tub }),
    });
    if (answer.kind === 'done') router.visit(`/dry-runs/${answer.data.id}`);
    else garden.said.value = `No dry run: ${whyNot(answer)}`;
}
