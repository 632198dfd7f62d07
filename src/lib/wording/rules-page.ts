import type { Finding } from '$lib/core/proof/finding';
import { chapters, ruleList, type RuleId } from '$lib/core/proof/rule-list';
import { wordFinding } from './findings';

const severityWords = { fix: 'must be fixed', look: 'worth a look', suggestion: 'suggestion' } as const;
const mendWords = { safe: 'safe', offer: 'offer' } as const;
const cell = (text: string) => text.replace(/\|/g, '\\|').replace(/[<>*_]/g, '\\$&');

/** Lines by the rule that they are told of: what the plan says, lines that raise it, and lines that do not. */
type ExampleLines = Readonly<Record<string, { given: string; raises: readonly string[]; not: readonly string[] }>>;
const quoted = (texts: readonly string[]) => texts.map((text) => cell(`“${text}”`)).join('<br>');

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
  ].join('\n');
}
