import { formatMoney } from '$lib/core/money/money';
import type { Report } from '$lib/core/records/report';
import type { ReportLeftOut } from '$lib/core/finds/counted-reports';
import type { JudgedTerm, Judgement, TermFigures } from '$lib/core/terms/judge-term';
import { daysToWait, type LeadCounts, type TermsRead } from '$lib/core/terms/read-terms';
import type { TermVerdict } from '$lib/core/terms/term-verdicts';
import { countOf, wordDate, wordPercent } from './texts';

/** How a judgement is headed. */
export const judgementWords: Record<Judgement, string> = {
  converting: 'converting',
  promising: 'promising',
  costing: 'costing',
  'too-early': 'too early',
};

/** What a judgement means, in a few words. */
export function wordJudgement(judgement: Judgement, affordable: string): string {
  switch (judgement) {
    case 'converting':
      return 'pays even at its low end';
    case 'promising':
      return `two or more within ${affordable}`;
    case 'costing':
      return 'too dear at its high end';
    case 'too-early':
      return 'more clicks will decide';
  }
}

export const termVerdictWords: Record<TermVerdict, string> = {
  exact: 'kept as exact',
  keyword: 'is a keyword',
  blocked: '× blocked',
  waits: 'waits',
};

/** What a conversion is called where the goal says so. */
export interface ConversionWords {
  one: string;
  many: string;
  short: string;
}
export const conversionWords = (isEnquiry: boolean, judgedBy: TermsRead['judgedBy'] = 'conversions'): ConversionWords =>
  judgedBy === 'sold'
    ? { one: 'sale', many: 'sales', short: 'Sold' }
    : isEnquiry
      ? { one: 'enquiry', many: 'enquiries', short: 'Enq.' }
      : { one: 'conversion', many: 'conversions', short: 'Conv.' };

/** The sum of a judgement in words. */
export function wordSum(
  figures: TermFigures,
  judged: JudgedTerm,
  affordableMinor: number,
  currency: string,
  names: ConversionWords,
): string {
  const money = (minor: number) => formatMoney(Math.round(minor), currency);
  if (judged.rate === null || judged.clickCostMinor === null) return 'Nothing was clicked yet.';
  const [low, high] = judged.rate;
  const each = (rate: number) => (rate > 0 ? money(judged.clickCostMinor! / rate) : 'no end');
  return `${countOf(figures.clicks, 'click')} at ${money(judged.clickCostMinor)}, ${countOf(figures.conversions, names.one, names.many)}: the rate lies between ${wordPercent(low)} and ${wordPercent(high)}, so one costs ${each(high)} to ${each(low)}; ${money(affordableMinor)} may be spent.`;
}

/** What the client says of a term’s leads; empty where the list tells of none. */
export const wordLeads = (leads: LeadCounts | null): string =>
  leads === null ? '' : `Of its leads ${leads.good} were good and ${leads.bad} bad, ${leads.sold} sold.`;

/** How many more clicks it takes, in words. */
export function wordNeeded({ judgement, clicksNeeded }: JudgedTerm): string {
  if (judgement === 'converting' || judgement === 'costing') return '';
  return clicksNeeded === null
    ? 'no end'
    : `${clicksNeeded < 1000 ? clicksNeeded : `${(clicksNeeded / 1000).toFixed(clicksNeeded < 10_000 ? 1 : 0)}k`} more`;
}

/** Which days the terms are about, and of how many reports. */
export function wordRange({ from, until, counted }: Pick<TermsRead, 'from' | 'until' | 'counted'>): string {
  const reports = countOf(counted.length, 'report');
  return from && until ? `${wordDate(from)} to ${wordDate(until)}, from ${reports}, no day twice` : `no dates told, from ${reports}`;
}

/** A report that was read in: its days and lines. */
export const wordReport = ({ from, until }: Report, lines: number): string =>
  [from && until ? `${wordDate(from)} to ${wordDate(until)}` : '', countOf(lines, 'line')].filter(Boolean).join(', ');

/** What is not in the sums, one sentence each. */
export function wordBeside({ waiting, youngDays, hidden, leftOut }: TermsRead, currency: string): string[] {
  const money = (minor: number) => formatMoney(Math.round(minor), currency);
  return [
    ...(waiting.clicks > 0 && waiting.since
      ? [`${countOf(waiting.clicks, 'click')} since ${wordDate(waiting.since)} still wait: younger than ${daysToWait} days.`]
      : []),
    ...(youngDays > 0
      ? [`The last ${countOf(youngDays, 'day')} are younger than ${daysToWait} days and judged all the same: the report tells no days.`]
      : []),
    ...(hidden && hidden.costMinor > 0 ? [`${money(hidden.costMinor)} lies in terms the report hides, not in these sums.`] : []),
    ...leftOut.map(wordLeftOut),
  ];
}

const wordLeftOut = ({ report, inFavourOf }: ReportLeftOut): string =>
  inFavourOf
    ? `“${report.name}” is left out: its days are in “${inFavourOf.name}”${inFavourOf.name === report.name ? ', brought in again' : ''}.`
    : `“${report.name}” is left out: it tells no dates, and others do.`;
