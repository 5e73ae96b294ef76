<script setup lang="ts">
/** Under a long list: the way to its next part and back. */
import { Link } from '@inertiajs/vue3';

const props = withDefaults(defineProps<{ page: number; pages: number; href: string; of?: string }>(), { of: '' });

const to = (page: number): string => {
    const query = new URLSearchParams({ ...(props.of ? { of: props.of } : {}), ...(page > 1 ? { page: String(page) } : {}) }).toString();
    return query ? `${props.href}?${query}` : props.href;
};
</script>

<template>
    <nav v-if="pages > 1" class="pages small" aria-label="Parts of the list">
        <Link v-if="page > 1" :href="to(page - 1)">Newer</Link>
        <span class="faint">{{ page }} of {{ pages }}</span>
        <Link v-if="page < pages" :href="to(page + 1)">Older</Link>
    </nav>
</template>

<style scoped>
.pages {
    display: flex;
    gap: 0.9rem;
    margin: 0.6rem 0;
}
a {
    color: var(--ink);
}
</style>
