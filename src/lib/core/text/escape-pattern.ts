const specials = /[.*+?^${}()|[\]\\]/g;

/** A text as a pattern that matches just that text. */
export const escapePattern = (text: string) => text.replace(specials, '\\$&');

/** A pattern that matches a text where no letter or digit stands right before or after it. */
export const wholeWords = (text: string, flags: string) => new RegExp(`(?<![\\p{L}\\p{N}])${escapePattern(text)}(?![\\p{L}\\p{N}])`, flags);
