import { writeCondition } from '../records/condition-text';
import type { PageCondition } from '../records/page-condition';
import type { PagesOff } from '../records/campaign';
import type { DomainPages } from './campaign-pages';
import unadvertised from './unadvertised-folders.json';
import { foldersOf } from './site-pages';

/** Why pages are proposed as left out; the name is made outside core. */
export type OffReason = 'no-answer' | 'elsewhere' | 'double' | 'sold-out' | keyof typeof unadvertised;

/** Pages proposed as left out. */
export interface OffProposal {
  reason: OffReason;
  /** In words, as it is kept. */
  when: string;
  /** By index of the domain's pages: those that no reason before takes. */
  pages: number[];
}

const soldOut =
  /^(?:sold[ -]?out|out[ -]of[ -]stock|not available|unavailable|discontinued|no longer (?:made|sold)|utsolgt|ikke på lager|utgått|ausverkauft|nicht (?:lieferbar|verfügbar|auf lager))$/i;

/** Values of any column that say a thing cannot be bought, as a condition; null where there are none. */
function soldOutCondition({ pages }: DomainPages): PageCondition | null {
  const said = new Map<string, Set<string>>();
  for (const { columns } of pages)
    for (const { name, values } of columns)
      for (const value of values) if (soldOut.test(value)) said.set(name, (said.get(name) ?? new Set()).add(value));
  const parts = [...said].flatMap(([field, values]) => [...values].map((value) => ({ field, is: 'equals' as const, value })));
  return parts.length === 0 ? null : parts.length === 1 ? parts[0]! : { any: parts };
}

const between = new Set(['and', 'og', 'und', '']);

/** Whether a folder, or each of the words it is joined of, is one of some: `frakt-og-retur`. */
function isOneOf(folder: string, known: ReadonlySet<string>): boolean {
  const name = folder.replace(/\.[a-z]{2,5}$/, '');
  return (
    known.has(name) ||
    name
      .split('-')
      .filter((word) => !between.has(word))
      .every((word) => known.has(word))
  );
}

/** Folders at the first or second place of addresses that are of a kind nobody advertises, as a condition; null where there are none. */
function folderCondition({ pages }: DomainPages, words: readonly string[]): PageCondition | null {
  const known = new Set(words);
  const starts = new Set<string>();
  for (const { address } of pages) {
    const folders = foldersOf(address);
    const at = folders.slice(0, 2).findIndex((folder) => isOneOf(folder, known));
    // The second only below a language: `/en/careers`.
    if (at === 0 || (at === 1 && folders[0]!.length === 2)) starts.add(`/${folders.slice(0, at + 1).join('/')}`);
  }
  const parts = [...starts].sort().map((value): PageCondition => ({ field: 'address', is: 'begins', value }));
  return parts.length === 0 ? null : parts.length === 1 ? parts[0]! : { any: parts };
}

/** Pages that should not be advertised: they do not answer, lead elsewhere, say the same as another, are sold out, or nobody buys on them. */
export function proposeLeftOut(domain: DomainPages): OffProposal[] {
  const is = (field: string, value: string): PageCondition => ({ field, is: 'equals', value });
  const candidates: [OffReason, PageCondition | null][] = [
    ['no-answer', is('answers', 'no')],
    ['elsewhere', is('answers', 'elsewhere')],
    ['double', is('double', 'yes')],
    ['sold-out', soldOutCondition(domain)],
    ...Object.entries(unadvertised).map(([reason, words]): [OffReason, PageCondition | null] => [
      reason as OffReason,
      folderCondition(domain, words),
    ]),
  ];
  const taken = new Set<number>();
  return candidates.flatMap(([reason, condition]) => {
    if (!condition) return [];
    const when = writeCondition(condition);
    const pages = domain.matching(when).filter((page) => !taken.has(page));
    for (const page of pages) taken.add(page);
    return pages.length > 0 ? [{ reason, when, pages }] : [];
  });
}

/** Proposals that a campaign does not leave out yet. */
export const notYetOff = (proposals: readonly OffProposal[], pagesOff: readonly PagesOff[]): OffProposal[] =>
  proposals.filter(({ when }) => pagesOff.every((one) => one.when !== when));
