import type { TableProblem } from '$lib/core/exchange/cell-reader';
import type { TableName } from '$lib/core/records/table-fields';
import type { Encoding, Layout } from '$lib/core/records/layout';

/** What each table is called. */
export const tableTitles: Readonly<Record<TableName | 'all', string>> = {
  campaigns: 'Campaigns',
  places: 'Places',
  groups: 'Ad groups',
  keywords: 'Keywords',
  negatives: 'Negative keywords',
  ads: 'Ads',
  extras: 'Extras',
  pages: 'Pages',
  'page-rules': 'Rules over pages',
  all: 'All rows',
};

/** What no table carries, whatever its layout. */
export const notInTables: readonly string[] = [
  'brief',
  'finds with their verdicts and reports',
  'theme words and offers of groups',
  'default match types',
  'plan slots (they come filled in)',
  'masters',
  'what was set aside',
  'versions',
];

/** What each encoding is called. */
export const encodingNames: Readonly<Record<Encoding, string>> = {
  'utf-8': 'UTF-8',
  'utf-8-marked': 'UTF-8 with a mark',
  'utf-16': 'UTF-16',
  'windows-1252': 'Windows-1252',
};

/** How a layout writes, in a line. */
export function wordLayout({ encoding, decimal, delimiter, planNegatives, form }: Layout): string {
  return [
    encodingNames[encoding],
    `${delimiter}s between cells`,
    `decimal ${decimal}`,
    form === 'one' ? 'all rows in one table' : 'a table a kind',
    planNegatives === 'shared-list' ? 'plan negatives as a shared list' : 'plan negatives once a campaign',
  ].join(', ');
}

/** What was met in a row of a table, in a sentence. */
export function wordTableProblem({ field, code, text, leftOut }: TableProblem): string {
  const rest = leftOut ? '; the row is left out' : '';
  switch (code) {
    case 'empty':
      return `No ${field}${rest}.`;
    case 'unknown-word':
      return `“${text}” is no ${field} that the layout knows; it is left as usual.`;
    case 'not-a-number':
      return `“${text}” is no number; ${field} stays empty.`;
    case 'not-an-amount':
      return `“${text}” is no amount in the account’s currency and the layout’s decimal sign; ${field} stays empty.`;
    case 'not-a-date':
      return `“${text}” is no date such as 2027-01-12; ${field} stays empty.`;
    case 'not-hours':
      return `“${text}” are no hours such as Mon 9-17; every hour is taken.`;
    case 'cleaned':
      return leftOut ? `Nothing of “${text}” can stand in a keyword; the row is left out.` : `“${text}” held signs that no keyword takes.`;
    case 'unfit':
      return `${field}: ${text}${rest}.`.replace('..', '.').replace('.;', ';');
    case 'made':
      return `The ${field === 'group' ? 'ad group' : field} “${text}” has no row of its own and is made.`;
  }
}
