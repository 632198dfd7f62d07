import { PageTexts, sortPages, type PageRule, type RulePage } from '$lib/core/pages/page-rules';
import type { PageCondition } from '$lib/core/records/page-condition';
import { readTerms } from '$lib/core/terms/read-terms';
import { cleanFile, snapshotOfFile, viewOf } from '../src/tests/clean-plan';
import { withReports } from '../src/tests/with-reports';
import { seeded } from './big-plan';
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

export const benchTermsAndPages = () => [benchPageRules(), benchTerms()];
