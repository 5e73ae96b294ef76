/** Writes the report's values for people. Held against the core's own vectors in tests/vectors. */
export type Units = 'metric' | 'us';

const GAP = '\u202f';
export const MM_PER_INCH = 25.4;
const MM_PER_FOOT = 304.8;
const L_PER_GALLON = 3.785411784;
const OUNCES_PER_GALLON = 128;
const OUNCES_BELOW_GALLONS = 0.5;
const G_PER_POUND = 453.59237;
export const G_PER_OUNCE = G_PER_POUND / 16;

/** At most so many digits after the point, and no trailing zeros. */
export function plain(value: number, decimals: number): string {
    // Nudged as the core rounds: what is half in decimal goes up, though its binary is a hair below.
    const factor = 10 ** decimals;
    const rounded = (Math.sign(value) * Math.round(Math.abs(value) * factor * (1 + Number.EPSILON * 4))) / factor;
    const text = rounded.toFixed(decimals);
    const short = decimals > 0 ? text.replace(/\.?0+$/, '') : text;
    return short === '-0' ? '0' : short;
}

export function number(value: number, decimals: number, unit = ''): string {
    return plain(value, decimals) + (unit === '' ? '' : GAP + unit);
}

/** Whole inches and the nearest sixteenth in lowest terms: `2 1/8 in`. */
export function inches(mm: number): string {
    const sixteenths = Math.round((Math.abs(mm) / MM_PER_INCH) * 16);
    const whole = Math.floor(sixteenths / 16);
    let top = sixteenths % 16;
    let bottom = 16;
    while (top > 0 && top % 2 === 0) {
        top /= 2;
        bottom /= 2;
    }
    const fraction = top > 0 ? `${top}/${bottom}` : '';
    const sign = mm < 0 && sixteenths > 0 ? '-' : '';
    return `${sign}${`${whole > 0 || fraction === '' ? whole : ''} ${fraction}`.trim()}${GAP}in`;
}

const halfMillimetres = (mm: number): number => (Math.sign(mm) * Math.round(Math.abs(mm) * 2)) / 2;

export function length(mm: number, units: Units): string {
    return units === 'us' ? inches(mm) : plain(halfMillimetres(mm), 1) + GAP + 'mm';
}

/** A fit, where a sixteenth of an inch is too coarse. */
export const fine = (mm: number, units: Units): string => (units === 'us' ? number(mm / MM_PER_INCH, 2, 'in') : number(mm, 1, 'mm'));

/** A run of tube or cord as it is sold; a short piece as a length. */
export function run(mm: number, units: Units): string {
    if (units === 'us') return Math.abs(mm) >= MM_PER_FOOT ? number(mm / MM_PER_FOOT, 1, 'ft') : inches(mm);
    return Math.abs(mm) >= 1000 ? number(mm / 1000, 2, 'm') : length(mm, units);
}

/** A length without its unit, for dimensions on a drawing that says its unit once. */
export function dimension(mm: number, units: Units): string {
    return length(mm, units).split(GAP)[0] ?? '';
}

export function volume(litres: number, units: Units): string {
    if (units === 'us') {
        const gallons = litres / L_PER_GALLON;
        const ounces = gallons * OUNCES_PER_GALLON;
        return Math.abs(gallons) < OUNCES_BELOW_GALLONS
            ? number(ounces, Math.abs(ounces) < 10 ? 1 : 0, 'fl oz')
            : number(gallons, Math.abs(gallons) < 10 ? 2 : 1, 'gal');
    }
    return Math.abs(litres) < 1 ? number(litres * 1000, 0, 'mL') : number(litres, 1, 'L');
}

export function mass(kg: number, units: Units): string {
    return units === 'us' ? number((kg * 1000) / G_PER_POUND, 1, 'lb') : number(kg, 1, 'kg');
}

/** What is picked, or weighed out: `190 g`, from a kilogram on `1.2 kg`; ounces, from a pound on pounds. */
export function weight(grams: number, units: Units): string {
    if (units === 'us') {
        const ounces = grams / G_PER_OUNCE;
        return ounces < 16 ? number(ounces, 1, 'oz') : mass(grams / 1000, units);
    }
    return grams < 1000 ? number(grams, 0, 'g') : mass(grams / 1000, units);
}

/** What bears on a square metre: `263 kg/m²` or `54 lb/ft²`. */
export function load(kgPerSquareMetre: number, units: Units): string {
    return units === 'us'
        ? number(((kgPerSquareMetre * 1000) / G_PER_POUND) * (MM_PER_FOOT / 1000) ** 2, 0, 'lb/ft²')
        : number(kgPerSquareMetre, 0, 'kg/m²');
}

/** What is to be covered: `0.52 m²` or `5.6 ft²`. */
export function area(squareMetres: number, units: Units): string {
    return units === 'us' ? number(squareMetres / (MM_PER_FOOT / 1000) ** 2, 1, 'ft²') : number(squareMetres, 2, 'm²');
}

export function temperature(celsius: number, units: Units): string {
    return units === 'us' ? number((celsius * 9) / 5 + 32, 0, '°F') : number(celsius, 1, '°C');
}

/** A crop's name with what it does: "basil wants", "chives want". A name is of many by its last letters, as in the core. */
export const doing = (name: string, one: string, many: string): string => `${name} ${/[^usi]s$/u.test(name) ? many : one}`;

export function money(amount: number): string {
    return amount.toFixed(2);
}

/** Minutes as a grower says them: `40 min`, `3 h 20 min`, `2 days`. */
export function span(minutes: number): string {
    if (minutes < 90) return number(minutes, 0, 'min');
    if (minutes < 48 * 60) {
        const hours = Math.floor(minutes / 60);
        const rest = Math.round((minutes - hours * 60) / 10) * 10;
        return rest > 0 && rest < 60 ? `${hours}${GAP}h ${rest}${GAP}min` : number(minutes / 60, 0, 'h');
    }
    return number(minutes / 1440, 1, 'days');
}

/** A count with its word: "1 cup", "3 cups". */
export const counted = (count: number, one: string, more: string): string => `${count} ${count === 1 ? one : more}`;
