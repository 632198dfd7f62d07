import type { MatchType } from '../records/match-types';

/** What reading changed or met in a keyword as it was written. */
export type KeywordNote = { code: 'plus-removed' } | { code: 'sign-became-space'; signs: string[] } | { code: 'nothing-left' };

/** A keyword or negative as read from text. */
export interface ReadKeyword {
  text: string;
  match: MatchType;
  negative: boolean;
  notes: KeywordNote[];
}

const apostrophes = /[‘’‚‛′ʼ´]/g;
const quotes = /[“”„‟″«»]/g;

const foldQuotes = (text: string) => text.replace(apostrophes, "'").replace(quotes, '"');

/** NFKC, typographic quotes folded; letters kept as they are. Folded again after NFKC, which takes some apart. */
const normalize = (text: string) => foldQuotes(foldQuotes(text).normalize('NFKC'));

function replaceSigns(text: string, refused: ReadonlySet<string>): { text: string; signs: string[] } {
  const signs: string[] = [];
  const replaced = [...text].map((sign) => {
    if (!refused.has(sign)) return sign;
    if (!signs.includes(sign)) signs.push(sign);
    return ' ';
  });
  const collapsed = replaced
    .join('')
    .replace(/\p{White_Space}+/gu, ' ')
    .trim();
  return { text: collapsed, signs };
}

/** The plain text by which keywords, searches and negatives are compared. */
export function plainText(text: string, refusedSigns: ReadonlySet<string>): string {
  return replaceSigns(normalize(text).toLowerCase(), refusedSigns).text;
}

/**
 * Reads `[exact]`, `"phrase"`, plain (the default match type), a leading `-` for a negative and old `+word` marks.
 * Nothing is lost silently: every change is a note.
 */
export function readKeyword(written: string, defaultMatch: MatchType, refusedSigns: ReadonlySet<string>): ReadKeyword {
  const notes: KeywordNote[] = [];
  let text = normalize(written).trim();
  let match = defaultMatch;
  const negative = text.startsWith('-');
  if (negative) text = text.slice(1).trim();
  const marked = /^(?:\[(.*)\]|"(.*)")$/u.exec(text);
  if (marked) {
    match = marked[1] !== undefined ? 'exact' : 'phrase';
    text = marked[1] ?? marked[2] ?? '';
  }
  const withoutPlus = text.replace(/(^|\p{White_Space})\++(?=[^\p{White_Space}+])/gu, '$1');
  if (withoutPlus !== text) {
    notes.push({ code: 'plus-removed' });
    match = 'phrase';
  }
  const { text: plain, signs } = replaceSigns(withoutPlus.toLowerCase(), refusedSigns);
  if (signs.length > 0) notes.push({ code: 'sign-became-space', signs });
  if (plain === '') notes.push({ code: 'nothing-left' });
  return { text: plain, match, negative, notes };
}

/** A keyword as practitioners write it: `[exact]`, `"phrase"`, plain for broad. */
export function writeKeyword(text: string, match: MatchType): string {
  if (match === 'exact') return `[${text}]`;
  return match === 'phrase' ? `"${text}"` : text;
}
