/** Whether the page is laid out for a phone now. */
export const isPhone = (): boolean => window.matchMedia('(max-width: 760px)').matches;
