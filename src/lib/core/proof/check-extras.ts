import { readAddress } from '../text/address';
import { inOrder } from '../store/snapshot';
import { landingPageOf } from '../view/plan-view';
import type { Extra } from '../records/extra';
import { checkExtraByKind } from './check-extra-kinds';
import type { Check, Report } from './finding';

const spot = (extra: Extra, field: string) => ({
  record: extra.id,
  where: { ...(extra.campaignId !== null && { campaignId: extra.campaignId }), field: `extra-${field}` },
});

function checkSitelink(extra: Extra, pages: ReadonlySet<string>): Report[] {
  const reports: Report[] = [];
  const has = (text: string) => text.trim() !== '';
  if (has(extra.description1) !== has(extra.description2))
    reports.push({ rule: 'ads.sitelink-half', ...spot(extra, 'description2'), data: { text: extra.text } });
  const address = readAddress(extra.address);
  const data = { text: extra.text, address: extra.address };
  if (!address) reports.push({ rule: 'ads.sitelink-page', ...spot(extra, 'address'), data });
  else if (pages.has(address.href)) reports.push({ rule: 'ads.sitelink-same-page', ...spot(extra, 'address'), data });
  return reports;
}

/** Reads all extras: each by its kind, sitelinks for different and deeper pages, and how many there are. */
export const checkExtras: Check = (view) => {
  const extras = inOrder(view.snapshot.extra);
  const pages = new Set([...view.snapshot.ad.values()].map((ad) => readAddress(landingPageOf(view, ad))?.href ?? ''));
  const reports = extras.flatMap((extra) => checkExtraByKind(view, extra));
  for (const extra of extras) {
    if (extra.kind !== 'sitelink') continue;
    reports.push(...checkSitelink(extra, pages));
    const address = readAddress(extra.address);
    if (address) pages.add(address.href);
  }
  const sitelinks = extras.filter(({ kind }) => kind === 'sitelink').length;
  if (view.snapshot.ad.size > 0 && sitelinks < view.house.sitelinks)
    reports.push({
      rule: 'ads.few-sitelinks',
      where: { field: 'extras' },
      data: { count: sitelinks, asked: view.house.sitelinks },
    });
  return reports;
};
