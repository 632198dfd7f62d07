import { fillPlanSlots } from './fill-slots';
import { childrenOf } from '../store/snapshot';
import { firstLanguage, landingPageOf, type PlanView } from '../view/plan-view';
import type { Ad } from '../records/ad';
import type { Campaign } from '../records/campaign';
import type { Group } from '../records/group';
import { readAddress } from '../text/address';
import { placeSaid, slotValues } from './slot-values';
import type { TrackingParameter } from '../records/tracking-parameter';

/** What the network fills when an ad is clicked, with an example of it. */
export const clickSlots: Readonly<Record<string, string>> = {
  '[[clicked-keyword]]': 'piano tuning',
  '[[clicked-match]]': 'phrase',
  '[[clicked-device]]': 'phone',
  '[[clicked-ad]]': 'A',
};

/** The parameters of a campaign's addresses: the plan's, then its own. */
export const trackingOf = ({ brief }: PlanView, campaign: Campaign): TrackingParameter[] => [...brief.tracking, ...campaign.tracking];

/** What a campaign's parameters are filled in with: the page and the slots of one of its groups, the first unless another is given. */
export function trackingContext(
  view: PlanView,
  campaign: Campaign,
  group: Group | undefined = childrenOf(view.snapshot.group, 'campaignId', campaign.id)[0],
): TrackingContext {
  return {
    page: group?.landingPage.trim() || view.brief.landingPage,
    values: {
      ...(group ? slotValues(view, group) : { client: view.client.name, place: placeSaid(view, campaign.id) }),
      campaign: campaign.name,
    },
    language: firstLanguage(view, campaign),
    addressLimit: view.rules.addressLimit,
  };
}

/** What is wrong with a parameter. */
export interface TrackingProblem {
  name: string;
  code: 'no-name' | 'name-broken' | 'twice' | 'in-page' | 'slot-wrong' | 'too-long';
}

const exampleOf = (value: string, examples: Readonly<Record<string, string>>) =>
  Object.entries({ ...clickSlots, ...examples }).reduce((text, [slot, example]) => text.replaceAll(slot, example), value);

/** What an example is filled in with. */
export interface TrackingContext {
  page: string;
  /** Values of plan slots, by name. */
  values: Readonly<Record<string, string>>;
  language: string;
  addressLimit: number;
  /** What the network would fill, by slot, where that is known. */
  clicked?: Readonly<Record<string, string>>;
}

/** The value with plan slots and an example of what the network fills; null where a slot is wrong. */
function fillValue(value: string, { values, language, addressLimit, clicked = {} }: TrackingContext): string | null {
  const { before, live, problems } = fillPlanSlots(exampleOf(value, clicked), { limit: addressLimit, language, values });
  return live || problems.length > 0 ? null : before;
}

/** The address with all parameters added, filled in as an example, and what is wrong with them. Later parameters of a name lose. */
export function addTracking(
  parameters: readonly TrackingParameter[],
  context: TrackingContext,
): { address: string; problems: TrackingProblem[] } {
  const problems: TrackingProblem[] = [];
  const address = readAddress(context.page);
  const seen = new Set<string>();
  for (const { name, value } of parameters) {
    const filled = fillValue(value, context);
    const code = findCode(name, filled, seen, address);
    if (code) problems.push({ name, code });
    else if (address) address.searchParams.append(name, filled ?? '');
    seen.add(name);
  }
  if (address && address.href.length > context.addressLimit) problems.push({ name: '', code: 'too-long' });
  return { address: address?.href ?? '', problems };
}

function findCode(name: string, filled: string | null, seen: ReadonlySet<string>, address: URL | null): TrackingProblem['code'] | null {
  if (name.trim() === '') return 'no-name';
  if (!/^[\p{L}\p{N}_.~-]+$/u.test(name)) return 'name-broken';
  if (seen.has(name)) return 'twice';
  if (address?.searchParams.has(name)) return 'in-page';
  return filled === null ? 'slot-wrong' : null;
}

/** The address that a click on an ad opens, with the parameters of its campaign and the values of its group, as if a keyword had matched; null without parameters. */
export function addressOnClick(
  view: PlanView,
  group: Group,
  ad: Pick<Ad, 'name' | 'landingPage' | 'groupId' | 'format'>,
  keyword: string,
): string | null {
  const campaign = view.snapshot.campaign.get(group.campaignId);
  const parameters = campaign ? trackingOf(view, campaign) : [];
  const page = landingPageOf(view, ad);
  if (!campaign || parameters.length === 0 || page === '') return null;
  const clicked = { '[[clicked-keyword]]': keyword, '[[clicked-ad]]': ad.name };
  return addTracking(parameters, { ...trackingContext(view, campaign, group), page, clicked }).address;
}
