import { withoutMarks, type KindName } from './cut-language';
import { isKind, kindId, type ListWords } from './list-words';

/** Kinds that always are themes, however common. */
const neverHead: ReadonlySet<number> = new Set((['price', 'near', 'urgency', 'compare', 'secondhand'] satisfies KindName[]).map(kindId));
const leastCommon = 3;
const overlapOfRule = 0.3;
/** Where so few other words are common, a word must stand in half of the keywords: whom it accompanies says little. */
const fewOthers = 6;
const shareOfFew = 0.5;
/** Keywords from which on the list's own head counts beside an offer. */
const listSpeaksFrom = 90;
const wordsOfOwnHead = 4;

/** What an offer says of the words of a list. */
interface Offered {
  words: ReadonlySet<number>;
  /** The main word of its first run, and the others of that run. */
  main: number | null;
  firstRun: ReadonlySet<number>;
  /** Its first two words: heads to what is left over. */
  firstTwo: readonly number[];
}

function readOffer({ language, read }: ListWords, offer: string): Offered {
  const ids = read(offer);
  const start = ids.findIndex((id) => id >= 0);
  const end = ids.findIndex((id, at) => at > start && id < 0);
  const run = start < 0 ? [] : ids.slice(start, end);
  const content = ids.filter((id) => id >= 0);
  return {
    words: new Set(content),
    main: (language.mainWordLast ? run.at(-1) : run[0]) ?? null,
    firstRun: new Set(run),
    firstTwo: content.slice(0, 2),
  };
}

/** What the list says of itself: the keyword without a kind, of few words, whose words are the commonest. */
function ownHeadOf({ texts, held, holders }: ListWords): string {
  const mean = texts.length / 20;
  let [best, most] = ['', 0];
  held.forEach((ids, keyword) => {
    if (ids.some(isKind) || texts[keyword]!.split(/\s+/).length > wordsOfOwnHead) return;
    const sum = ids.reduce((all, id) => all + holders[id]!.length - mean, 0);
    if (sum > most) [best, most] = [texts[keyword]!, sum];
  });
  return best;
}

/** How a word stands among the common ones: share of keywords, of common words that it mostly accompanies, and that it ever meets. */
class Standing {
  private readonly common: number[];
  private readonly isCommon: Uint8Array;
  private readonly beside: Int32Array;

  constructor(private readonly words: ListWords) {
    this.isCommon = new Uint8Array(words.count);
    this.common = [];
    words.holders.forEach((holders, id) => {
      if (holders.length < leastCommon) return;
      this.common.push(id);
      this.isCommon[id] = 1;
    });
    this.beside = new Int32Array(words.count);
  }

  of(id: number): { share: number; rule: number; touch: number; others: number } {
    const { holders, held, texts } = this.words;
    this.beside.fill(0);
    for (const keyword of holders[id]!) for (const other of held[keyword]!) this.beside[other]!++;
    let [ruled, touched] = [0, 0];
    const others = this.common.length - this.isCommon[id]!;
    for (const other of this.common) {
      if (other === id || this.beside[other] === 0) continue;
      touched++;
      if (this.beside[other]! >= overlapOfRule * holders[other]!.length) ruled++;
    }
    const total = Math.max(1, others);
    return { share: holders[id]!.length / texts.length, rule: ruled / total, touch: touched / total, others };
  }
}

/** Words that name the trade, and what the first two words of the offer are. */
export interface Heads {
  heads: ReadonlySet<number>;
  /** Heads, and what counts as such for what is left over. */
  ofGeneral: ReadonlySet<number>;
}

/** Head words (steps 4 and 5): they name the trade and make no group. `trade` are words taught to do so. */
export function findHeads(words: ListWords, offer: string, trade: readonly string[]): Heads {
  const { texts, holders, held, count } = words;
  const own = ownHeadOf(words);
  const offered = readOffer(words, offer.trim() === '' ? own : offer);
  const spoken =
    offer.trim() !== '' && texts.length >= listSpeaksFrom ? new Set(words.read(own).filter((id) => id >= 0)) : new Set<number>();
  const isOffered = (id: number) => offered.words.has(id) || spoken.has(id);
  const standing = new Standing(words);
  const heads = new Set<number>(trade.flatMap((word) => words.read(word)).filter((id) => id >= 0));
  const wide: { id: number; share: number; rule: number; touch: number; others: number }[] = [];
  for (let id = 0; id < count; id++) {
    if (neverHead.has(id) || holders[id]!.length < 0.08 * texts.length || holders[id]!.length === 0) continue;
    wide.push({ id, ...standing.of(id) });
  }
  for (const { id, share, rule, touch, others } of wide) {
    if (others < fewOthers && share < shareOfFew) continue;
    const isRuling = share >= 0.1 && touch >= 0.5 && rule >= (isOffered(id) ? 0.33 : 0.5);
    if (isRuling || (isOffered(id) && !isKind(id) && share >= 0.15 && touch >= 0.55)) heads.add(id);
  }
  // The offer's first words, where some keywords hold nothing else.
  const run = new Set([...offered.firstRun, ...spoken]);
  const bare = held.filter((ids) => ids.length > 0 && ids.every((id) => heads.has(id) || run.has(id))).length;
  if (bare >= 2) for (const { id, share } of wide) if (run.has(id) && share >= (id === offered.main ? 0.1 : 0.25)) heads.add(id);
  const isHeadWord = (id: number) => heads.has(id) && !isKind(id);
  for (const { id, share, touch } of wide) {
    if (heads.has(id) || isKind(id) || share < 0.08 || touch < 0.5) continue;
    const apart = holders[id]!.filter((keyword) => !held[keyword]!.some(isHeadWord)).length;
    const standsAlone = holders[id]!.some((keyword) => held[keyword]!.every((other) => other === id || heads.has(other)));
    if (standsAlone && apart >= 0.85 * holders[id]!.length) heads.add(id);
  }
  for (const id of formsOfHeads(words, heads)) heads.add(id);
  return { heads, ofGeneral: new Set([...heads, ...offered.firstTwo.filter((id) => !neverHead.has(id))]) };
}

/** Words that are a head with an agent's or a verb's ending, or behind a prefix. */
function formsOfHeads({ language, forms, count }: ListWords, heads: ReadonlySet<number>): number[] {
  const bare = new Set<string>();
  for (const id of heads) {
    if (isKind(id)) continue;
    for (const form of forms[id]!) {
      bare.add(withoutMarks(form));
      bare.add(withoutMarks(language.stem(form)));
    }
  }
  const isFormOfHead = (written: string): boolean => {
    const form = withoutMarks(written);
    if (language.prefixes.some((prefix) => form.startsWith(prefix) && bare.has(form.slice(prefix.length)))) return true;
    return language.agentEndings.some((ending) => {
      if (!form.endsWith(ending)) return false;
      const start = form.slice(0, -ending.length);
      return (
        start.length >= 3 && (bare.has(start) || bare.has(`${start}e`) || (start.at(-1) === start.at(-2) && bare.has(start.slice(0, -1))))
      );
    });
  };
  const found: number[] = [];
  for (let id = 0; id < count; id++) if (!isKind(id) && !heads.has(id) && forms[id]!.some(isFormOfHead)) found.push(id);
  return found;
}
