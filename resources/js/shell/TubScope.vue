<script setup lang="ts">
/** What stands here is of one tub and one mark: what is done in it is done to that tub, whichever is chosen by the time it is done. */
import { provideTub } from '../kit/garden';

const props = defineProps<{ tub: string; mark: string }>();
provideTub(props.tub, props.mark);
</script>

<template><slot /></template>
