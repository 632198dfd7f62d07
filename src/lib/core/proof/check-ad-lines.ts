import similarity from 'damerau-levenshtein';
import type { Measure } from '../ads/measure';
import type { AdLine } from '../plan/records/ad-line';
import { units } from '../text/units';
import { findEditorialFaults } from './editorial';
import type { Mend, Report } from './finding';
import { named, place, type MeasuredAd } from './measured-ad';
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
  return ad.lines.flatMap(({ line, measure, number }) => {
    const isSlotOpen = measure.problems.some(({ code }) => code === 'unclosed-slot');
    return (
      findEditorialFaults(line.text, measure.textWithFallback, ad.editorial)
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

/** The lines of one ad: their measure, readings, editorial rules and likeness. */
export const checkAdLines = (ad: MeasuredAd): Report[] => [
  ...checkMeasures(ad),
  ...checkEditorial(ad),
  ...checkExclamations(ad),
  ...checkAlike(ad),
];
