import { onBeforeUnmount, onMounted, reactive, type Ref } from 'vue';

/** The size of an element in px, as it changes: drawings are laid out in it so that their letters never scale. */
export function useBox(element: Ref<HTMLElement | null>): { width: number; height: number } {
    const box = reactive({ width: 0, height: 0 });
    let observer: ResizeObserver | null = null;
    onMounted(() => {
        observer = new ResizeObserver(([entry]) => {
            if (entry) Object.assign(box, { width: entry.contentRect.width, height: entry.contentRect.height });
        });
        if (element.value) {
            const { width, height } = element.value.getBoundingClientRect();
            Object.assign(box, { width, height });
            observer.observe(element.value);
        }
    });
    onBeforeUnmount(() => observer?.disconnect());
    return box;
}
