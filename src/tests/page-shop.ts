import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { blank } from '$lib/core/records/record-types';
import type { Campaign, PagesOff } from '$lib/core/records/campaign';
import { readFeed, type FeedRead } from '$lib/core/pages/read-feed';
import { takePages } from '$lib/core/pages/take-pages';
import { addPageGroups, type NewPageGroup } from '$lib/core/pages/page-group-changes';
import type { Change } from '$lib/core/store/changes';
import { decide } from '$lib/core/store/decide';
import { applyEdits, childrenOf, inOrder, snapshotOf, type Snapshot } from '$lib/core/store/snapshot';
import { today } from './clean-plan';

/** The demo shop's feed as rows of cells. */
export const shopFeed = Papa.parse<string[]>(readFileSync(new URL('../demo/vellacre-shop-feed.csv', import.meta.url), 'utf8'), {
  skipEmptyLines: true,
}).data;

/** A feed read for the demo shop. */
export const readShop = (rows: readonly (readonly string[])[] = shopFeed): FeedRead =>
  readFeed(rows, { currency: 'GBP', domain: 'vellacre.example' });

/** The rows after a change. */
export function applied(snapshot: Snapshot, change: Change): Snapshot {
  const decision = decide(snapshot, change, 'plan');
  if (!decision.ok) throw new Error(decision.refusal.code);
  return applyEdits(snapshot, decision.edits);
}

let made = 0;
const newId = () => `shop-${++made}`;

/** A plan with a campaign that is driven by the pages of the demo shop, or of other rows of its feed. */
export function withShop(
  snapshot: Snapshot,
  groups: readonly NewPageGroup[],
  { pagesOff = [], rows = shopFeed }: { pagesOff?: PagesOff[]; rows?: readonly (readonly string[])[] } = {},
): { snapshot: Snapshot; campaign: Campaign } {
  const taken = takePages(snapshot, readShop(rows).pages, { origin: 'feed', today, isWhole: true, newId });
  const model = inOrder(snapshot.campaign)[0] ?? blank('campaign', { id: 'model', name: 'model', position: 0 });
  const campaign: Campaign = {
    ...model,
    id: newId(),
    name: 'shop by pages',
    nameIsTyped: true,
    drivenBy: 'pages',
    pageDomain: 'vellacre.example',
    pagesOff,
    position: 90,
  };
  const withPages = taken.change ? applied(snapshot, taken.change) : snapshot;
  const places = childrenOf(snapshot.place, 'campaignId', model.id).map((place) => ({ ...place, id: newId(), campaignId: campaign.id }));
  const alone = applied(withPages, { type: 'add', record: 'campaign', rows: [campaign] });
  const withCampaign = places.length > 0 ? applied(alone, { type: 'add', record: 'place', rows: places }) : alone;
  const { change } = addPageGroups(withCampaign, campaign.id, groups, newId);
  return { snapshot: groups.length > 0 ? applied(withCampaign, change) : withCampaign, campaign };
}

/** No rows at all. */
export const nothing = snapshotOf({});
