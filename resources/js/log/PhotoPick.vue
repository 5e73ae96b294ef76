<script setup lang="ts">
/** A photograph that goes with an entry: chosen or taken, looked at, and let go of again. */
import { computed, onScopeDispose, ref, watch } from 'vue';

const photo = defineModel<File | null>({ required: true });
const TYPES = ['image/jpeg', 'image/png', 'image/webp'];
const MOST_BYTES = 12_000_000;
const wrong = ref('');
const field = ref<HTMLInputElement | null>(null);

function choose(files: FileList | null): void {
    const file = files?.[0];
    if (!file) return;
    wrong.value = !TYPES.includes(file.type)
        ? `${file.name} is no photograph that can be kept: a JPEG, a PNG or a WebP is.`
        : file.size > MOST_BYTES
          ? `${file.name} has ${(file.size / 1e6).toFixed(1)}\u202fMB; the most is 12\u202fMB.`
          : '';
    if (wrong.value === '') photo.value = file;
    // The same one chosen again is a choice again.
    if (field.value) field.value.value = '';
}

const shown = ref('');
const letGo = (): void => {
    if (shown.value) URL.revokeObjectURL(shown.value);
};
watch(
    photo,
    (file) => {
        letGo();
        shown.value = file ? URL.createObjectURL(file) : '';
    },
    { immediate: true },
);
onScopeDispose(letGo);
const label = computed(() => (photo.value ? 'Another photograph' : 'Add a photograph'));
</script>

<template>
    <div class="pick">
        <img v-if="shown" :src="shown" alt="The photograph that goes with it" />
        <div class="acts">
            <label class="word"
                >{{ label
                }}<input
                    ref="field"
                    type="file"
                    :accept="TYPES.join(',')"
                    class="hidden-visually"
                    data-field="photo"
                    @change="choose(($event.target as HTMLInputElement).files)"
            /></label>
            <button v-if="photo" type="button" class="word" data-act="no-photo" @click="photo = null">Without it</button>
        </div>
        <p v-if="wrong" class="small wrong" role="alert">{{ wrong }}</p>
    </div>
</template>

<style scoped>
.pick {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: center;
}
img {
    width: 96px;
    height: 72px;
    object-fit: cover;
    border: 1px solid var(--rule);
}
.acts {
    display: flex;
    gap: 0.9rem;
}
label {
    cursor: pointer;
}
label:focus-within {
    outline: 2px solid var(--ink);
    outline-offset: 2px;
}
.wrong {
    color: var(--stop-text);
}
</style>
