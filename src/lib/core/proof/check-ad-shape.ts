import { measureLine } from '../ads/measure';
import type { Ad } from '../records/ad';
import type { LineKindOfAd } from '../records/ad-line';
import { units } from '../text/text-length';
import type { Mend, Report } from './finding';
import { named, place, type MeasuredAd } from './measured-ad';

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
    // Fields that wait to be filled are no lines too many.
    if (filled >= rule.least) reports.push(...emptyLines(ad, kind));
    reports.push(...checkPositions(ad, kind, report));
  }
  return reports;
}

const emptyLines = (ad: MeasuredAd, kind: LineKindOfAd): Report[] =>
  ad.lines
    .filter(({ line }) => line.kind === kind && line.text.trim() === '')
    .map(({ line, number }) => ({
      rule: 'ads.line-empty',
      record: line.id,
      where: place(ad, kind),
      data: { ...named(ad), kind, number },
      mend: { kind: 'safe', change: { type: 'remove', record: 'adLine', ids: [line.id] }, data: {} },
    }));

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
  const context = ad.contextFor(format, 'path');
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

/** The shape of one ad: how many lines, fixed positions and paths. */
export const checkAdShape = (ad: MeasuredAd): Report[] => [...checkCounts(ad), ...checkPaths(ad)];
