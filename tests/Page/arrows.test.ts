import { expect, it, vi } from 'vitest';
import { dayByKey } from '../../resources/js/kit/arrows';

const press = (key: string, shiftKey = false) => new KeyboardEvent('keydown', { key, shiftKey, cancelable: true });

it('leads by a day, by a week and to either end, and no further', () => {
    const to = (key: string, day = 10, shift = false) => dayByKey(press(key, shift), day, 3, 40);
    expect(['ArrowLeft', 'ArrowRight', 'PageDown', 'PageUp', 'Home', 'End'].map((key) => to(key))).toEqual([9, 11, 3, 17, 3, 40]);
    expect([to('ArrowRight', 10, true), to('ArrowLeft', 3), to('PageUp', 38), to('End', 40)]).toEqual([17, 3, 40, 40]);
});

it('leaves other keys to others', () => {
    const event = press('a');
    const stop = vi.spyOn(event, 'stopPropagation');
    expect(dayByKey(event, 10, 0, 20)).toBeNull();
    expect(event.defaultPrevented).toBe(false);
    expect(stop).not.toHaveBeenCalled();
    const known = press('Home');
    dayByKey(known, 10, 0, 20);
    expect(known.defaultPrevented).toBe(true);
});
