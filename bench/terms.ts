import { PageTexts, sortPages, type PageRule, type RulePage } from '$lib/core/pages/page-rules';
import type { PageCondition } from '$lib/core/records/page-condition';
import { languageWords } from '$lib/core/keywords/stems';
import { WordIndex } from '$lib/core/research/word-index';
import { readTerms } from '$lib/core/terms/read-terms';
import { wordsByCost } from '$lib/core/terms/words-by-cost';
import { readPastedFinds } from '$lib/core/exchange/read-finds';
import { linesOfReport, type ReportLine } from '$lib/core/research/incoming-report';
import { ruleSet } from '$lib/core/rules/rule-set';
import { openDatabase } from '$lib/server/db/open-database';
import { bringReportIn } from '$lib/server/incoming-finds';
import { cleanFile, snapshotOfFile, viewOf } from '../src/tests/clean-plan';
import { withReports } from '../src/tests/with-reports';
import { makePlan, seeded } from './big-plan';
import { emptyServer } from './empty-server';
import { compare, timeOf, type BenchRow } from './measuring';

const random = seeded(21);
const pick = <T>(list: readonly T[]): T => list[random(list.length)]!;
const folders = ['cold-frames', 'glasshouses', 'cloches', 'fittings', 'spares', 'journal', 'help', 'offers'];
const kinds = ['ash', 'oak', 'larch', 'cedar', 'lean-to', 'freestanding', 'staging', 'shelf', 'hinge'];
const labels = ['in stock', 'to order', 'sold out', 'spring', 'autumn', 'all year', 'under £100', '£100 to £500', 'over £500'];
const shop: RulePage[] = Array.from({ length: 20_000 }, (_, at) => {
  const [folder, kind] = [pick(folders), pick(kinds)];
  return {
    address: `https://www.vellacre.example/${folder}/${kind}/size-${at}`,
    columns: { title: `${kind} ${folder.replace('-', ' ')} ${at}`, labels: [pick(labels), pick(labels)], price: String(at % 900) },
  };
});
const holds = (field: string, value: string): PageCondition => ({ field, is: 'holds', value });
const rules: PageRule[] = Array.from({ length: 20 }, (_, at) => ({
  name: `Rule ${at}`,
  when: { all: [holds('address', folders[at % folders.length]!), { any: [holds('title', pick(kinds)), holds('labels', pick(labels))] }] },
}));

/** One key typed in a rule over 20,000 pages; milliseconds, since the goal is a time. */
function benchPageRules() {
  const texts = new PageTexts(shop);
  const excluded = holds('labels', 'sold out');
  sortPages(texts, rules, excluded);
  let typed = 0;
  const { best, times } = timeOf(
    (changed) => sortPages(texts, changed, excluded),
    () => rules.map((rule, at) => (at === 3 ? { ...rule, when: holds('title', `${'lean-to'.slice(0, 3 + (typed++ % 4))}`) } : rule)),
  );
  return {
    bench: 'page-rules-keystroke',
    milliseconds: Number(best.toFixed(1)),
    goal: 'at most 50 ms, 20,000 pages, 20 rules',
    met: best <= 50,
    times,
  };
}

/** A report of 100,000 terms added up and judged, against holding its rows in memory once. */
function benchTerms(): BenchRow {
  const words = Array.from({ length: 600 }, (_, at) => `word${at}`);
  const rows = Array.from({ length: 100_000 }, (_, at) => ({
    text: `piano ${pick(words)} ${pick(words)} ${at % 5000}`,
    groupName: 'Piano tuning',
    clicks: random(40),
    costMinor: random(4000),
    conversions: random(3),
  }));
  const read = timeOf(
    (view) => readTerms(view, '2027-04-01'),
    () => viewOf(withReports(snapshotOfFile(cleanFile), [{ from: '2027-01-01', until: '2027-02-01', rows }])),
  );
  const bare = timeOf(() => withReports(snapshotOfFile(cleanFile), [{ from: '2027-01-01', until: '2027-02-01', rows }]));
  return compare('terms-judged-of-100000', { kind: 'at-most', times: 8 }, read, bare);
}

const report = { name: 'report.csv', on: '2027-02-03', from: '2027-01-01', until: '2027-02-01', totals: null };

/** A report of 100,000 lines as text brought in: read, sent, decided, written and journaled, each search as a find; against bare inserts of its lines and finds. */
function benchReport(): BenchRow {
  const written = Array.from(
    { length: 100_000 },
    (_, at) => `piano ${pick(kinds)} ${pick(folders)} ${at}\tPiano tuning\t${random(40)}\t${random(900)}\t${random(40)}.50\t${random(3)}`,
  );
  const text = ['Search term\tAd group\tClicks\tImpressions\tCost\tConversions', ...written].join('\n');
  const read = () => readPastedFinds(text, { currency: 'GBP', refusedSigns: ruleSet.refusedKeywordSigns, existing: new Set() }).reportRows;
  const ours = timeOf(({ planId, ...server }) => {
    const body = [...linesOfReport({ id: 'import', key: '', report }, read())].join('');
    if (bringReportIn(server, planId, body).fresh !== 100_000) throw new Error('Some lines are missing.');
  }, emptyServer);
  const lines: readonly ReportLine[] = read();
  const bare = timeOf(
    (db) => {
      const insertLine = db.prepare(
        'INSERT INTO report_row (plan_id, id, report_id, group_name, day, text, clicks, impressions, cost_minor, average_cost_minor, conversions, value_minor, position) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
      );
      const insertFind = db.prepare('INSERT INTO find (plan_id, id, text, verdict, source, position) VALUES (?, ?, ?, ?, ?, ?)');
      db.transaction(() => {
        db.prepare('INSERT INTO report (plan_id, id, name, imported_on, position) VALUES (?, ?, ?, ?, ?)').run(
          'plan',
          'report',
          'report.csv',
          '2027-02-03',
          0,
        );
        for (const [at, line] of lines.entries()) {
          const { groupName, day, clicks, impressions, costMinor, averageCostMinor, conversions, valueMinor } = line;
          insertFind.run('plan', `find-${at}`, line.text, 'open', 'report.csv', at);
          const figures = [clicks, impressions, costMinor, averageCostMinor, conversions, valueMinor];
          insertLine.run('plan', `row-${at}`, 'report', groupName, day, line.text, ...figures, at);
        }
      })();
    },
    () => openDatabase(':memory:'),
  );
  return compare('report-of-100000-lines', { kind: 'at-most', times: 8 }, ours, bare);
}

/** The words of 20,000 terms by their cost, against counting words of as many finds as Research does. */
function benchWords(): BenchRow {
  const english = languageWords('en');
  const rows = Array.from({ length: 20_000 }, (_, at) => ({
    text: `${pick(kinds)} ${pick(folders)} ${pick(kinds)} ${at % 900}`,
    clicks: 3,
    costMinor: random(900),
  }));
  const { terms } = readTerms(viewOf(withReports(snapshotOfFile(cleanFile), [{ rows }])), '2027-04-01');
  const finds = snapshotOfFile(makePlan({ keywords: 0, groups: 0, ads: 0, negatives: 0, finds: terms.length })).find;
  const ours = timeOf(() => wordsByCost(terms, english, 2976));
  const research = timeOf(() => new WordIndex(english).update(finds));
  return compare('words-by-cost', { kind: 'at-most', times: 1 }, ours, research);
}

export const benchTermsAndPages = () => [benchPageRules(), benchTerms(), benchReport(), benchWords()];
