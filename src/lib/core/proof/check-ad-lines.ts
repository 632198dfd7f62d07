import type { Measure } from '../ads/measure';
import type { AdLine, LineKindOfAd } from '../records/ad-line';
import { areNearEqual, Letters } from '../text/near-equal';
import { units } from '../text/text-length';
import { findEditorialFaults } from './editorial';
import type { Mend, Report } from './finding';
import { named, place, type MeasuredAd, shownWith } from './measured-ad';
import { findBadReadings, findLostSpellings } from './readings';

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
    if (!measure.hasLiveSlot && measure.problems.length === 0) return [];
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
    const bad = measure.hasLiveSlot ? findBadReadings(measure.readings, ad.reading, shownWith(ad, line)) : [];
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
  return ad.lines.flatMap(({ line, measure, number }) => {
    const faults = findEditorialFaults(line.text, measure.textWithFallback, ad.editorial);
    if (faults.length === 0) return [];
    const isSlotOpen = measure.problems.some(({ code }) => code === 'unclosed-slot');
    return (
      faults
        // An open slot has a finding of its own.
        .filter(({ rule }) => !(isSlotOpen && rule === 'ads.unclosed'))
        .map(({ rule, data, mended }) => ({
          rule,
          record: line.id,
          where: place(ad, line.kind),
          data: { ...named(ad), kind: line.kind, number, text: measure.textWithFallback, ...data },
          mend: mended && mended.text !== line.text ? setText(line, mended.text, mended.kind) : null,
        }))
    );
  });
}

/** None in headlines, one at most in an ad's descriptions. */
function checkExclamations(ad: MeasuredAd): Report[] {
  let left = 1;
  return ad.lines.flatMap(({ line, measure, number }): Report[] => {
    if (!measure.textWithFallback.includes('!')) return [];
    const count = measure.textWithFallback.split('!').length - 1;
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

/** Lines of one kind that say the same as an earlier one, or nearly. */
function checkAlikeOf(ad: MeasuredAd, kind: LineKindOfAd): Report[] {
  const reports: Report[] = [];
  const earlier: { number: number; letters: Letters }[] = [];
  const firstWith = new Map<string, number>();
  for (const { line, measure, number } of ad.lines) {
    if (line.kind !== kind || line.text.trim() === '') continue;
    const text = measure.textWithFallback;
    const equal = firstWith.get(text);
    const letters = new Letters(text);
    const other = equal ?? earlier.find((one) => areNearEqual(one.letters, letters))?.number;
    if (other !== undefined)
      reports.push({
        rule: equal === undefined ? 'ads.lines-alike' : 'ads.lines-equal',
        record: line.id,
        where: place(ad, kind),
        data: { ...named(ad), kind, number, text, other },
      });
    if (equal === undefined) firstWith.set(text, number);
    earlier.push({ number, letters });
  }
  return reports;
}

/** The lines of one ad: their measure, readings, editorial rules and likeness. */
export const checkAdLines = (ad: MeasuredAd): Report[] => [
  ...checkMeasures(ad),
  ...checkEditorial(ad),
  ...checkExclamations(ad),
  ...checkAlikeOf(ad, 'headline'),
  ...checkAlikeOf(ad, 'description'),
];
