/** Styles that libraries put into the page name this, and the page takes no others. */
export const nonce = (): string => document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce ?? '';
