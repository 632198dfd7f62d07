import { eastAsianWidth } from 'get-east-asian-width';

const segmenter = new Intl.Segmenter(undefined, { granularity: 'grapheme' });
const emoji = /\p{Emoji_Presentation}|\p{Emoji}\uFE0F/u;
/** Letters and signs that stand alone and count one each: Latin, Greek and Cyrillic without combining marks. */
const everyCharacterCountsOne = /^[\u0020-\u007e\u00a1-\u02ff\u0370-\u0482\u048a-\u052f]*$/;

/** The text as it is counted: composed (NFC), runs of white space made one space, ends trimmed. */
export function normalizeText(text: string): string {
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
  const normal = normalizeText(text);
  if (everyCharacterCountsOne.test(normal)) return normal.length;
  let total = 0;
  for (const { segment } of segmenter.segment(normal)) total += clusterUnits(segment);
  return total;
}
