import { parseAmount } from '../money/money';
import { plainText } from '../keywords/read-keyword';
import { blank } from '../records/record-types';
import type { Lead, LeadQuality } from '../records/lead';
import type { Change } from '../store/changes';
import type { Snapshot } from '../store/snapshot';
import { readTypedDate } from '../text/typed-date';

type LeadColumn = 'text' | 'group' | 'day' | 'quality' | 'sold';
const headings: readonly [LeadColumn, RegExp][] = [
  ['sold', /\b(?:sold|sale|value|amount|revenue|order|umsatz|verkauft|auftrag|beløp|salg|verdi)\b/i],
  ['quality', /\b(?:good|quality|qualified|lead|result|status|qualität|gut|kvalitet)\b/i],
  ['text', /\b(?:term|search|keyword|query|suchbegriff|søkeord)\b/i],
  ['group', /\b(?:group|gruppe|anzeigengruppe|annonsegruppe)\b/i],
  ['day', /\b(?:date|day|when|datum|tag|dato)\b/i],
];
const goodWords = /^(?:good|yes|y|true|1|x|✓|qualified|won|sold|gut|ja|god|bra)$/i;
const badWords = /^(?:bad|no|n|false|0|junk|spam|unqualified|lost|schlecht|nein|dårlig|nei)$/i;

/** Why a line of a list of leads is left out, or what of it is not read. */
export interface LeadProblem {
  /** Counted from 1, over the lines of the file. */
  line: number;
  code: 'says-nothing' | 'day-unread' | 'quality-unread' | 'sold-unread';
  text: string;
}

/** A list of leads, read. */
export interface LeadsRead {
  leads: Omit<Lead, 'id' | 'position'>[];
  problems: LeadProblem[];
  /** Whether the first line names where a lead came from and what became of it. */
  isUnderstood: boolean;
}

/** Leads that are kept of a list. */
export const mostLeads = 20_000;

function columnsOf(row: readonly string[]): (LeadColumn | null)[] {
  const taken = new Set<LeadColumn>();
  return row.map((heading) => {
    const found = headings.find(([column, pattern]) => !taken.has(column) && pattern.test(heading))?.[0] ?? null;
    if (found) taken.add(found);
    return found;
  });
}

/** Reads a list of leads whose first line names the columns: the term, group or date, and whether it was good or what it was sold for. */
export function readLeads(
  rows: readonly (readonly string[])[],
  { currency, locale, refusedSigns }: { currency: string; locale: string; refusedSigns: ReadonlySet<string> },
): LeadsRead {
  const columns = columnsOf(rows[0] ?? []);
  const has = (...wanted: LeadColumn[]) => wanted.some((column) => columns.includes(column));
  const isUnderstood = has('text', 'group', 'day') && has('quality', 'sold');
  const read: LeadsRead = { leads: [], problems: [], isUnderstood };
  if (!isUnderstood) return read;
  rows.slice(1, mostLeads + 1).forEach((row, at) => {
    if (row.every((cell) => cell.trim() === '')) return;
    const cell = (column: LeadColumn) => (row[columns.indexOf(column)] ?? '').trim();
    const problem = (code: LeadProblem['code'], text: string) => void read.problems.push({ line: at + 2, code, text });
    const text = plainText(cell('text'), refusedSigns).slice(0, 300);
    const groupName = cell('group').slice(0, 300);
    const day = cell('day') === '' ? null : readTypedDate(cell('day'), locale);
    if (cell('day') !== '' && day === null) problem('day-unread', cell('day'));
    if (text === '' && groupName === '' && day === null) return problem('says-nothing', row.join(' ').trim().slice(0, 80));
    const soldMinor = readSold(cell('sold'), currency, (written) => problem('sold-unread', written));
    const quality = readQuality(cell('quality'), soldMinor, (written) => problem('quality-unread', written));
    read.leads.push({ text, groupName, day, quality, soldMinor });
  });
  return read;
}

function readSold(text: string, currency: string, unread: (text: string) => void): number | null {
  if (text === '' || /^[-–—]+$/.test(text) || badWords.test(text)) return null;
  const minor = parseAmount(text, currency);
  if (minor === null) unread(text);
  return minor === 0 ? null : minor;
}

/** Sold is good, whatever else is said. */
function readQuality(text: string, soldMinor: number | null, unread: (text: string) => void): LeadQuality {
  if (soldMinor !== null || goodWords.test(text)) return 'good';
  if (badWords.test(text)) return 'bad';
  if (text !== '') unread(text);
  return 'unsaid';
}

/** The change that takes a list of leads: it stands in place of the one before, so that none counts twice. Null where neither tells of any. */
export function takeLeads({ lead }: Snapshot, leads: LeadsRead['leads'], newId: () => string): Change | null {
  if (leads.length === 0 && lead.size === 0) return null;
  return {
    type: 'several',
    name: 'leads-read-in',
    changes: [
      ...(lead.size > 0 ? [{ type: 'remove' as const, record: 'lead' as const, ids: [...lead.keys()] }] : []),
      ...(leads.length > 0
        ? [
            {
              type: 'add' as const,
              record: 'lead' as const,
              rows: leads.map((one, position) => blank('lead', { ...one, id: newId(), position })),
            },
          ]
        : []),
    ],
  };
}
