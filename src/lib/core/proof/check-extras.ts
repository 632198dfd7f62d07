import { readAddress } from '../ads/address';
import { inOrder } from '../plan/book';
import { landingPageOf, type PlanView } from '../plan/plan-view';
import type { Extra } from '../plan/records/extra';
import { units } from '../text/units';
import type { Check, Report } from './finding';

const spot = (extra: Extra, field: string) => ({
  record: extra.id,
  where: { ...(extra.campaignId !== null && { campaignId: extra.campaignId }), field: `extra-${field}` },
});

function checkLengths({ rules }: PlanView, extra: Extra): Report[] {
  const textLimit = extra.kind === 'sitelink' ? rules.sitelink.textLimit : rules.callout.textLimit;
  const fields: [string, string, number][] = [['text', extra.text, textLimit]];
  if (extra.kind === 'sitelink')
    fields.push(
      ['description1', extra.description1, rules.sitelink.descriptionLimit],
      ['description2', extra.description2, rules.sitelink.descriptionLimit],
    );
  return fields
    .filter(([, text, limit]) => units(text) > limit)
    .map(([field, text, limit]) => ({
      rule: 'ads.extra-over',
      ...spot(extra, field),
      data: { kind: extra.kind, field, text, units: units(text), limit },
    }));
}

function checkSitelink(extra: Extra, pages: ReadonlySet<string>): Report[] {
  const reports: Report[] = [];
  const has = (text: string) => text.trim() !== '';
  if (has(extra.description1) !== has(extra.description2))
    reports.push({ rule: 'ads.sitelink-half', ...spot(extra, 'description2'), data: { text: extra.text } });
  const address = readAddress(extra.address);
  if (!address)
    reports.push({
      rule: 'ads.sitelink-page',
      ...spot(extra, 'address'),
      data: { text: extra.text, address: extra.address },
    });
  else if (pages.has(address.href))
    reports.push({
      rule: 'ads.sitelink-same-page',
      ...spot(extra, 'address'),
      data: { text: extra.text, address: extra.address },
    });
  return reports;
}

/** Reads sitelinks and callouts: lengths, both description lines or neither, different and deeper pages. */
export const checkExtras: Check = (view) => {
  const extras = inOrder(view.book.extra);
  const pages = new Set([...view.book.ad.values()].map((ad) => readAddress(landingPageOf(view, ad))?.href ?? ''));
  const reports = extras.flatMap((extra) => checkLengths(view, extra));
  for (const extra of extras) {
    if (extra.kind !== 'sitelink') continue;
    reports.push(...checkSitelink(extra, pages));
    const address = readAddress(extra.address);
    if (address) pages.add(address.href);
  }
  const sitelinks = extras.filter(({ kind }) => kind === 'sitelink').length;
  if (view.book.ad.size > 0 && sitelinks < view.house.sitelinks)
    reports.push({
      rule: 'ads.few-sitelinks',
      where: { field: 'extras' },
      data: { count: sitelinks, asked: view.house.sitelinks },
    });
  return reports;
};
