import { applyFormat } from '../ads/convert-format';
import { readAddress } from '../text/address';
import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { childrenOf, inOrder } from '../store/snapshot';
import { areKeywordsFirst, groupsInOrder, landingPageOf, offerOf, type PlanView } from '../view/plan-view';
import { seenPageOf } from '../pages/seen-pages';
import type { Ad } from '../records/ad';
import type { Group } from '../records/group';
import { isPageDriven } from '../pages/campaign-pages';
import { holdsPhrase } from '../rules/word-lists';
import { checkAdLines } from './check-ad-lines';
import { checkBeside } from './check-beside';
import { checkAdShape } from './check-ad-shape';
import { checkLineLanguage } from './check-languages';
import { checkNecessary } from './check-necessary';
import { checkSeenPage } from './check-seen-page';
import { checkSelling } from './check-selling';
import type { Mend, Report } from './finding';
import { convertMeasured, measureAd, named, place, prepareGroupOfAds, type GroupOfAds, type MeasuredAd } from './measured-ad';
import { constantsOf, type ProofUnit, type Units } from './proof-unit';

function checkPage(ad: MeasuredAd): Report[] {
  const page = landingPageOf(ad.view, ad.ad);
  const report = { record: ad.ad.id, where: place(ad, 'landingPage') };
  if (page === '' && ad.ad.format === 'page-driven') return [];
  if (page === '') return [{ rule: 'ads.no-page', ...report, data: named(ad) }];
  if (!readAddress(page) || page.length > ad.view.rules.addressLimit)
    return [{ rule: 'ads.page-unread', ...report, data: { ...named(ad), address: page } }];
  return [];
}

/** What is opened on the click instead of the page has to be an address, and to lead there: its own domain, or the page named in it. */
function checkCounting(ad: MeasuredAd): Report[] {
  const address = ad.ad.countingAddress.trim();
  if (address === '') return [];
  const report = { record: ad.ad.id, where: place(ad, 'countingAddress') };
  const counting = readAddress(address);
  if (!counting || address.length > ad.view.rules.addressLimit)
    return [{ rule: 'ads.counting-unread', ...report, data: { ...named(ad), address } }];
  const page = landingPageOf(ad.view, ad.ad);
  const domain = readAddress(page)?.hostname.replace(/^www\./, '') ?? '';
  if (domain === '' || safeDecode(counting.href).includes(domain)) return [];
  return [{ rule: 'ads.counting-elsewhere', ...report, data: { ...named(ad), address, page } }];
}

function safeDecode(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

/** Lines that state an offer, by its slot or by its name, against the offer's end. */
function checkOffers(ad: MeasuredAd): Report[] {
  const campaign = ad.view.snapshot.campaign.get(ad.group.campaignId);
  const slotted = offerOf(ad.view, ad.group);
  return ad.lines.flatMap(({ line, measure, number }) =>
    inOrder(ad.view.snapshot.offer).flatMap((offer): Report[] => {
      const states =
        holdsPhrase(measure.textWithFallback, offer.name) || (offer.id === slotted?.id && /\[\[(?:offer|price)\b/.test(line.text));
      const { endsOn } = offer;
      if (!states || !endsOn || !campaign) return [];
      const endsInside =
        (campaign.startsOn !== null && endsOn < campaign.startsOn) || (campaign.endsOn !== null && endsOn < campaign.endsOn);
      if (!endsInside && campaign.endsOn !== null) return [];
      const data = {
        ...named(ad),
        kind: line.kind,
        number,
        offer: offer.name,
        endsOn,
        startsOn: campaign.startsOn,
        campaignEndsOn: campaign.endsOn,
      };
      return [
        {
          rule: 'ads.offer-ends',
          record: line.id,
          where: place(ad, line.kind),
          severity: endsInside ? 'fix' : 'look',
          data,
        },
      ];
    }),
  );
}

/** Words searched (stems, without stop words) that no line answers. A line that reads a keyword answers all of its words. */
function checkWords(ad: MeasuredAd): Report[] {
  const { stem, isStopWord } = languageWords(ad.editorial.language);
  const live = ad.lines.filter(({ measure }) => measure.hasLiveSlot);
  const unread = ad.keywords.filter((_, index) => !live.some(({ measure }) => measure.readings[index]?.uses === 'keyword'));
  if (unread.length === 0) return [];
  const stemsOf = (text: string) => wordsOf(text.toLowerCase()).map(stem);
  const fixed = new Set(ad.lines.flatMap(({ measure }) => stemsOf(measure.textWithFallback)));
  const unanswered = new Set<string>();
  for (const keyword of unread) for (const word of wordsOf(keyword)) if (!isStopWord(word) && !fixed.has(stem(word))) unanswered.add(word);
  // What the lines say with other keywords in their slots is looked through only where what is fixed leaves something open.
  const left = () => [...unanswered].some((word) => !fixed.has(stem(word)));
  for (const { measure } of live)
    for (const { text, uses } of measure.readings) if (uses === 'keyword' && left()) for (const word of stemsOf(text)) fixed.add(word);
  for (const word of unanswered) if (fixed.has(stem(word))) unanswered.delete(word);
  if (unanswered.size === 0 || ad.lines.length === 0) return [];
  return [
    {
      rule: 'ads.word-unanswered',
      record: ad.ad.id,
      where: place(ad, 'words'),
      data: { ...named(ad), words: [...unanswered] },
    },
  ];
}

/** The same ad in the format that networks take. */
function asResponsive(measured: MeasuredAd): Mend {
  const changes = applyFormat(measured.ad.id, convertMeasured(measured, 'responsive'));
  return { kind: 'offer', change: { type: 'several', name: 'format-changed', changes }, data: {} };
}

function checkAd(prepared: GroupOfAds, ad: Ad): Report[] {
  const measured = measureAd(prepared, ad);
  const format = prepared.view.rules.formats[ad.format];
  const past: Report[] =
    format.acceptedUntil === null
      ? []
      : [
          {
            rule: 'ads.format-past',
            record: ad.id,
            where: place(measured, 'format'),
            data: { ...named(measured), format: format.name, until: format.acceptedUntil },
            mend: asResponsive(measured),
          },
        ];
  return [
    ...past,
    ...checkAdShape(measured),
    ...checkAdLines(measured),
    ...checkPage(measured),
    ...checkSeenPage(measured),
    ...checkCounting(measured),
    ...checkOffers(measured),
    ...checkWords(measured),
    ...checkSelling(measured),
    ...checkNecessary(measured),
    ...checkLineLanguage(measured),
  ];
}

/** What holds for the ads of a group together. */
function checkTogether(view: PlanView, group: Group): Report[] {
  const ads = childrenOf(view.snapshot.ad, 'groupId', group.id);
  const report = {
    record: group.id,
    where: { campaignId: group.campaignId, groupId: group.id, field: 'ads' },
  };
  const data = { group: group.name, count: ads.length };
  const reports: Report[] = [];
  const keywords = childrenOf(view.snapshot.keyword, 'groupId', group.id).length;
  if (ads.length === 0) {
    if (!areKeywordsFirst(view))
      reports.push({
        rule: 'ads.no-ad',
        ...report,
        data: { ...data, keywords, by: isPageDriven(group, view.snapshot.campaign.get(group.campaignId)) ? 'pages' : 'keywords' },
      });
  } else if (ads.length < view.house.adsPerGroup)
    reports.push({ rule: 'ads.one-ad', ...report, data: { ...data, asked: view.house.adsPerGroup } });
  const most = view.rules.responsiveAdsPerGroup;
  if (ads.filter(({ format }) => format === 'responsive').length > most)
    reports.push({ rule: 'ads.many-ads', ...report, data: { ...data, most } });
  const pages = [...new Set(ads.map((ad) => landingPageOf(view, ad)))];
  const domains = [...new Set(pages.flatMap((page) => readAddress(page)?.hostname.replace(/^www\./, '') ?? []))];
  if (domains.length > 1) reports.push({ rule: 'ads.domains-differ', ...report, data: { ...data, domains } });
  return reports;
}

function unitsOfGroup(view: PlanView, group: Group): ProofUnit[] {
  const { snapshot } = view;
  const shared = [
    ...constantsOf(view),
    group,
    snapshot.campaign.get(group.campaignId),
    childrenOf(snapshot.keyword, 'groupId', group.id),
    snapshot.place,
    snapshot.briefItem,
    snapshot.offer,
    snapshot.slotWord,
    snapshot.seenCompetitor,
  ];
  const ads = childrenOf(snapshot.ad, 'groupId', group.id);
  const lessons = childrenOf(snapshot.cutLesson, 'clientId', view.client.id);
  let prepared: GroupOfAds | null = null;
  const prepare = () => (prepared ??= prepareGroupOfAds(view, group));
  return [
    ...ads.map((ad) => ({
      key: `ad ${ad.id}`,
      deps: [...shared, ad, childrenOf(snapshot.adLine, 'adId', ad.id), seenPageOf(snapshot, landingPageOf(view, ad)), lessons],
      read: () => checkAd(prepare(), ad),
    })),
    {
      key: `beside ${group.id}`,
      deps: [group, snapshot.extra, ads, ...ads.map(({ id }) => childrenOf(snapshot.adLine, 'adId', id))],
      read: () => checkBeside(view, group),
    },
    { key: `ads of ${group.id}`, deps: [...shared, ads, areKeywordsFirst(view)], read: () => checkTogether(view, group) },
  ];
}

/** Every ad of every group, each read by itself, and the ads of a group together. */
export const adUnits: Units = (view) => groupsInOrder(view).flatMap((group) => unitsOfGroup(view, group));
