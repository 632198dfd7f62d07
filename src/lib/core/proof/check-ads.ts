import similarity from 'damerau-levenshtein';
import { readAddress } from '../ads/address';
import { measureLine, type Measure } from '../ads/measure';
import { keywordTexts, lineContext } from '../ads/slot-values';
import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { childrenOf, inOrder } from '../plan/book';
import { briefTexts, groupsInOrder, landingPageOf, offerOf, type PlanView } from '../plan/plan-view';
import type { Ad } from '../plan/records/ad';
import type { AdLine, LineKindOfAd } from '../plan/records/ad-line';
import type { Group } from '../plan/records/group';
import { holdsPhrase } from '../rules/word-lists';
import { units } from '../text/units';
import { findEditorialFaults, type EditorialContext } from './editorial';
import type { Check, Mend, Report } from './finding';
import { findBadReadings, findLostSpellings } from './readings';

/** An ad with its lines measured, as the checks of one ad need it. */
interface MeasuredAd {
  view: PlanView;
  group: Group;
  ad: Ad;
  keywords: readonly string[];
  lines: readonly { line: AdLine; measure: Measure; number: number }[];
  editorial: EditorialContext;
}

function measureAd(view: PlanView, group: Group, ad: Ad): MeasuredAd {
  const keywords = keywordTexts(view, group.id);
  const contexts = {
    headline: lineContext(view, group, ad.format, 'headline'),
    description: lineContext(view, group, ad.format, 'description'),
  };
  const counted = { headline: 0, description: 0 };
  const lines = childrenOf(view.book.adLine, 'adId', ad.id).map((line) => ({
    line,
    measure: measureLine(line.text, keywords, contexts[line.kind]),
    number: ++counted[line.kind],
  }));
  const editorial = {
    language: contexts.headline.language,
    always: briefTexts(view, 'always'),
    rivals: briefTexts(view, 'rival'),
    proofs: briefTexts(view, 'proof'),
  };
  return { view, group, ad, keywords, lines, editorial };
}

const place = ({ group, ad }: MeasuredAd, field: string) => ({
  campaignId: group.campaignId,
  groupId: group.id,
  adId: ad.id,
  field,
});
const named = ({ group, ad }: MeasuredAd) => ({ group: group.name, ad: ad.name });

const setText = (line: AdLine, text: string, kind: Mend['kind']): Mend => ({
  kind,
  change: { type: 'set', record: 'adLine', ids: [line.id], fields: { text }, was: { text: line.text } },
  data: {},
});

/** Takes one word out where the rest then fits; the shortest such word, which changes least. */
function trimmed(line: AdLine, measure: Measure): Mend | null {
  if (measure.hasLiveSlot || line.text.includes('[[')) return null;
  const words = line.text.trim().split(/\s+/);
  const options = words
    .map((word, index) => ({ word, text: words.filter((_, at) => at !== index).join(' ') }))
    .filter(({ text }) => units(text) <= measure.limit)
    .sort((a, b) => a.word.length - b.word.length);
  const best = options[0];
  return best ? { ...setText(line, best.text, 'offer'), data: { word: best.word, fits: units(best.text) } } : null;
}

function checkMeasures(ad: MeasuredAd): Report[] {
  return ad.lines.flatMap(({ line, measure, number }) => {
    const report = { record: line.id, where: place(ad, line.kind) };
    const data = { ...named(ad), kind: line.kind, number };
    const reports: Report[] = [];
    for (const problem of measure.problems) {
      if (problem.code === 'line-too-long')
        reports.push({
          rule: 'ads.line-over',
          ...report,
          data: {
            ...data,
            units: measure.unitsWithFallback,
            limit: measure.limit,
            text: measure.textWithFallback,
          },
          mend: trimmed(line, measure),
        });
      else
        reports.push({
          rule: 'ads.slot-wrong',
          ...report,
          data: { ...data, ...problem.data, code: problem.code, at: problem.at ?? 0, limit: measure.limit },
        });
    }
    if (
      measure.hasLiveSlot &&
      measure.readings.length > 0 &&
      measure.fallbacks === measure.readings.length &&
      measure.problems.length === 0
    )
      reports.push({
        rule: 'ads.all-fall-back',
        ...report,
        data: { ...data, count: measure.fallbacks, text: measure.textWithFallback },
      });
    const bad = measure.hasLiveSlot ? findBadReadings(measure.readings, ad.editorial.rivals, ad.editorial.language) : [];
    if (bad[0])
      reports.push({
        rule: 'ads.reads-badly',
        ...report,
        data: {
          ...data,
          count: bad.length,
          keyword: bad[0].reading.keyword,
          text: bad[0].reading.text,
          units: bad[0].reading.units,
          limit: measure.limit,
          reason: bad[0].reason,
        },
      });
    const lost = measure.hasLiveSlot ? findLostSpellings(measure.readings, ad.editorial.always) : [];
    if (lost[0])
      reports.push({
        rule: 'ads.reading-spelling',
        ...report,
        data: { ...data, spelling: lost[0].spelling, text: lost[0].reading.text },
      });
    return reports;
  });
}

function checkEditorial(ad: MeasuredAd): Report[] {
  return ad.lines.flatMap(({ line, measure, number }) =>
    findEditorialFaults(line.text, measure.textWithFallback, ad.editorial).map(({ rule, data, mended }) => ({
      rule,
      record: line.id,
      where: place(ad, line.kind),
      data: { ...named(ad), kind: line.kind, number, text: measure.textWithFallback, ...data },
      mend: mended && mended.text !== line.text ? setText(line, mended.text, mended.kind) : null,
    })),
  );
}

/** None in headlines, one at most in an ad's descriptions. */
function checkExclamations(ad: MeasuredAd): Report[] {
  let left = 1;
  return ad.lines.flatMap(({ line, measure, number }): Report[] => {
    const count = measure.textWithFallback.split('!').length - 1;
    if (count === 0) return [];
    if (line.kind === 'description' && (left -= count) >= 0) return [];
    const data = { ...named(ad), kind: line.kind, number, text: measure.textWithFallback };
    return [
      {
        rule: 'ads.exclamation',
        record: line.id,
        where: place(ad, line.kind),
        data,
        mend: setText(line, line.text.replace(/\s*!+/g, ''), 'offer'),
      },
    ];
  });
}

function checkCounts(ad: MeasuredAd): Report[] {
  const format = ad.view.rules.formats[ad.ad.format];
  const reports: Report[] = [];
  for (const kind of ['headline', 'description'] as const) {
    const rule = kind === 'headline' ? format.headlines : format.descriptions;
    const filled = ad.lines.filter(({ line }) => line.kind === kind && line.text.trim() !== '').length;
    const report = { record: ad.ad.id, where: place(ad, `${kind}s`) };
    const data = { ...named(ad), kind, count: filled };
    if (filled < rule.least) reports.push({ rule: 'ads.few-lines', ...report, data: { ...data, least: rule.least } });
    if (filled > rule.most) reports.push({ rule: 'ads.many-lines', ...report, data: { ...data, most: rule.most } });
    reports.push(...checkPositions(ad, kind, report));
  }
  for (const { line, number } of ad.lines)
    if (line.text.trim() === '')
      reports.push({
        rule: 'ads.line-empty',
        record: line.id,
        where: place(ad, line.kind),
        data: { ...named(ad), kind: line.kind, number },
        mend: { kind: 'safe', change: { type: 'remove', record: 'adLine', ids: [line.id] }, data: {} },
      });
  return reports;
}

/** Fixed positions: every line fixed, or a position that nothing can fill. */
function checkPositions(ad: MeasuredAd, kind: LineKindOfAd, report: Pick<Report, 'record' | 'where'>): Report[] {
  if (ad.ad.format !== 'responsive') return [];
  const lines = ad.lines.filter(({ line }) => line.kind === kind && line.text.trim() !== '').map(({ line }) => line);
  const fixed = new Set(lines.map(({ fixedAt }) => fixedAt).filter((at) => at !== null));
  const free = lines.filter(({ fixedAt }) => fixedAt === null).length;
  if (fixed.size === 0) return [];
  const positions = kind === 'headline' ? [1, 2, 3] : [1, 2];
  const empty = positions.filter((position) => !fixed.has(position));
  const data = { ...named(ad), kind };
  if (free < empty.length) return [{ rule: 'ads.position-empty', ...report, data: { ...data, position: empty[free] ?? 0 } }];
  return free === 0 ? [{ rule: 'ads.all-fixed', ...report, data }] : [];
}

const lettersOf = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');

function checkAlike(ad: MeasuredAd): Report[] {
  const reports: Report[] = [];
  const lines = ad.lines.filter(({ line }) => line.text.trim() !== '');
  lines.forEach((later, index) => {
    const earlier = lines.slice(0, index).filter(({ line }) => line.kind === later.line.kind);
    const data = {
      ...named(ad),
      kind: later.line.kind,
      number: later.number,
      text: later.measure.textWithFallback,
    };
    const report = { record: later.line.id, where: place(ad, later.line.kind) };
    const equal = earlier.find(({ measure }) => measure.textWithFallback === later.measure.textWithFallback);
    if (equal) return reports.push({ rule: 'ads.lines-equal', ...report, data: { ...data, other: equal.number } });
    const own = lettersOf(later.measure.textWithFallback);
    const alike = earlier.find(({ measure }) => similarity(lettersOf(measure.textWithFallback), own).similarity >= 0.9);
    return alike && reports.push({ rule: 'ads.lines-alike', ...report, data: { ...data, other: alike.number } });
  });
  return reports;
}

function checkPaths(ad: MeasuredAd): Report[] {
  const { path1, path2, id, format } = ad.ad;
  const reports: Report[] = [];
  if (path1.trim() === '' && path2.trim() !== '')
    reports.push({
      rule: 'ads.path-without-first',
      record: id,
      where: place(ad, 'path2'),
      data: { ...named(ad), path: path2 },
      mend: {
        kind: 'safe',
        change: { type: 'set', record: 'ad', ids: [id], fields: { path1: path2, path2: '' } },
        data: {},
      },
    });
  const context = lineContext(ad.view, ad.group, format, 'path');
  for (const [field, path] of [
    ['path1', path1],
    ['path2', path2],
  ] as const) {
    const measure = measureLine(path, ad.keywords, context);
    const report = { record: id, where: place(ad, field) };
    for (const problem of measure.problems) {
      const data = {
        ...named(ad),
        ...problem.data,
        path: measure.textWithFallback,
        limit: measure.limit,
        units: measure.unitsWithFallback,
      };
      if (problem.code !== 'line-too-long')
        reports.push({
          rule: 'ads.path-slot-wrong',
          ...report,
          data: { ...data, code: problem.code, at: problem.at ?? 0 },
        });
      else
        reports.push({
          rule: 'ads.path-over',
          ...report,
          data,
          mend: withoutHyphens(ad.ad, field, path, measure.limit),
        });
    }
  }
  return reports;
}

/** A path that fits once its hyphens are taken out. */
function withoutHyphens(ad: Ad, field: 'path1' | 'path2', path: string, limit: number): Mend | null {
  const text = path.replace(/-/g, '');
  if (text === path || path.includes('[[') || units(text) > limit) return null;
  return {
    kind: 'offer',
    change: { type: 'set', record: 'ad', ids: [ad.id], fields: { [field]: text }, was: { [field]: path } },
    data: { shorter: text },
  };
}

function checkPage(ad: MeasuredAd): Report[] {
  const page = landingPageOf(ad.view, ad.ad);
  const report = { record: ad.ad.id, where: place(ad, 'landingPage') };
  if (page === '') return [{ rule: 'ads.no-page', ...report, data: named(ad) }];
  if (!readAddress(page) || page.length > ad.view.rules.addressLimit)
    return [{ rule: 'ads.page-unread', ...report, data: { ...named(ad), address: page } }];
  return [];
}

/** Lines that state an offer, by its slot or by its name, against the offer's end. */
function checkOffers(ad: MeasuredAd): Report[] {
  const campaign = ad.view.book.campaign.get(ad.group.campaignId);
  const slotted = offerOf(ad.view, ad.group);
  return ad.lines.flatMap(({ line, measure, number }) =>
    inOrder(ad.view.book.offer).flatMap((offer): Report[] => {
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

/** Words searched (stems, without stop words) that no line answers, each keyword with the readings it gets. */
function checkWords(ad: MeasuredAd): Report[] {
  const { stem, isStopWord } = languageWords(ad.editorial.language);
  const stemsOf = (text: string) => wordsOf(text.toLowerCase()).map(stem);
  const fixed = new Set(ad.lines.flatMap(({ measure }) => stemsOf(measure.textWithFallback)));
  const unanswered = new Set<string>();
  ad.keywords.forEach((keyword, index) => {
    const read = new Set(
      ad.lines.filter(({ measure }) => measure.hasLiveSlot).flatMap(({ measure }) => stemsOf(measure.readings[index]?.text ?? '')),
    );
    for (const word of wordsOf(keyword)) if (!isStopWord(word) && !fixed.has(stem(word)) && !read.has(stem(word))) unanswered.add(word);
  });
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

function checkAd(view: PlanView, group: Group, ad: Ad): Report[] {
  const measured = measureAd(view, group, ad);
  const format = view.rules.formats[ad.format];
  const past: Report[] =
    format.acceptedUntil === null
      ? []
      : [
          {
            rule: 'ads.format-past',
            record: ad.id,
            where: place(measured, 'format'),
            data: { ...named(measured), format: format.name, until: format.acceptedUntil },
          },
        ];
  return [
    ...past,
    ...checkCounts(measured),
    ...checkMeasures(measured),
    ...checkEditorial(measured),
    ...checkExclamations(measured),
    ...checkAlike(measured),
    ...checkPaths(measured),
    ...checkPage(measured),
    ...checkOffers(measured),
    ...checkWords(measured),
  ];
}

function checkGroupOfAds(view: PlanView, group: Group): Report[] {
  const ads = childrenOf(view.book.ad, 'groupId', group.id);
  const report = {
    record: group.id,
    where: { campaignId: group.campaignId, groupId: group.id, field: 'ads' },
  };
  const data = { group: group.name, count: ads.length };
  const reports: Report[] = ads.flatMap((ad) => checkAd(view, group, ad));
  const keywords = childrenOf(view.book.keyword, 'groupId', group.id).length;
  if (ads.length === 0) reports.push({ rule: 'ads.no-ad', ...report, data: { ...data, keywords } });
  else if (ads.length < view.house.adsPerGroup)
    reports.push({ rule: 'ads.one-ad', ...report, data: { ...data, asked: view.house.adsPerGroup } });
  const most = view.rules.responsiveAdsPerGroup;
  if (ads.filter(({ format }) => format === 'responsive').length > most)
    reports.push({ rule: 'ads.many-ads', ...report, data: { ...data, most } });
  const domains = [
    ...new Set(ads.map((ad) => readAddress(landingPageOf(view, ad))?.hostname.replace(/^www\./, '')).filter((name) => name !== undefined)),
  ];
  if (domains.length > 1) reports.push({ rule: 'ads.domains-differ', ...report, data: { ...data, domains } });
  return reports;
}

/** Reads every ad of every group. */
export const checkAds: Check = (view) => groupsInOrder(view).flatMap((group) => checkGroupOfAds(view, group));
