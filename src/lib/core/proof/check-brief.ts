import { blankFields } from '../records/record-types';
import { isHomePage, readAddress } from '../text/address';
import { builtInSlots, liveSlot } from '../ads/fill-slots';
import { prepareSearch } from '../keywords/matching';
import { NegativeIndex } from '../keywords/negative-index';
import { plainText } from '../keywords/read-keyword';
import { planNegatives } from '../groups/acting-negatives';
import { childrenOf, inOrder } from '../store/snapshot';
import { briefTexts, firstLanguage, worthOf, type PlanView } from '../view/plan-view';
import { findRegulated } from '../rules/regulated';
import type { Check, Report } from './finding';

/** The change that writes the brief's “not offered” as plan negatives, or null where all of it stands there. */
export function blockNotOffered(view: PlanView, newId: (itemId: string) => string) {
  const existing = NegativeIndex.of(planNegatives(view));
  const language = firstLanguage(view, undefined);
  const missing = childrenOf(view.snapshot.briefItem, 'kind', 'not-offered')
    .map((item) => ({ item, text: plainText(item.text, view.rules.refusedKeywordSigns) }))
    .filter(({ text }) => text !== '' && !existing.doesBlock(prepareSearch(text, language)));
  if (missing.length === 0) return null;
  const position = view.snapshot.negative.size;
  const rows = missing.map(({ item, text }, index) => ({
    ...blankFields('negative'),
    id: newId(item.id),
    text,
    briefItemId: item.id,
    position: position + index,
  }));
  return {
    texts: missing.map(({ item }) => item.text),
    change: {
      type: 'several' as const,
      name: 'not-offered-blocked' as const,
      changes: [{ type: 'add' as const, record: 'negative' as const, rows }],
    },
  };
}

function checkLandingPage({ brief, snapshot }: PlanView): Report[] {
  const where = { field: 'landingPage' };
  // Where pages drive all campaigns, each search opens the page that answers it.
  const campaigns = inOrder(snapshot.campaign);
  const isNeeded = campaigns.length === 0 || campaigns.some(({ drivenBy }) => drivenBy === 'keywords');
  if (brief.landingPage.trim() === '') return !isNeeded ? [] : [{ rule: 'brief.no-landing-page', where }];
  const address = readAddress(brief.landingPage);
  if (!address) return [{ rule: 'brief.address-unread', where, data: { address: brief.landingPage } }];
  return isHomePage(address) ? [{ rule: 'brief.home-page', where, data: { address: brief.landingPage } }] : [];
}

function checkSlotWords({ snapshot }: PlanView): Report[] {
  const seen = new Set<string>([liveSlot, ...builtInSlots]);
  return inOrder(snapshot.slotWord).flatMap(({ id, slot }) => {
    const clashes = slot !== '' && seen.has(slot);
    seen.add(slot);
    return clashes ? [{ rule: 'brief.slot-word-clash' as const, record: id, where: { field: 'slot' }, data: { slot } }] : [];
  });
}

/** Reads the brief. */
export const checkBrief: Check = (view, today) => {
  const { brief, snapshot } = view;
  const reports = [...checkLandingPage(view), ...checkSlotWords(view)];
  const said = [brief.offer, view.client.name, ...briefTexts(view, 'fact')];
  for (const { trade, word } of findRegulated(said))
    reports.push({ rule: 'brief.regulated', record: trade, where: { field: 'offer' }, data: { trade, word } });
  const untried = brief.conversions.filter(({ steers, tried }) => steers && !tried).map(({ name }) => name);
  if (untried.length > 0) reports.push({ rule: 'brief.conversion-untried', where: { field: 'conversions' }, data: { names: untried } });
  if (brief.offer.trim() === '') reports.push({ rule: 'brief.no-offer', where: { field: 'offer' } });
  if (!worthOf(view)) reports.push({ rule: 'brief.no-worth', where: { field: 'valueMinor' } });
  if (!brief.countsConversions && brief.goal !== 'visits')
    reports.push({ rule: 'brief.not-counted', where: { field: 'countsConversions' } });
  if (childrenOf(snapshot.briefItem, 'kind', 'fact').length === 0) reports.push({ rule: 'brief.no-facts', where: { field: 'fact' } });
  for (const { id, name, endsOn } of inOrder(snapshot.offer))
    if (endsOn !== null && endsOn < today)
      reports.push({
        rule: 'brief.offer-over',
        record: id,
        where: { field: 'endsOn' },
        data: { offer: name, endsOn },
      });
  const unblocked = blockNotOffered(view, (itemId) => `${itemId}-block`);
  if (unblocked)
    reports.push({
      rule: 'brief.not-offered-unblocked',
      where: { field: 'not-offered' },
      data: { texts: unblocked.texts },
      mend: { kind: 'offer', change: unblocked.change, data: { count: unblocked.texts.length } },
    });
  return reports;
};
