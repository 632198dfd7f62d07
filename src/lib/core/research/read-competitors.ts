import { plainText } from '../keywords/read-keyword';
import type { SeenCompetitor } from '../records/seen-competitor';
import { monthOfHeading } from '../text/month-headings';

/** A rival as read, before it is written down. */
export type CompetitorRead = Pick<SeenCompetitor, 'name' | 'domain' | 'buys' | 'wins' | 'months' | 'ads'>;

/** What a line of a list of rivals lacks. */
export interface CompetitorProblem {
  /** Counted from 1, over the lines of the file. */
  line: number;
  code: 'no-rival' | 'nothing-told' | 'days-unread' | 'too-many';
  text: string;
}

/** A list of rivals, read. */
export interface CompetitorsRead {
  competitors: CompetitorRead[];
  problems: CompetitorProblem[];
  /** Whether the first line names a rival's column and one that tells something of it. */
  isUnderstood: boolean;
}

export type CompetitorColumn = 'rival' | 'domain' | 'search' | 'kind' | 'headline' | 'description' | 'days' | 'months' | `month-${number}`;

const headings: [CompetitorColumn, RegExp][] = [
  ['domain', /domain|website|site|url|address/i],
  ['rival', /rival|competitor|advertiser|company|konkurrent|name/i],
  ['headline', /headline|title/i],
  ['description', /description|ad text|body/i],
  ['months', /^months?$|active in|months? (?:of|active|with)/i],
  ['days', /days|ran|seen for/i],
  ['kind', /paid|free|organic|kind|type/i],
  ['search', /search|keyword|term|query|phrase/i],
];
const mostSearches = 2000;
const mostAds = 200;

function columnOf(heading: string): CompetitorColumn | null {
  const month = monthOfHeading(heading);
  if (month !== null) return `month-${month + 1}`;
  return headings.find(([, pattern]) => pattern.test(heading))?.[0] ?? null;
}

/** A share of a month as it is written: `60 %`, `0.6`, or any count, which is held against the largest. */
function readShare(cell: string): number | null {
  const number = Number(cell.replace(/[%\s]/g, '').replace(',', '.'));
  if (cell.trim() === '' || !Number.isFinite(number) || number < 0) return null;
  return cell.includes('%') ? number / 100 : number;
}

/** Days as they are written: `40`, `40 days`; null where that is no number of days. */
function readDays(cell: string): number | null {
  const days = Number(/^(\d{1,5})\s*\p{L}*\.?$/u.exec(cell)?.[1] ?? NaN);
  return days >= 0 && days <= 10_000 ? days : null;
}

/** What one line says, by column. */
class Line {
  constructor(
    private readonly columns: readonly (CompetitorColumn | null)[],
    private readonly row: readonly string[],
  ) {}

  all(column: CompetitorColumn): string[] {
    return this.columns.flatMap((one, at) => (one === column && this.row[at]?.trim() ? [this.row[at].trim()] : []));
  }

  cell(column: CompetitorColumn): string {
    return this.all(column)[0] ?? '';
  }

  /** Months from 0, with their shares. */
  get months(): (readonly [month: number, share: number])[] {
    const named = this.cell('months')
      .split(/[|,;]/)
      .flatMap((part) => monthOfHeading(part.trim()) ?? []);
    // A list of months names those in which it advertises; in the others it does not.
    if (named.length > 0) return Array.from({ length: 12 }, (_, month) => [month, named.includes(month) ? 1 : 0] as const);
    return this.columns.flatMap((one, at) => {
      const share = one?.startsWith('month-') ? readShare(this.row[at] ?? '') : null;
      return share === null ? [] : [[Number(one!.slice(6)) - 1, share] as const];
    });
  }

  get domain(): string {
    return bareDomain(this.cell('domain')).slice(0, 253);
  }
}

/** Collects what the lines tell of one rival; what it cannot take is a problem. */
class Gathered {
  domain = '';
  private readonly buys = new Set<string>();
  private readonly wins = new Set<string>();
  private readonly months = new Map<number, number>();
  private readonly ads = new Map<string, CompetitorRead['ads'][number]>();

  constructor(readonly name: string) {}

  /** `isOwn`: the client's own site, which buys nothing from itself: what it is listed for it wins for free. */
  take(line: Line, search: string, isOwn: boolean, problem: (code: CompetitorProblem['code'], text: string) => void): void {
    this.domain ||= line.domain;
    const list = isOwn || /free|organic|natural|unpaid/i.test(line.cell('kind')) ? this.wins : this.buys;
    if (search !== '' && list.size >= mostSearches) problem('too-many', search);
    else if (search !== '') list.add(search);
    for (const [month, share] of line.months) this.months.set(month, Math.max(this.months.get(month) ?? 0, share));
    const headlines = line.all('headline').flatMap((text) => text.split(/\s*\|\s*/).filter(Boolean));
    if (headlines.length > 0) this.takeAd(headlines, line, search, problem);
    else if (search === '' && line.months.length === 0) problem('nothing-told', this.name);
  }

  private takeAd(
    all: readonly string[],
    line: Line,
    search: string,
    problem: (code: CompetitorProblem['code'], text: string) => void,
  ): void {
    const headlines = all.slice(0, 15).map((text) => text.slice(0, 300));
    const descriptions = line
      .all('description')
      .slice(0, 5)
      .map((text) => text.slice(0, 500));
    const written = line.cell('days');
    const days = written === '' ? 0 : readDays(written);
    if (days === null) problem('days-unread', written);
    const key = [...headlines, ...descriptions].join('\n');
    const ad = this.ads.get(key) ?? { headlines, descriptions, days: 0, searches: [] };
    ad.days = Math.max(ad.days, days ?? 0);
    if (search !== '' && !ad.searches.includes(search)) ad.searches.push(search);
    if (this.ads.size >= mostAds && !this.ads.has(key)) problem('too-many', headlines[0]!);
    else this.ads.set(key, ad);
  }

  result(): CompetitorRead {
    const { name, domain, buys, wins, ads } = this;
    const largest = Math.max(1, ...this.months.values());
    const months = this.months.size === 12 ? Array.from({ length: 12 }, (_, at) => this.months.get(at)! / largest) : [];
    return { name, domain, buys: [...buys], wins: [...wins], months, ads: [...ads.values()] };
  }
}

/** A domain as it is compared: without scheme, `www.` and path. */
export const bareDomain = (site: string): string =>
  site
    .trim()
    .replace(/^https?:\/\//i, '')
    .replace(/^www\./i, '')
    .replace(/[/?#].*$/, '')
    .toLowerCase();

/** Reads a list of rivals: one line a search that a rival buys or wins for free, or an ad of it; columns are known by their headings. */
export function readCompetitors(
  rows: readonly (readonly string[])[],
  { refusedSigns, ownSite }: { refusedSigns: ReadonlySet<string>; ownSite: string },
): CompetitorsRead {
  const own = bareDomain(ownSite);
  const first = rows.findIndex((row) => row.some((cell) => cell.trim() !== ''));
  const columns = (rows[first] ?? []).map(columnOf);
  const told: ReadonlySet<CompetitorColumn | null> = new Set(columns);
  const tells = columns.some(
    (column) => column === 'search' || column === 'headline' || column === 'months' || column?.startsWith('month-'),
  );
  if (!(told.has('rival') || told.has('domain')) || !tells) return { competitors: [], problems: [], isUnderstood: false };
  const problems: CompetitorProblem[] = [];
  const gathered = new Map<string, Gathered>();
  rows.forEach((row, index) => {
    if (index <= first || row.every((cell) => cell.trim() === '')) return;
    const line = new Line(columns, row);
    const problem = (code: CompetitorProblem['code'], text: string) => problems.push({ line: index + 1, code, text });
    const name = (line.cell('rival') || line.domain).slice(0, 200);
    if (name === '') return problem('no-rival', row.join(' ').trim().slice(0, 80));
    const competitor = gathered.get(name.toLowerCase()) ?? new Gathered(name);
    gathered.set(name.toLowerCase(), competitor);
    const isOwn = own !== '' && (line.domain === own || bareDomain(name) === own);
    competitor.take(line, plainText(line.cell('search'), refusedSigns).slice(0, 200), isOwn, problem);
  });
  return { competitors: [...gathered.values()].map((competitor) => competitor.result()), problems, isUnderstood: true };
}
