import { withoutMarks, type CutLanguage } from './cut-language';

/** Sets of numbers that grow together. */
class Joined {
  private readonly parent: Int32Array;
  constructor(size: number) {
    this.parent = Int32Array.from({ length: size }, (_, index) => index);
  }
  find(one: number): number {
    let root = one;
    while (this.parent[root] !== root) root = this.parent[root]!;
    while (this.parent[one] !== root) [one, this.parent[one]] = [this.parent[one]!, root];
    return root;
  }
  join(one: number, other: number) {
    const [a, b] = [this.find(one), this.find(other)];
    if (a !== b) this.parent[Math.max(a, b)] = Math.min(a, b);
  }
}

/** Length of the start that two words share. */
function sharedStart(one: string, other: string): number {
  const most = Math.min(one.length, other.length);
  let at = 0;
  while (at < most && one.charCodeAt(at) === other.charCodeAt(at)) at++;
  return at;
}

/** Whether what follows a start is an ending; a doubled letter before it is skipped: cut-ter. */
function isRest(rest: string, last: string, endings: ReadonlySet<string>): boolean {
  return endings.has(rest) || (rest.length > 1 && rest[0] === last && endings.has(rest.slice(1)));
}

/** Whether two forms are one word with two endings. */
function sameButEnding(one: string, other: string, shared: number, endings: ReadonlySet<string>): boolean {
  const least = Math.max(3, Math.ceil(Math.max(one.length, other.length) / 2));
  for (let start = shared; start >= least; start--) {
    const [rest, otherRest] = [one.slice(start), other.slice(start)];
    if (start === 3 && (rest === '' || otherRest === '')) continue;
    const last = one[start - 1]!;
    if (isRest(rest, last, endings) && isRest(otherRest, last, endings)) return true;
  }
  return false;
}

/** Whether two long forms are one letter apart: orthop(a)edic. */
function oneLetterApart(one: string, other: string, shared: number): boolean {
  if (shared < 4 || one.length < 8 || other.length < 8 || Math.abs(one.length - other.length) > 1) return false;
  const [short, long] = one.length <= other.length ? [one, other] : [other, one];
  const rest = short.length === long.length ? short.slice(shared + 1) : short.slice(shared);
  return long.slice(shared + 1) === rest;
}

/** Words that count as equal: rings of the language, but for those of which a word names the trade, and what was taught. */
export interface Equals {
  /** Whether a form is so common that it may name the trade: then no ring holds it (to a groomer of dogs a puppy is not just a dog). */
  isCommon(form: number): boolean;
  oneAd: readonly (readonly string[])[];
}

/** Rings of which no word is common. */
function openRings(forms: readonly string[], { ringOf }: CutLanguage, isCommon: Equals['isCommon']): (word: string) => number | undefined {
  const shut = new Set<number>();
  forms.forEach((word, form) => {
    const ring = ringOf.get(word);
    if (ring !== undefined && isCommon(form)) shut.add(ring);
  });
  return (word) => {
    const ring = ringOf.get(word);
    return ring === undefined || shut.has(ring) ? undefined : ring;
  };
}

/** Forms of one word, as the number of the family's first form by form. */
export function findFamilies(forms: readonly string[], language: CutLanguage, { isCommon, oneAd }: Equals): Int32Array {
  const ringOf = openRings(forms, language, isCommon);
  const joined = new Joined(forms.length);
  const firstOf = new Map<string, number>();
  const joinBy = (key: string, form: number) => {
    const first = firstOf.get(key);
    if (first === undefined) firstOf.set(key, form);
    else joined.join(first, form);
  };
  const taught = new Map<string, number>();
  oneAd.forEach((words, at) => words.forEach((word) => taught.set(language.stem(word), at)));
  const buckets = new Map<string, number[]>();
  const bare = forms.map(withoutMarks);
  forms.forEach((form, index) => {
    const stem = language.stem(form);
    joinBy(`s ${stem}`, index);
    const ring = ringOf(form);
    if (ring !== undefined) joinBy(`r ${ring}`, index);
    const lesson = taught.get(stem);
    if (lesson !== undefined) joinBy(`t ${lesson}`, index);
    const start = bare[index]!.slice(0, 3);
    if (start.length < 3) return;
    const bucket = buckets.get(start);
    if (bucket) bucket.push(index);
    else buckets.set(start, [index]);
  });
  for (const bucket of buckets.values())
    for (let a = 0; a < bucket.length; a++)
      for (let b = a + 1; b < bucket.length; b++) {
        const [one, other] = [bare[bucket[a]!]!, bare[bucket[b]!]!];
        const shared = sharedStart(one, other);
        if (sameButEnding(one, other, shared, language.isEnding) || oneLetterApart(one, other, shared)) joined.join(bucket[a]!, bucket[b]!);
      }
  return Int32Array.from(forms, (_, index) => joined.find(index));
}
