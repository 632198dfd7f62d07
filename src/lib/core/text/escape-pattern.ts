const specials = /[.*+?^${}()|[\]\\]/g;

/** A text as a pattern that matches just that text. */
export const escapePattern = (text: string) => text.replace(specials, '\\$&');
