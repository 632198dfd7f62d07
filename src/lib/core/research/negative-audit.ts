import { fewestNegatives, type ProposedNegative } from '../groups/fewest-negatives';
import { blocks, prepareNegative, prepareSearch } from '../keywords/matching';
import { NegativeIndex } from '../keywords/negative-index';
import type { Find } from '../records/find';
import type { Keyword } from '../records/keyword';
import type { Negative } from '../records/negative';
import { inOrder } from '../store/snapshot';
import { firstLanguage, type PlanView } from '../view/plan-view';
import { sumStopped } from './negative-reach';

/** What a negative does, in the order of the plan's negatives. */
export interface AuditedNegative {
  id: string;
  /** Finds that it blocks, kept ones too; their searches a month and what their clicks would cost, in minor units. */
  finds: number;
  searches: { low: number; high: number };
  costMinor: number;
  /** Kept finds and own keywords that it blocks where it acts: it should block none. */
  keptTexts: string[];
  keywordIds: string[];
  /** A negative that blocks all that this one blocks, where this one acts. */
  coveredBy: string | null;
}

/** Whether a negative acts wherever another one does. */
function actsWherever(wide: Negative, narrow: Negative, campaignOf: (groupId: string) => string | undefined): boolean {
  if (wide.groupId !== null) return wide.groupId === narrow.groupId;
  if (wide.campaignId === null) return true;
  return narrow.groupId !== null ? campaignOf(narrow.groupId) === wide.campaignId : narrow.campaignId === wide.campaignId;
}

/** Whether a negative blocks every search that another one blocks: by their words alone. */
function blocksAllOf(one: Negative, other: Negative): boolean {
  if (!blocks(prepareNegative(one.text, one.match), prepareSearch(other.text, ''))) return false;
  if (other.match === 'exact') return true;
  if (one.match === 'exact') return false;
  return other.match === 'phrase' || one.match === 'broad' || prepareNegative(one.text, one.match).words.length === 1;
}

/** For each negative one that covers it; of two that block the same where both act alike, the later is covered. */
function findCovered(view: PlanView, negatives: readonly Negative[]): Map<string, string> {
  const campaignOf = (groupId: string) => view.snapshot.group.get(groupId)?.campaignId;
  const index = new NegativeIndex(negatives);
  const place = new Map(negatives.map(({ id }, at) => [id, at]));
  const covers = (one: Negative, other: Negative) => actsWherever(one, other, campaignOf) && blocksAllOf(one, other);
  return new Map(
    negatives.flatMap((negative) => {
      const by = index
        .findBlocking(prepareSearch(negative.text, ''))
        .find(
          (one) =>
            one.id !== negative.id && covers(one, negative) && (!covers(negative, one) || place.get(one.id)! < place.get(negative.id)!),
        );
      return by ? [[negative.id as string, by.id as string] as const] : [];
    }),
  );
}

/** Whether a negative acts on a keyword. */
const actsOn = (view: PlanView, { campaignId, groupId }: Negative, keyword: Keyword): boolean =>
  groupId !== null
    ? keyword.groupId === groupId
    : campaignId === null || view.snapshot.group.get(keyword.groupId)?.campaignId === campaignId;

/** What each negative of the plan blocks, hurts and is covered by: finds and keywords are read once. */
export function auditNegatives(view: PlanView): AuditedNegative[] {
  const negatives = inOrder(view.snapshot.negative);
  const language = firstLanguage(view, undefined);
  const index = new NegativeIndex(negatives);
  const finds = new Map<string, Find[]>(negatives.map(({ id }) => [id, []]));
  const keywordIds = new Map<string, string[]>(negatives.map(({ id }) => [id, []]));
  for (const find of view.snapshot.find.values())
    for (const { id } of index.findBlocking(prepareSearch(find.text, language))) finds.get(id)!.push(find);
  for (const keyword of view.snapshot.keyword.values())
    for (const negative of index.findBlocking(prepareSearch(keyword.text, language)))
      if (actsOn(view, negative, keyword)) keywordIds.get(negative.id)!.push(keyword.id);
  const covered = findCovered(view, negatives);
  return negatives.map(({ id }) => {
    const own = finds.get(id)!;
    return {
      id,
      finds: own.length,
      ...sumStopped(view, own),
      keptTexts: own.flatMap(({ verdict, text }) => (verdict === 'keep' ? [text] : [])),
      keywordIds: keywordIds.get(id)!,
      coveredBy: covered.get(id) ?? null,
    };
  });
}

/** Fewer negatives that block what some block of the finds, and none that is kept or a keyword where they act. */
export interface FewerNegatives {
  /** How many finds they block. */
  finds: number;
  negatives: ProposedNegative[];
  /** Finds that none can block without blocking what is wanted. */
  stuck: string[];
}

/** The smallest set that blocks the same finds as some negatives of one level do (rules §4). */
export function findFewer(view: PlanView, ids: readonly string[]): FewerNegatives {
  const chosen = ids.flatMap((id) => view.snapshot.negative.get(id) ?? []);
  const language = firstLanguage(view, undefined);
  const index = new NegativeIndex(chosen);
  const texts = new Set<string>();
  const own = new Set<string>();
  for (const { text, verdict } of view.snapshot.find.values()) {
    if (verdict === 'keep') own.add(text);
    else if (index.doesBlock(prepareSearch(text, language))) texts.add(text);
  }
  for (const keyword of view.snapshot.keyword.values())
    if (chosen.some((negative) => actsOn(view, negative, keyword))) own.add(keyword.text);
  const searches = [...texts];
  const { negatives, stuck } = fewestNegatives(searches, [...own], { language });
  return { finds: searches.length, negatives, stuck: stuck.map((at) => searches[at]!) };
}
