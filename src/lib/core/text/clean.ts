/** A sign that no field takes, with its position (UTF-16 index) in the text as given. */
export interface RefusedSign {
  code: 'control-sign' | 'direction-sign' | 'invisible-sign';
  at: number;
  /** For example `U+202E`. */
  sign: string;
}

const suspicious = /[\p{Cc}\u061c\u180e\u200b-\u200f\u202a-\u202e\u2060-\u2064\u2066-\u2069\ufeff\u{e0001}-\u{e007f}]/gu;
const pictureBefore = /\p{Extended_Pictographic}(?:\ufe0f|\p{Emoji_Modifier})*$/u;
const pictureAfter = /^\p{Extended_Pictographic}/u;
const flagBefore = /\u{1f3f4}[\u{e0020}-\u{e007e}]*$/u;
const lineBreaks = /[\t\n\v\f\r\u0085\u2028\u2029]/;

function kindOf(sign: string): RefusedSign['code'] {
  if (/\p{Cc}/u.test(sign)) return 'control-sign';
  return /[\u202a-\u202e\u2066-\u2069]/.test(sign) ? 'direction-sign' : 'invisible-sign';
}

/** More than any one emoji is long; looking no further back keeps hostile text from costing more than its length. */
const emojiLength = 40;

/** Joiners and tags hold one emoji together; there they are kept. */
function belongsToEmoji(text: string, at: number, sign: string): boolean {
  const before = text.slice(Math.max(0, at - emojiLength), at);
  if (sign === '\u200d') return pictureBefore.test(before) && pictureAfter.test(text.slice(at + 1, at + 3));
  return /[\u{e0020}-\u{e007f}]/u.test(sign) && flagBefore.test(before);
}

/**
 * Control characters, direction overrides and zero-width signs outside emoji, each with its position.
 * `multiline` lets line breaks and tabs stand (notes and pasted lists).
 */
export function findRefusedSigns(text: string, { multiline = false } = {}): RefusedSign[] {
  const found: RefusedSign[] = [];
  for (const match of text.matchAll(suspicious)) {
    const [sign] = match;
    if (multiline && lineBreaks.test(sign)) continue;
    if (belongsToEmoji(text, match.index, sign)) continue;
    const number = (sign.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, '0');
    found.push({ code: kindOf(sign), at: match.index, sign: `U+${number}` });
  }
  return found;
}

/** The text without the signs that no field takes. */
export function takeOutRefusedSigns(text: string): string {
  return findRefusedSigns(text).reduceRight(
    (rest, { at }) => rest.slice(0, at) + rest.slice(at + String.fromCodePoint(rest.codePointAt(at) ?? 0).length),
    text,
  );
}

/** A pasted line break or tab becomes one space; `changed` says whether there was one. */
export function joinPastedLines(text: string): { text: string; changed: boolean } {
  const joined = text.replace(/[\t\n\v\f\r\u0085\u2028\u2029]+/g, ' ');
  return { text: joined, changed: joined !== text };
}
