import type { Extra, ExtraKind, ExtraSaid, PriceRow } from '$lib/core/records/extra';
import { saysNothing } from '$lib/core/records/extra';
import { extraOwners, type ExtraOwner } from '$lib/core/view/extras-shown';
import type { PlanView } from '$lib/core/view/plan-view';
import { nextPosition } from '$lib/core/store/snapshot';
import { newId } from '../state/synced-store.svelte';
import type { RuleSet } from '$lib/core/rules/rule-set';

/** How a kind of extra is introduced where extras are written. */
export interface ExtraSection {
  kind: ExtraKind;
  title: string;
  note: string;
  empty: string;
  add: string;
}

/** The kinds of extras in the order in which they are offered. */
export const extraSections = (rules: RuleSet): ExtraSection[] => [
  {
    kind: 'sitelink',
    title: 'Sitelinks',
    note: `text up to ${rules.sitelink.textLimit}, two description lines up to ${rules.sitelink.descriptionLimit} or none, each to a page of its own`,
    empty: 'No sitelink yet. They give an ad more room and lead deeper into the site.',
    add: 'Add a sitelink',
  },
  {
    kind: 'callout',
    title: 'Callouts',
    note: `short facts up to ${rules.callout.textLimit}`,
    empty: 'No callout yet.',
    add: 'Add a callout',
  },
  {
    kind: 'listed-values',
    title: 'Listed values',
    note: `${rules.listedValues.least} to ${rules.listedValues.most} of up to ${rules.listedValues.textLimit} under one header`,
    empty: 'No list yet: what is served, taught or made, in single words.',
    add: 'Add a list of values',
  },
  {
    kind: 'call',
    title: 'Call',
    note: 'a number that is valid for its country, and the hours in which it is answered',
    empty: 'No number yet.',
    add: 'Add a number',
  },
  {
    kind: 'price-rows',
    title: 'Price rows',
    note: `${rules.priceRows.least} to ${rules.priceRows.most}, each with its price and page`,
    empty: 'No prices yet. A price keeps away the clicks that would not buy.',
    add: 'Add a list of prices',
  },
  {
    kind: 'dated-offer',
    title: 'Dated offers',
    note: `up to ${rules.datedOffer.textLimit}, shown until the day on which it ends`,
    empty: 'No dated offer yet.',
    add: 'Add a dated offer',
  },
  {
    kind: 'place',
    title: 'Place',
    note: 'where the business is found, as it is shown',
    empty: 'No place yet. It helps whoever searches nearby.',
    add: 'Add a place',
  },
  {
    kind: 'business-name',
    title: 'Business name',
    note: `up to ${rules.businessName.textLimit}, the name that the business goes by`,
    empty: 'No name yet: the domain is shown in its place.',
    add: 'Add the name',
  },
];

const blankPrice: PriceRow = { text: '', description: '', priceMinor: null, address: '' };

/** What a new extra of a kind begins with: lists with as many rows as they need at least. */
export function newExtra(kind: ExtraKind, rules: RuleSet, country: string): ExtraSaid {
  const rows = <T>(count: number, row: T): T[] => Array.from({ length: count }, () => row);
  const own: Partial<Record<ExtraKind, Partial<ExtraSaid>>> = {
    'listed-values': { header: rules.listedValues.headers[0] ?? '', values: rows(rules.listedValues.least, '') },
    'price-rows': { header: rules.priceRows.headers[0] ?? '', prices: rows(rules.priceRows.least, blankPrice) },
    call: { phoneCountry: country },
  };
  return { ...saysNothing, kind, ...own[kind] };
}

/** A list of prices with an empty row more. */
export const withPriceRow = (list: readonly PriceRow[]): PriceRow[] => [...list, blankPrice];

/** Whom extras stand with, as a choice: empty for the whole plan. */
export const ownerKey = ({ campaignId, groupId }: ExtraOwner): string => groupId ?? campaignId ?? '';

/** Everyone whom extras can stand with, as choices. */
export function ownerItems(view: PlanView): { value: string; name: string }[] {
  const { snapshot } = view;
  return [...extraOwners(view)].map((owner) => {
    const group = owner.groupId === null ? undefined : snapshot.group.get(owner.groupId);
    const campaign = owner.campaignId === null ? undefined : snapshot.campaign.get(owner.campaignId);
    return { value: ownerKey(owner), name: group ? `\u2003${group.name}` : (campaign?.name ?? 'the whole plan') };
  });
}

/** Rows of extras that stand with an owner, after those that there are. */
export function extraRows(view: PlanView, owner: ExtraOwner, said: readonly ExtraSaid[]): Extra[] {
  const position = nextPosition(view.snapshot.extra.values());
  return said.map((one, index) => ({ ...one, id: newId(), ...owner, position: position + index }));
}
