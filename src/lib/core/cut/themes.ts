import type { KindName } from './cut-language';
import { isKind, kindId, type ListWords } from './list-words';

/** A theme that could make a group: a word, two words that nearly always stand together, or a kind. */
export interface Theme {
  /** Its words' ids: one, or two of a unit. */
  ids: readonly number[];
  /** Keywords that hold it, ascending, and how much of it each holds: 1, or less where only a part of a unit. */
  holders: Int32Array;
  whole: Float64Array;
  /** 1: kinds that any trade has; 2: words for doing; 3: all else. */
  tier: 1 | 2 | 3;
  worth: number;
}

const unitOverlap = 0.6;
const partOfUnit = 0.7;
const withinShare = 0.75;

const tier1 = new Set((['price', 'near', 'compare', 'buy'] satisfies KindName[]).map(kindId));
const tier2 = new Set((['replace', 'install', 'repair', 'removal'] satisfies KindName[]).map(kindId));

const weights: Partial<Record<KindName, number>> = {
  price: 0.35,
  near: 0.3,
  compare: 0.3,
  buy: 0.3,
  replace: 0.5,
  install: 0.5,
  repair: 0.7,
  removal: 0.7,
  urgency: 0.8,
  training: 0.8,
  online: 0.8,
  home: 0.8,
  hire: 0.9,
  secondhand: 1.3,
};
const weightOf = new Map(Object.entries(weights).map(([name, weight]) => [kindId(name as KindName), weight]));

/** What a word weighs as a theme. */
export const weightOfWord = (id: number) => weightOf.get(id) ?? 1;

type Bare = Omit<Theme, 'worth'>;

/** A word whose forms mostly say that something is done. */
function isDoing({ language, forms }: ListWords, id: number): boolean {
  const { doing, isDoingWord } = language;
  const said = forms[id]!.filter(
    (form) => isDoingWord.has(form) || doing.endings.some((ending) => form.length > ending.length && form.endsWith(ending)),
  );
  return said.length * 2 >= forms[id]!.length;
}

/** Two sets of keywords as one, with what each holds: both words, or one. */
function unite(a: Int32Array, b: Int32Array): Pick<Theme, 'holders' | 'whole'> {
  const [holders, whole]: [number[], number[]] = [[], []];
  for (let i = 0, j = 0; i < a.length || j < b.length;) {
    const [one, other] = [a[i] ?? Infinity, b[j] ?? Infinity];
    holders.push(Math.min(one, other));
    whole.push(one === other ? 1 : partOfUnit);
    if (one <= other) i++;
    if (other <= one) j++;
  }
  return { holders: Int32Array.from(holders), whole: Float64Array.from(whole) };
}

const wholeOf = (holders: Int32Array) => new Float64Array(holders.length).fill(1);

/** Words, units of two words (step 6) and kinds that are no heads, each with who holds it. */
export function findThemes(words: ListWords, heads: ReadonlySet<number>): Bare[] {
  const { holders, held, count } = words;
  const hasHire = holders[kindId('hire')]!.length >= 3;
  const isOpen = (id: number) => holders[id]!.length >= 2 && !heads.has(id) && (hasHire || id !== kindId('buy'));
  const plain = Array.from({ length: count }, (_, id) => id).filter((id) => isOpen(id) && !isKind(id));
  plain.sort((a, b) => holders[b]!.length - holders[a]!.length || a - b);
  const used = new Uint8Array(count);
  const met = new Int32Array(count);
  const themes: Bare[] = [];
  for (const id of plain) {
    if (used[id]) continue;
    const touched: number[] = [];
    for (const keyword of holders[id]!)
      for (const other of held[keyword]!)
        if (other !== id && !used[other] && !isKind(other) && !heads.has(other)) {
          if (met[other] === 0) touched.push(other);
          met[other]!++;
        }
    let mate = -1;
    for (const other of touched) if (mate < 0 || met[other]! > met[mate]! || (met[other] === met[mate] && other < mate)) mate = other;
    const both = mate < 0 ? 0 : met[mate]!;
    for (const other of touched) met[other] = 0;
    const isUnit = both >= 2 && both / (holders[id]!.length + holders[mate]!.length - both) >= unitOverlap;
    used[id] = 1;
    if (!isUnit) {
      themes.push({ ids: [id], holders: holders[id]!, whole: wholeOf(holders[id]!), tier: isDoing(words, id) ? 2 : 3 });
      continue;
    }
    used[mate] = 1;
    const tier = isDoing(words, id) && isDoing(words, mate) ? 2 : 3;
    themes.push({ ids: [id, mate], ...unite(holders[id]!, holders[mate]!), tier });
  }
  for (let id = 0; isKind(id); id++)
    if (isOpen(id))
      themes.push({ ids: [id], holders: holders[id]!, whole: wholeOf(holders[id]!), tier: tier1.has(id) ? 1 : tier2.has(id) ? 2 : 3 });
  return themes;
}

/** Themes by keyword. */
export function themesByKeyword(themes: readonly Pick<Theme, 'holders'>[], keywords: number): Int32Array[] {
  const sizes = new Int32Array(keywords);
  for (const { holders } of themes) for (const keyword of holders) sizes[keyword]!++;
  const lists = Array.from(sizes, (size) => new Int32Array(size));
  sizes.fill(0);
  themes.forEach(({ holders }, theme) => holders.forEach((keyword) => (lists[keyword]![sizes[keyword]!++] = theme)));
  return lists;
}

/** The bigger themes in which most of a theme's keywords stand. */
function findWithin(themes: readonly Bare[], byKeyword: readonly Int32Array[]): ReadonlySet<number>[] {
  const met = new Int32Array(themes.length);
  return themes.map(({ holders, tier }, theme) => {
    const within = new Set<number>();
    if (tier === 1) return within;
    const touched: number[] = [];
    for (const keyword of holders)
      for (const other of byKeyword[keyword]!) {
        if (met[other] === 0) touched.push(other);
        met[other]!++;
      }
    for (const other of touched) {
      const isBigger = themes[other]!.holders.length > holders.length && themes[other]!.tier > 1;
      if (other !== theme && isBigger && met[other]! >= withinShare * holders.length) within.add(other);
      met[other] = 0;
    }
    return within;
  });
}

/** Themes of at least so many keywords, with what each is worth to one that holds it (steps 7 and 8). */
export function weighThemes(all: readonly Bare[], keywords: number, least: number): Theme[] {
  const themes = all.filter(({ holders }) => holders.length >= least);
  const byKeyword = themesByKeyword(themes, keywords);
  const within = findWithin(themes, byKeyword);
  return themes.map((theme, at) => {
    let [own, child] = [0, 0];
    for (const keyword of theme.holders) {
      let [hasOther, hasChildless] = [false, false];
      for (const other of byKeyword[keyword]!) {
        if (other === at || themes[other]!.tier < theme.tier || within[at]!.has(other)) continue;
        hasOther = true;
        if (!within[other]!.has(at)) hasChildless = true;
      }
      if (!hasOther) own++;
      else if (!hasChildless) child++;
    }
    const alone = own + (own >= 2 ? child : 0);
    const n = theme.holders.length;
    const spec = (alone + 0.5) / (n + 1);
    const weight = theme.ids.length === 1 ? weightOfWord(theme.ids[0]!) : 1;
    return { ...theme, worth: weight * Math.log((keywords + 1) / n) * spec ** 0.4 };
  });
}

/** What opening a theme costs, by how few groups are wanted. */
export function costOf({ ids, tier }: Pick<Theme, 'ids' | 'tier'>, keywords: number, fewness: number): number {
  if (tier === 1) return 0.5 * fewness;
  const whole = Math.log(keywords + 1) * 1.2;
  return isKind(ids[0]!) ? Math.max(0.5 * fewness, (fewness - 1) * whole) : fewness * whole;
}
