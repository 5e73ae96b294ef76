/** Night or day: by the grower's choice, or by the system's wish where none was made. */
export const isNight = (): boolean => document.documentElement.classList.contains('night');

export function setNight(night: boolean): void {
    document.documentElement.classList.toggle('night', night);
    localStorage.setItem('kelp-theme', night ? 'night' : 'day');
}
