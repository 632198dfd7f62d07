import { eastAsianWidth } from 'get-east-asian-width';

const segmenter = new Intl.Segmenter(undefined, { granularity: 'grapheme' });
const emoji = /\p{Emoji_Presentation}|\p{Emoji}\uFE0F/u;
/** Letters and signs that stand alone and count one each: Latin, Greek and Cyrillic without combining marks. */
const everyCharacterCountsOne = /^[\u0020-\u007e\u00a1-\u02ff\u0370-\u0482\u048a-\u052f]*$/;

/** Latin, Cyrillic, dashes, quotes and signs of money: NFC leaves them alone, each is a cluster of its own and counts one. */
const narrow = '\\u0021-\\u007e\\u00a1-\\u02ff\\u0400-\\u0482\\u2010-\\u2027\\u20a0-\\u20bf';
/** Kana, ideographs, Hangul syllables and full-width forms, likewise, which count two. */
const wide = '\\u3001-\\u3029\\u3041-\\u3096\\u30a1-\\u30ff\\u4e00-\\u9fff\\uac00-\\ud7a3\\uff01-\\uff60';
/** Text that stands as it is counted: narrow letters with single spaces between. */
const standsAsCounted = new RegExp(`^(?:[${narrow}]+(?: [${narrow}]+)*)?$`);
const narrowAndWide = new RegExp(`^[ ${narrow}${wide}]*$`);
const eachWide = new RegExp(`[${wide}]`, 'g');

/** Whether a text stands as it is counted, so that its length in units is its length. */
export const isAsCounted = (text: string) => standsAsCounted.test(text);

/** The text as it is counted: composed (NFC), runs of white space made one space, ends trimmed. */
export function normalizeText(text: string): string {
  if (standsAsCounted.test(text)) return text;
  return text
    .normalize('NFC')
    .replace(/\p{White_Space}+/gu, ' ')
    .replace(/^ | $/g, '');
}

/** What one grapheme cluster counts: 2 where it is wide, full-width or an emoji, else 1. */
function clusterUnits(cluster: string): number {
  if (emoji.test(cluster)) return 2;
  for (const sign of cluster) if (eastAsianWidth(sign.codePointAt(0) ?? 0) === 2) return 2;
  return 1;
}

/** Length of a text in units, the one way in which every limit is counted. */
export function units(text: string): number {
  if (standsAsCounted.test(text)) return text.length;
  const normal = normalizeText(text);
  if (everyCharacterCountsOne.test(normal)) return normal.length;
  if (narrowAndWide.test(normal)) return normal.length + (normal.match(eachWide)?.length ?? 0);
  let total = 0;
  for (const { segment } of segmenter.segment(normal)) total += clusterUnits(segment);
  return total;
}
