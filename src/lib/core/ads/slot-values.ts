import { writePrice } from '../money/money';
import { childrenOf, inOrder } from '../store/snapshot';
import { briefTexts, firstLanguage, offerOf, type PlanView } from '../view/plan-view';
import type { LineKindOfAd } from '../records/ad-line';
import type { Group } from '../records/group';
import type { FormatName } from '../records/format-names';
import type { FillContext } from './fill-slots';

/** The place of a campaign as said in copy: as typed, else the name of its first place. */
export function placeSaid({ snapshot }: PlanView, campaignId: string): string {
  const typed = snapshot.campaign.get(campaignId)?.placeSaid.trim();
  return typed || (childrenOf(snapshot.place, 'campaignId', campaignId).find((place) => !place.excluded)?.name ?? '');
}

/** The values of plan slots for a group; an empty text is a missing value. */
export function slotValues(view: PlanView, group: Group): Record<string, string> {
  const offer = offerOf(view, group);
  const own = inOrder(view.snapshot.slotWord)
    .filter(({ slot }) => slot !== '')
    .map(({ slot, says }) => [slot, says]);
  return {
    ...Object.fromEntries(own),
    group: group.theme || group.name.toLowerCase(),
    place: placeSaid(view, group.campaignId),
    client: view.client.name,
    offer: offer?.name ?? '',
    price:
      offer?.priceMinor == null
        ? ''
        : writePrice(offer.priceMinor, view.account.currency, firstLanguage(view, view.snapshot.campaign.get(group.campaignId))),
  };
}

/** What fills and limits the lines of a group's ads. */
export function lineContext(view: PlanView, group: Group, format: FormatName, kind: LineKindOfAd | 'path'): FillContext {
  const rules = view.rules.formats[format];
  return {
    limit: kind === 'path' ? rules.paths.limit : kind === 'headline' ? rules.headlines.limit : rules.descriptions.limit,
    language: firstLanguage(view, view.snapshot.campaign.get(group.campaignId)),
    values: slotValues(view, group),
    always: briefTexts(view, 'always'),
    kind: kind === 'path' ? 'path' : 'line',
    joiner: view.rules.valueJoiner,
  };
}

const cachedTexts = new WeakMap<object, readonly string[]>();

/** The plain texts of a group's keywords, each once, in order; the same list as long as the keywords are the same rows. */
export function keywordTexts({ snapshot }: PlanView, groupId: string): readonly string[] {
  const rows = childrenOf(snapshot.keyword, 'groupId', groupId);
  let texts = cachedTexts.get(rows);
  if (!texts) cachedTexts.set(rows, (texts = [...new Set(rows.map(({ text }) => text))]));
  return texts;
}
