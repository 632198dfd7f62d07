import { isHomePage, readAddress } from '../text/address';
import { childrenOf, inOrder } from '../store/snapshot';
import { extraOwners, extrasOf, type ExtraOwner } from '../view/extras-shown';
import { groupsInOrder, landingPageOf, type PlanView } from '../view/plan-view';
import type { Extra } from '../records/extra';
import { checkExtraByKind, spotOfExtra } from './check-extra-kinds';
import type { Check, Report } from './finding';

/** The pages that the ads open with which the extras of an owner are shown. */
function pagesBeside(view: PlanView, { campaignId, groupId }: ExtraOwner): Set<string> {
  const groups = groupsInOrder(view).filter((group) =>
    groupId !== null ? group.id === groupId : campaignId === null || group.campaignId === campaignId,
  );
  const ads = groups.flatMap(({ id }) => childrenOf(view.snapshot.ad, 'groupId', id));
  return new Set(ads.flatMap((ad) => readAddress(landingPageOf(view, ad))?.href ?? []));
}

/** The letters and digits of a text, by which two say the same. */
export const said = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');

/** What an extra says in words of its own, and the field it says it in. */
export function wordsOfExtra({ kind, text, values }: Extra): { field: string; text: string }[] {
  if (kind === 'listed-values') return values.map((value, index) => ({ field: `value${index}`, text: value }));
  return kind === 'sitelink' || kind === 'callout' || kind === 'dated-offer' ? [{ field: 'text', text }] : [];
}

/** Extras of one owner that say what one before them says. */
function checkRepeats(view: PlanView, owner: ExtraOwner): Report[] {
  const seen = new Set<string>();
  return extrasOf(view.snapshot, owner).flatMap((extra) =>
    wordsOfExtra(extra).flatMap(({ field, text }): Report[] => {
      const key = said(text);
      if (key !== '' && !seen.has(key)) seen.add(key);
      else if (key !== '') return [{ rule: 'ads.extra-twice', ...spotOfExtra(view, extra, field), data: { kind: extra.kind, text } }];
      return [];
    }),
  );
}

function checkSitelink(view: PlanView, extra: Extra, pages: ReadonlySet<string>): Report[] {
  const reports: Report[] = [];
  const spot = (field: string) => spotOfExtra(view, extra, field);
  const has = (text: string) => text.trim() !== '';
  if (has(extra.description1) !== has(extra.description2))
    reports.push({ rule: 'ads.sitelink-half', ...spot('description2'), data: { text: extra.text } });
  const address = readAddress(extra.address);
  const data = { text: extra.text, address: extra.address };
  if (!address) reports.push({ rule: 'ads.sitelink-page', ...spot('address'), data });
  else if (pages.has(address.href)) reports.push({ rule: 'ads.sitelink-same-page', ...spot('address'), data });
  else if (isHomePage(address) && address.hash === '') reports.push({ rule: 'ads.sitelink-shallow', ...spot('address'), data });
  return reports;
}

/** The sitelinks of one owner, which are shown together: to different and deeper pages. */
function checkSitelinks(view: PlanView, owner: ExtraOwner): Report[] {
  const sitelinks = extrasOf(view.snapshot, owner).filter(({ kind }) => kind === 'sitelink');
  if (sitelinks.length === 0) return [];
  const pages = pagesBeside(view, owner);
  return sitelinks.flatMap((extra) => {
    const reports = checkSitelink(view, extra, pages);
    const address = readAddress(extra.address);
    if (address) pages.add(address.href);
    return reports;
  });
}

/** Reads all extras: each by its kind, sitelinks for different and deeper pages, and how many there are. */
export const checkExtras: Check = (view) => {
  const extras = inOrder(view.snapshot.extra);
  const reports = extras.flatMap((extra) => checkExtraByKind(view, extra));
  for (const owner of extraOwners(view)) reports.push(...checkSitelinks(view, owner), ...checkRepeats(view, owner));
  const sitelinks = extras.filter(({ kind }) => kind === 'sitelink').length;
  if (view.snapshot.ad.size > 0 && sitelinks < view.house.sitelinks)
    reports.push({
      rule: 'ads.few-sitelinks',
      where: { field: 'extras' },
      data: { count: sitelinks, asked: view.house.sitelinks },
    });
  return reports;
};
