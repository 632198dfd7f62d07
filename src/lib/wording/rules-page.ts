import type { Finding } from '$lib/core/proof/finding';
import { chapters, ruleList, type RuleId } from '$lib/core/proof/rule-list';
import { judgingRules } from '$lib/core/terms/judge-term';
import { wordFinding } from './findings';

const severityWords = { fix: 'must be fixed', look: 'worth a look', suggestion: 'suggestion' } as const;
const mendWords = { safe: 'safe', offer: 'offer' } as const;
const cell = (text: string) => text.replace(/\|/g, '\\|').replace(/[<>*_]/g, '\\$&');

/** Lines by the rule that they are told of: what the plan says, lines that raise it, and lines that do not. */
type ExampleLines = Readonly<Record<string, { given: string; raises: readonly string[]; not: readonly string[] }>>;
const quoted = (texts: readonly string[]) => texts.map((text) => cell(`“${text}”`)).join('<br>');

const { z, conversions } = judgingRules;
const howTermsAreJudged = [
  '## How search terms are judged',
  '',
  'A term that comes back in a report is judged against the affordable cost of a conversion. With k = cost ÷ clicks, p = conversions ÷ clicks (at',
  `most 1), n = clicks and z = ${z} (house rule), the rate lies between L and U (Wilson):`,
  '',
  '    [L, U] = ( p + z² ÷ 2n ∓ z · √( p(1 − p) ÷ n + z² ÷ 4n² ) ) ÷ ( 1 + z² ÷ n )',
  '',
  '| judgement | where |',
  '| --- | --- |',
  `| converting | k ÷ L is at most the affordable cost, and ${conversions} or more conversions came (house rule); at no cost: any conversion |`,
  '| costing | k ÷ U is above the affordable cost |',
  `| promising | neither, and ${conversions} or more conversions came at the affordable cost each or less: kept as exact now |`,
  '| too early | anything else, and whatever was never clicked |',
  '',
  'Clicks needed: the fewest more at the same p and k until it is converting or costing; unknown beyond a million, and without clicks. Worked: 84 clicks',
  'for £95.76 and 6 conversions, £29.76 affordable: k = £1.14, p = 0.0714, L = 0.0374, k ÷ L = £30.50, just too much; each came at £15.96, so it is',
  'promising; at 91 clicks L is 0.0383, k ÷ L = £29.75: 7 more.',
];

/** `docs/rules.md`: every rule with its severity, what it says of an example, and how it can be mended. */
export function writeRulesPage(exampleOf: (rule: RuleId) => Finding, lines: ExampleLines): string {
  const rules = Object.keys(ruleList) as RuleId[];
  const sections = chapters.flatMap((chapter) => {
    const own = rules.filter((rule) => ruleList[rule].chapter === chapter);
    if (own.length === 0) return [];
    const rows = own.map((rule) => {
      const finding = exampleOf(rule);
      const { title, detail } = wordFinding(finding, 'GBP');
      const mend = finding.mend ? mendWords[finding.mend.kind] : '';
      return `| \`${rule}\` | ${severityWords[ruleList[rule].severity]} | ${cell(title)}: ${cell(detail)} | ${mend} |`;
    });
    return [
      '',
      `## ${chapter}`,
      '',
      '| rule | usual severity | as it is said of an example | mend |',
      '| --- | --- | --- | --- |',
      ...rows,
    ];
  });
  return [
    '# Rules',
    '',
    `${rules.length} rules are read over a plan. This page is made from the code by \`npm run docs\`; the examples are those of the tests.`,
    ...sections,
    '',
    '## Lines that raise them, and lines that do not',
    '',
    '| rule | given | raised by | not raised by |',
    '| --- | --- | --- | --- |',
    ...Object.entries(lines).map(([rule, { given, raises, not }]) => `| \`${rule}\` | ${given} | ${quoted(raises)} | ${quoted(not)} |`),
    '',
    ...howTermsAreJudged,
    '',
  ].join('\n');
}
