/** A text with a capital first letter. */
export const first = (text: string) => text.slice(0, 1).toUpperCase() + text.slice(1);
