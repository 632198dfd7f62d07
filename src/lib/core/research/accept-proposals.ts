import type { Snapshot } from '../store/snapshot';
import type { Change, SimpleChange } from '../store/changes';
import type { BlockReason, Find } from '../records/find';
import type { Intent, VerdictProposal } from './propose-verdict';
import { blockFinds, type BlockedFind } from './block-finds';
import { KeptTexts, type HoldsWords } from './kept-texts';
import { negativeFor } from './negative-for';

/** Finds that would get the same verdict for the same reason. */
export interface AcceptedGroup {
  verdict: VerdictProposal['verdict'];
  intent: Intent;
  reason: BlockReason | null;
  finds: Find[];
}

/** What accepting would do, by reason, and what is held back to be seen first. */
export interface Acceptance {
  groups: AcceptedGroup[];
  /** Finds that are searched so much that a wrong verdict would cost. */
  held: Find[];
}

const mostHeld = 12;
/** Of all searches that are left, the share from which a find is worth seeing by itself. */
const heldShare = 0.02;

/** Proposals of at least some confidence, by what they do; the most searched are held back. */
export function planAcceptance(left: readonly Find[], proposalOf: (find: Find) => VerdictProposal, atLeast: number): Acceptance {
  const sure = left.filter((find) => {
    const { verdict, confidence } = proposalOf(find);
    return verdict !== 'later' && confidence >= atLeast;
  });
  const searches = left.reduce((sum, { searchesHigh }) => sum + (searchesHigh ?? 0), 0);
  const large = sure
    .filter(({ searchesHigh }) => (searchesHigh ?? 0) > searches * heldShare)
    .sort((a, b) => (b.searchesHigh ?? 0) - (a.searchesHigh ?? 0))
    .slice(0, mostHeld);
  const held = new Set(large);
  const groups = new Map<string, AcceptedGroup>();
  for (const find of sure) {
    if (held.has(find)) continue;
    const { verdict, intent, reason } = proposalOf(find);
    const key = `${verdict} ${intent} ${reason}`;
    let group = groups.get(key);
    if (!group) groups.set(key, (group = { verdict, intent, reason, finds: [] }));
    group.finds.push(find);
  }
  return { groups: [...groups.values()].sort((a, b) => b.finds.length - a.finds.length), held: large };
}

/** What was proposed, as it is remembered with a find. */
export const rememberProposal = ({ verdict, because }: VerdictProposal) => `${verdict}: ${because}`.slice(0, 200);

/** What accepting stands on besides the proposals. */
export interface AcceptingSources {
  proposalOf: (find: Find) => VerdictProposal;
  /** Texts that no negative may block: kept ones, and open ones that are on topic. */
  kept: KeptTexts;
  /** Whether a word is what the plan is about. */
  isCore: (word: string) => boolean;
  newId: () => string;
}

/** The finds that accepting would block, each with the words that its negative is made of. */
export function blockedByAccepting(
  groups: readonly AcceptedGroup[],
  { proposalOf, kept: keptBefore, isCore }: AcceptingSources,
): BlockedFind[] {
  const keptNow = groups.flatMap(({ verdict, finds }) => (verdict === 'keep' ? finds.map(({ text }) => text) : []));
  const kept = askedOnce(new KeptTexts(keptNow, keptBefore));
  return groups.flatMap(({ verdict, reason, finds }) =>
    verdict === 'block'
      ? finds.map((find) => ({ find, reason, negative: negativeFor(find.text, proposalOf(find).because, kept, isCore) }))
      : [],
  );
}

/** The same, each run of words asked about once. */
function askedOnce(kept: HoldsWords): HoldsWords {
  const known = new Map<string, boolean>();
  return {
    hold(words) {
      let isHeld = known.get(words);
      if (isHeld === undefined) known.set(words, (isHeld = kept.hold(words)));
      return isHeld;
    },
  };
}

/** A negative that accepting would make, and what it stops of the finds that are blocked for it. */
export interface MadeNegative {
  text: string;
  finds: number;
  searches: number;
  /** What clicks on those would cost a month, in minor units. */
  costMinor: number;
}

/** The negatives of finds that would be blocked, those that stop most first; `costOf`: what clicks on a find would cost a month. */
export function negativesMade(blocked: readonly BlockedFind[], costOf: (find: Find) => number): MadeNegative[] {
  const made = new Map<string, MadeNegative>();
  for (const { find, negative } of blocked) {
    let one = made.get(negative);
    if (!one) made.set(negative, (one = { text: negative, finds: 0, searches: 0, costMinor: 0 }));
    one.finds++;
    one.searches += find.searchesHigh ?? 0;
    one.costMinor += costOf(find);
  }
  return [...made.values()].sort((x, y) => y.searches - x.searches || y.finds - x.finds || (x.text < y.text ? -1 : 1));
}

/** The change that accepts some of it in one step; a block is made of the words that speak against it. Null where there is nothing to accept. */
export function acceptProposals(snapshot: Snapshot, groups: readonly AcceptedGroup[], sources: AcceptingSources): Change | null {
  const { proposalOf, newId } = sources;
  const all = groups.flatMap(({ finds }) => finds);
  if (all.length === 0) return null;
  const proposed = all.map((find) => ({ id: find.id as string, proposed: rememberProposal(proposalOf(find)) }));
  const changes: SimpleChange[] = [
    { type: 'set-each', record: 'find', rows: proposed },
    ...groups.flatMap(({ verdict, finds }): SimpleChange[] =>
      verdict === 'block' || finds.length === 0 ? [] : [{ type: 'judge', ids: finds.map(({ id }) => id), verdict }],
    ),
    ...blockFinds(snapshot, blockedByAccepting(groups, sources), newId),
  ];
  return { type: 'several', name: 'proposals-accepted', changes };
}
