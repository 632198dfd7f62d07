import type { MarketFigures } from '../market/figures';
import type { Campaign } from '../records/campaign';
import type { Find } from '../records/find';
import { blankFields } from '../records/record-types';
import type { Change, SimpleChange } from '../store/changes';
import { childrenOf, nextPosition, type Snapshot } from '../store/snapshot';
import { marketFigures, noFigures, withFigures } from './find-figures';
import { figuresOfKeywords, findsByText } from './keyword-figures';

/** Keywords of a campaign of which searches or prices are not known, and those of which they are estimates of other places; each text once. */
export function textsWithoutFigures(
  snapshot: Pick<Snapshot, 'find' | 'report' | 'reportRow' | 'place' | 'group' | 'keyword'>,
  campaign: Pick<Campaign, 'id'>,
): { unknown: string[]; elsewhere: string[] } {
  const figuresOf = figuresOfKeywords(snapshot, campaign);
  const [unknown, elsewhere] = [new Set<string>(), new Set<string>()];
  for (const group of childrenOf(snapshot.group, 'campaignId', campaign.id))
    for (const { text } of childrenOf(snapshot.keyword, 'groupId', group.id)) {
      const { searches, prices, origin } = figuresOf(text);
      if (!searches || !prices) unknown.add(text);
      else if (origin.searches?.isElsewhere || origin.prices?.isElsewhere) elsewhere.add(text);
    }
  return { unknown: [...unknown], elsewhere: [...elsewhere] };
}

/** What a market answered for the places of one campaign. */
export interface AnsweredFigures {
  /** The key of the places. */
  key: string;
  answered: readonly MarketFigures[];
}

/**
 * The change that keeps what a market answered for keywords, one step: with the finds of the same texts, which become kept ones where there are
 * none yet. Figures that were brought in or measured stay what they are. Null where nothing was answered.
 */
export function takeKeywordFigures(
  snapshot: Pick<Snapshot, 'find'>,
  answers: readonly AnsweredFigures[],
  { planKey, on, from, newId }: { planKey: string; on: string; from: string; newId: () => string },
): Change | null {
  const known = findsByText(snapshot.find);
  const [changed, added] = [new Map<string, Find>(), new Map<string, Find>()];
  let position = nextPosition(snapshot.find.values());
  for (const { key, answered } of answers)
    for (const one of answered) {
      const figures = marketFigures(one, { key, on, from });
      const find = changed.get(one.text) ?? known.get(one.text);
      const fresh = added.get(one.text);
      if (find) changed.set(one.text, { ...find, ...withFigures(find, figures, planKey) });
      else if (fresh) added.set(one.text, { ...fresh, ...withFigures(fresh, figures, planKey) });
      else
        added.set(one.text, {
          ...blankFields('find'),
          ...noFigures,
          ...figures,
          id: newId(),
          text: one.text,
          verdict: 'keep',
          source: from,
          position: position++,
        });
    }
  const fields = [...Object.keys(noFigures), 'otherFigures'] as (keyof Find)[];
  const rows = [...changed.values()].map((find) => ({ id: find.id, ...Object.fromEntries(fields.map((field) => [field, find[field]])) }));
  const changes: SimpleChange[] = [
    ...(rows.length > 0 ? [{ type: 'set-each' as const, record: 'find' as const, rows }] : []),
    ...(added.size > 0 ? [{ type: 'add' as const, record: 'find' as const, rows: [...added.values()] }] : []),
  ];
  return changes.length === 0 ? null : { type: 'several', name: 'figures-fetched', changes };
}
