import similarity from 'damerau-levenshtein';

/** A prime that keeps letters and digits apart but for one pair. */
const buckets = 37;
const leastLikeness = 0.9;
const noLetters = /[^\p{L}\p{N}]/gu;
const isAscii = /^[\u0020-\u007e]*$/;

/** A text's letters and digits, prepared once for comparing with many others. */
export class Letters {
  /** How often letters stand in it, in a few buckets. */
  readonly counts = new Uint16Array(buckets);
  readonly length: number;
  private bare: string | null = null;

  constructor(private readonly source: string) {
    let length = 0;
    const text = isAscii.test(source) ? source : this.text;
    for (let index = 0; index < text.length; index++) {
      let code = text.charCodeAt(index);
      if (code >= 65 && code <= 90) code += 32;
      else if (code < 128 && !((code >= 97 && code <= 122) || (code >= 48 && code <= 57))) continue;
      this.counts[code % buckets]!++;
      length++;
    }
    this.length = length;
  }

  /** Lower case, letters and digits only. */
  get text(): string {
    return (this.bare ??= this.source.toLowerCase().replace(noLetters, ''));
  }
}

/**
 * Whether two texts are near-equal (rules §6): 1 − optimal string alignment distance ÷ longer length is 0.9 or more.
 * The distance is computed only where lengths and letters leave it possible: an edit changes the counts by two at most.
 */
export function areNearEqual(one: Letters, other: Letters): boolean {
  const most = (1 - leastLikeness) * Math.max(one.length, other.length) + 1e-9;
  if (Math.abs(one.length - other.length) > most) return false;
  let apart = 0;
  for (let bucket = 0; bucket < buckets; bucket++) apart += Math.abs(one.counts[bucket]! - other.counts[bucket]!);
  return apart <= 2 * most && similarity(one.text, other.text).similarity >= leastLikeness;
}

/** Whether two different words are one edit apart: a letter more, less, other, or two that changed places. */
export const isOneEditAway = (one: string, other: string): boolean =>
  Math.abs(one.length - other.length) <= 1 && one !== other && similarity(one, other).steps === 1;
