import type { FindWords, PlaceMet, Trade } from './trade';
import { readFind, wordsOfPart, type Part } from './read-find';
import type { Saying } from './word-kinds';
import type { Span } from './widen';
import confidences from './rule-confidence.json';

/** What a find is about, as far as its verdict goes. */
export type FindKind =
  | 'wanted'
  | 'own-name'
  | 'price'
  | 'near'
  | 'urgent'
  | 'compare'
  | 'rival'
  | 'not-offered'
  | 'job'
  | 'free'
  | 'second-hand'
  | 'other-place'
  | 'learn'
  | 'hire'
  | 'other-meaning'
  | 'work'
  | 'part-or-tool'
  | 'unclear';

/** The rules that propose, each measured by itself. */
export type RuleName = keyof typeof confidences;

/** What a rule decides of a find. */
export interface Decision {
  verdict: 'keep' | 'block' | null;
  kind: FindKind;
  /** The rule that decided; null where none did. */
  rule: RuleName | null;
  /** The words that it stood on, as they stand in the find. */
  because: string[];
  /** Where the words stand of which a negative is made. */
  reason: Span | null;
}

interface Reading {
  find: FindWords;
  parts: readonly Part[];
  trade: Trade;
}

const unclear = (because: string[] = []): Decision => ({ verdict: null, kind: 'unclear', rule: null, because, reason: null });
const block = (rule: RuleName, kind: FindKind, { find }: Reading, part: Span): Decision => ({
  verdict: 'block',
  kind,
  rule,
  because: [wordsOfPart(find, part)],
  reason: { start: part.start, end: part.end },
});

const saying = ({ parts }: Reading, ...kinds: readonly Part['says'][]) => parts.find(({ says }) => kinds.includes(says));

/** How sure a rule is: right of made over labelled finds that it was not made for. */
export const confidenceOf = (rule: RuleName): number => confidences[rule];

function byRival(reading: Reading): Decision | null {
  const { find, trade } = reading;
  for (let at = 0; at < find.words.length; at++) {
    const length = trade.rivalAt(find, at);
    if (length > 0) return block('rival', 'rival', reading, { start: at, end: at + length });
  }
  return null;
}

function byNotOffered(reading: Reading): Decision | null {
  const { find, trade } = reading;
  for (const { roots, core } of trade.notOffered) {
    const places = roots.map((root) => trade.rootAt(find, root));
    if (places.some((at) => at < 0)) continue;
    const own = places.filter((_, index) => !core.has(roots[index]!)).sort((a, b) => a - b);
    const standing = own.length > 0 ? own : [...places].sort((a, b) => a - b);
    const [first, last] = [standing[0]!, standing.at(-1)!];
    const isTogether = last - first + 1 === standing.length;
    // Words apart: the first of them that is the trade's own no more; all of the find where that would say too little.
    const reason = isTogether ? { start: first, end: last + 1 } : { start: 0, end: find.words.length };
    return { ...block('not-offered', 'not-offered', reading, reason), because: places.map((at) => find.words[at]!) };
  }
  return null;
}

/** Kinds that block whatever else stands in a find. */
const always: readonly (readonly [Saying, RuleName, FindKind])[] = [
  ['job', 'job', 'job'],
  ['free', 'free', 'free'],
  ['second-hand', 'second-hand', 'second-hand'],
];

const leastPeople = 20_000;
const ownGroundKm = 40;
const nearKm = 90;

/** Another place: called so where it lies, large or beside another one, at an edge of the find or after “in”, and too far to be served. */
function byPlace(reading: Reading): Decision | null {
  const { find, parts, trade } = reading;
  const at = parts.findIndex(({ says }) => says === 'other-place');
  const part = parts[at];
  if (!part) return null;
  const phrase = find.folded.slice(part.start, part.end).join(' ');
  const place = trade.places.get(phrase) as PlaceMet;
  const beside = [parts[at - 1], parts[at + 1]].some((one) => one?.says === 'other-place');
  const isAtEdge = at === 0 || at === parts.length - 1 || trade.kinds.before.has(find.folded[part.start - 1]!);
  if (!place.isOwnName || !isAtEdge || (place.people < leastPeople && !beside)) return null;
  if (place.km !== null && place.km <= ownGroundKm) return null;
  if (parts[at - 1]?.says === 'near' && place.km !== null && place.km < nearKm) return null;
  return block('other-place', 'other-place', reading, part);
}

/** Whether what is sought is the part or tool: nothing of the trade after it, where the thing sought stands last; none before it, where first. */
function isSought({ parts, trade }: Reading, part: Part): boolean {
  const others = parts.filter(({ says }) => says === 'core');
  return trade.kinds.isHeadFirst ? others.every(({ start }) => start > part.start) : others.every(({ start }) => start < part.start);
}

function byTool(reading: Reading): Decision | null {
  const { find, parts, trade } = reading;
  const tool = parts.find((part) => part.says === 'tool' && isSought(reading, part));
  if (tool) return block('tool', 'part-or-tool', reading, tool);
  // A compound of the trade that ends in a tool: “rattenfalle”.
  const compound = parts.find((part) => {
    const { start, says } = part;
    const word = find.folded[start]!;
    // “Im Rollladenkasten”: where something is, and nothing that is sought.
    if (!['rest', 'core'].includes(says) || trade.core.has(find.roots[start]!) || trade.kinds.before.has(find.folded[start - 1]!))
      return false;
    return trade.kinds.toolEndings.some(
      (ending) =>
        word.length >= ending.length + 3 && ((says === 'rest' && word.endsWith(ending)) || (ending.length > 4 && word.startsWith(ending))),
    );
  });
  return compound ? block('tool-compound', 'part-or-tool', reading, compound) : null;
}

/** What words against say by what is sold. */
function byTable(reading: Reading): Decision | null {
  const { parts, trade } = reading;
  const isPrice = saying(reading, 'price') !== undefined;
  const learns = saying(reading, 'learn');
  // “How much is …” asks for a price, whatever question words stand in it.
  if (learns && !(isPrice && asksOnly(reading, learns))) return block('learn', 'learn', reading, learns);
  const media = saying(reading, 'media');
  if (media) return block('media', 'other-meaning', reading, media);
  const hires = saying(reading, 'hire-out');
  if (hires) {
    if (trade.brief.sells !== 'service') return block('hire-out', 'hire', reading, hires);
    const isOfWork = parts.indexOf(hires) === 0 && reading.parts.some(({ says }) => says === 'core');
    if (!isOfWork) return unclear([wordsOfPart(reading.find, hires)]);
  }
  const buys = saying(reading, 'buys');
  if (buys) return block('buys', 'part-or-tool', reading, buys);
  const works = saying(reading, 'work');
  if (works && (trade.brief.sells !== 'service' || isForOthers(reading, works))) return block('work', 'not-offered', reading, works);
  return null;
}

/** Whether a word says for whom it is, and that is not whom the client works for. */
const isForOthers = ({ find, trade }: Reading, { start, end }: Part) => trade.kinds.forOthers.has(find.folded.slice(start, end).join(' '));

const asking = /^(?:how|what|was|wie|hva|hvor|que|como|cuanto|comment|combien)\b/;
const asksOnly = ({ find }: Reading, part: Part) => asking.test(find.folded.slice(part.start, part.end).join(' '));

const intents: readonly (readonly [Saying, FindKind])[] = [
  ['price', 'price'],
  ['near', 'near'],
  ['urgent', 'urgent'],
  ['compare', 'compare'],
];
const fine: ReadonlySet<Part['says']> = new Set([
  'core',
  'small',
  'our-place',
  'price',
  'near',
  'urgent',
  'compare',
  'intent',
  'teaching',
  'attribute',
  'hire-out',
]);
const wanting: ReadonlySet<Part['says']> = new Set(['our-place', 'price', 'near', 'urgent', 'compare', 'intent', 'teaching']);
const mostHeads = 2;

/** Keeps where every word is known and nothing speaks against it, and enough of the trade stands in it. */
function byTrade(reading: Reading): Decision {
  const { find, parts, trade } = reading;
  const isPrice = saying(reading, 'price') !== undefined;
  // A price question makes its other question words silent.
  const isNear = saying(reading, 'near') !== undefined;
  const isSilent = (says: Part['says']) => (says === 'question' && (isPrice || isNear)) || (says === 'learn' && isPrice);
  const open = parts.filter(({ says }) => !fine.has(says) && !isSilent(says));
  if (open.length > 0) return unclear(open.map((part) => wordsOfPart(find, part)));
  const core = parts.filter(({ says }) => says === 'core');
  const heads = new Set(
    core.filter(({ start }) => trade.isHead(find.folded[start]!, find.roots[start]!)).map(({ start }) => find.roots[start]!),
  );
  const isNamed = core.some(({ start }) => trade.names.has(find.roots[start]!) || isCompoundHead(trade, find, start));
  const wants = parts.find(({ says }) => wanting.has(says));
  const isTaught = parts.some(({ start, says }) => says === 'teaching' || (says === 'core' && trade.teaches(find.folded[start]!)));
  const because = core.map((part) => wordsOfPart(find, part));
  if (core.length === 0 || (trade.brief.sells === 'course' && !isTaught)) return unclear(because);
  const needed = Math.min(mostHeads, trade.heads.length);
  const hasAllHeads = isNamed || heads.size >= needed;
  const distinct = new Set(core.map(({ start }) => find.roots[start]!)).size;
  const isBare = parts.every(({ says }) => says === 'core' || says === 'small') && distinct === 1;
  if (isBare && trade.brief.sells !== 'thing') return unclear(because);
  const isHeadsAlone = parts.every(({ start, says }) => says === 'small' || (says === 'core' && heads.has(find.roots[start]!)));
  const byHeads = wants ? 'heads-and-intent' : isHeadsAlone ? 'bare-heads' : 'heads';
  const bySome = distinct >= 2 ? 'two-core' : wants && heads.size > 0 ? 'head-and-intent' : null;
  const rule: RuleName | null = hasAllHeads ? byHeads : bySome;
  if (rule === null) return unclear(because);
  const kind = intents.find(([says]) => saying(reading, says))?.[1] ?? 'wanted';
  if (kind === 'near' && !trade.servesNear) return unclear([wordsOfPart(find, saying(reading, 'near')!)]);
  return { verdict: 'keep', kind, rule, because: [...because, ...(wants ? [wordsOfPart(find, wants)] : [])], reason: null };
}

const isCompoundHead = (trade: Trade, find: FindWords, at: number) =>
  !trade.core.has(find.roots[at]!) && trade.isHead(find.folded[at]!, find.roots[at]!);

/** What to do with a find, by the first rule that speaks. `isHarmless`: of words that nothing is known of, those that say nothing against it. */
export function decide(find: FindWords, trade: Trade, isHarmless: (word: string) => boolean = () => false): Decision {
  return decideRead(find, readFind(find, trade), trade, isHarmless);
}

/** The same of a find that has been read. */
export function decideRead(
  find: FindWords,
  read: readonly Part[],
  trade: Trade,
  isHarmless: (word: string) => boolean = () => false,
): Decision {
  const parts = read.map((part) =>
    part.says === 'rest' && isHarmless(wordsOfPart(find, part)) ? { ...part, says: 'attribute' as const } : part,
  );
  const reading: Reading = { find, trade, parts };
  const rival = byRival(reading);
  if (rival) return rival;
  if (trade.isOwnName(find)) return { verdict: 'keep', kind: 'own-name', rule: 'own-name', because: find.words.slice(0, 1), reason: null };
  const notOffered = byNotOffered(reading);
  if (notOffered) return notOffered;
  for (const [says, rule, kind] of always) {
    const part = saying(reading, says);
    if (part) return block(rule, kind, reading, part);
  }
  return byPlace(reading) ?? byTable(reading) ?? byTool(reading) ?? byTrade(reading);
}
