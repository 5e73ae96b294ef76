/** A change of a garden that was found on another page: it is put in when the garden is opened, and can be undone there. */
export interface Offer {
    says: string;
    patch: readonly unknown[];
}

const key = (garden: string): string => `kelp-offer-${garden}`;

export function offer(garden: string, what: Offer): void {
    try {
        window.sessionStorage.setItem(key(garden), JSON.stringify(what));
    } catch {
        // Without a place to put it, it is offered again where it was found.
    }
}

/** What is offered to a garden; once. */
export function offered(garden: string): Offer | null {
    try {
        const text = window.sessionStorage.getItem(key(garden));
        window.sessionStorage.removeItem(key(garden));
        return text === null ? null : (JSON.parse(text) as Offer);
    } catch {
        return null;
    }
}
