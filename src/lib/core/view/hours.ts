import type { HourSpan } from '../records/hour-span';

const days = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const fullNames = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];
const dayGroups: Readonly<Record<string, readonly number[]>> = {
  weekend: [6, 7],
  weekends: [6, 7],
  weekday: [1, 2, 3, 4, 5],
  weekdays: [1, 2, 3, 4, 5],
  daily: [1, 2, 3, 4, 5, 6, 7],
  'every day': [1, 2, 3, 4, 5, 6, 7],
};

/** The names of the days, Monday first. */
export const dayNames: readonly string[] = days;

/** A week by hours: an adjustment in percent where ads are shown, null where not. Index: (day − 1) × 24 + hour. */
export type WeekGrid = readonly (number | null)[];

/** The week that spans make. No spans at all: every hour. */
export function gridOf(spans: readonly HourSpan[]): WeekGrid {
  const grid: (number | null)[] = Array.from({ length: 168 }, () => (spans.length === 0 ? 0 : null));
  for (const { day, from, to, adjust = 0 } of spans) grid.fill(adjust, (day - 1) * 24 + from, (day - 1) * 24 + to);
  return grid;
}

/** The spans of a week, as few as it takes; an open week without adjustments has none. Null where nothing is open. */
export function spansOf(grid: WeekGrid): HourSpan[] | null {
  if (grid.every((hour) => hour === 0)) return [];
  const spans: HourSpan[] = [];
  grid.forEach((value, index) => {
    if (value === null) return;
    const [day, from] = [Math.floor(index / 24) + 1, index % 24];
    const last = spans.at(-1);
    if (last?.day === day && last.to === from && (last.adjust ?? 0) === value) last.to++;
    else spans.push({ day, from, to: from + 1, ...(value !== 0 && { adjust: value }) });
  });
  return spans.length === 0 ? null : spans;
}

/** A week with a block of it set to one value; days 1 to 7 and hours 0 to 23, both ends included and in any order. */
export function paint(
  grid: WeekGrid,
  [fromDay, fromHour]: readonly [number, number],
  [toDay, toHour]: readonly [number, number],
  value: number | null,
): WeekGrid {
  const isWithin = (at: number, one: number, other: number) => at >= Math.min(one, other) && at <= Math.max(one, other);
  return grid.map((old, index) =>
    isWithin(Math.floor(index / 24) + 1, fromDay, toDay) && isWithin(index % 24, fromHour, toHour) ? value : old,
  );
}

function readClock(text: string): number | null {
  const [, hour = '', minutes = '', half = ''] = /^(\d{1,2})(?:[:.](\d{2}))?\s*(am|pm)?$/.exec(text) ?? [];
  if (hour === '' || (minutes !== '' && minutes !== '00')) return null;
  const number = Number(hour);
  if (half !== '' && (number < 1 || number > 12)) return null;
  return half === '' ? number : (number % 12) + (half === 'pm' ? 12 : 0);
}

let foreignNames: ReadonlyMap<string, number> | null = null;

/** Names of the days in other languages, long and short; what could be two days, or is an English one, is none. */
function dayOfForeignName(text: string): number | null {
  if (!foreignNames) {
    const found = new Map<string, Set<number>>();
    for (const language of ['de', 'fr', 'es', 'it', 'nl', 'nb', 'sv', 'da', 'pt'])
      for (const weekday of ['long', 'short'] as const) {
        const format = new Intl.DateTimeFormat(language, { weekday, timeZone: 'UTC' });
        // 5 January 2026 is a Monday.
        for (let day = 1; day <= 7; day++) {
          const name = format
            .format(Date.UTC(2026, 0, 4 + day))
            .toLowerCase()
            .replace('.', '');
          found.set(name, (found.get(name) ?? new Set()).add(day));
        }
      }
    foreignNames = new Map([...found].flatMap(([name, own]) => (own.size === 1 ? [[name, [...own][0]!] as const] : [])));
  }
  return foreignNames.get(text) ?? null;
}

function readDayName(text: string): number | null {
  const plain = text.replace(/\.$/, '');
  const index = fullNames.findIndex((name) => plain.length >= 2 && (name === plain || name.slice(0, Math.max(3, plain.length)) === plain));
  return index < 0 ? dayOfForeignName(plain) : index + 1;
}

/** Days as said: `mon`, `mon–fri`, `fri–mon` (over the weekend), `sat, sun` is two statements, `weekends`, `daily`. */
function readDays(text: string): number[] | null {
  if (dayGroups[text]) return [...dayGroups[text]];
  const parts = text.split(/\s*(?:\+|&|\band\b|\/)\s*/);
  const lists = parts.map((part) => {
    const [first = '', last, ...more] = part.split(/\s*(?:-|–|—|\bto\b)\s*/);
    const [from, to] = [readDayName(first), last === undefined ? readDayName(first) : readDayName(last)];
    if (from === null || to === null || more.length > 0) return null;
    return Array.from({ length: ((to - from + 7) % 7) + 1 }, (_, index) => ((from - 1 + index) % 7) + 1);
  });
  return lists.some((list) => list === null) ? null : lists.flatMap((list) => list ?? []);
}

/** One statement: days, hours or a word for them, and by how much bids differ. */
function readStatement(text: string, last: readonly number[]) {
  const [, main = '', sign = '', amount = ''] = /^(.*?)\s*(?:([+\-−–])\s*(\d{1,3})\s*%)?$/.exec(text) ?? [];
  const adjust = amount === '' ? 0 : Number(amount) * (sign === '+' ? 1 : -1);
  if (adjust < -100 || adjust > 900) return null;
  const [, dayText = '', hourText = ''] = /^(.*?)[\s:]*((?:\d.*|all(?: day)?|off|closed|none)?)$/.exec(main) ?? [];
  const dayList = dayText === '' ? [...last] : readDays(dayText.trim());
  if (!dayList || dayList.length === 0) return null;
  if (/^(?:off|closed|none)$/.test(hourText)) return { days: dayList, from: 0, to: 24, value: null };
  if (hourText === '' || hourText.startsWith('all')) return { days: dayList, from: 0, to: 24, value: adjust };
  const [open = '', close = '', ...more] = hourText.split(/\s*(?:-|–|—|\bto\b)\s*/);
  const [from, end] = [readClock(open.trim()), readClock(close.trim())];
  const to = end === 0 ? 24 : end;
  if (from === null || to === null || from === to || from > 23 || to > 24 || more.length > 0) return null;
  return { days: dayList, from, to, value: adjust };
}

/**
 * Reads a week as typed: `Mon–Fri 6–18`, `weekends off`, `Sat 9–12 -20%`, `Mon 9-12, 13-17`, parted by commas, semicolons
 * or lines; what comes later counts. Where only what is closed is said, all the rest is open. Null where it cannot be read.
 */
export function readHours(text: string): HourSpan[] | null {
  const statements: NonNullable<ReturnType<typeof readStatement>>[] = [];
  for (const part of text.toLowerCase().split(/[,;\n]+/)) {
    if (part.trim() === '') continue;
    const read = readStatement(part.trim(), statements.at(-1)?.days ?? []);
    if (!read) return null;
    statements.push(read);
  }
  const isOpen = statements.every(({ value }) => value === null);
  let grid: WeekGrid = Array.from({ length: 168 }, () => (isOpen ? 0 : null));
  for (const { days: list, from, to, value } of statements)
    for (const day of list) {
      if (from < to) grid = paint(grid, [day, from], [day, to - 1], value);
      else {
        // Over midnight: the rest of the day, and the beginning of the next.
        grid = paint(grid, [day, from], [day, 23], value);
        const next = (day % 7) + 1;
        if (to > 0) grid = paint(grid, [next, 0], [next, to - 1], value);
      }
    }
  return spansOf(grid);
}

const writeSpan = ({ from, to, adjust = 0 }: HourSpan, dash: string) =>
  `${from}${dash}${to}${adjust === 0 ? '' : ` ${adjust > 0 ? '+' : ''}${adjust}%`}`;

/** A day's open hours as they are typed. No spans at all in the week mean every hour. */
export const writeDay = (hours: readonly HourSpan[], day: number): string =>
  hours
    .filter((span) => span.day === day)
    .map((span) => writeSpan(span, '–'))
    .join(', ');

/** Why hours cannot be read; null where they can. One sentence for all fields of hours. */
export function findHoursProblem(text: string): 'parts-of-hours' | 'not-hours' | null {
  if (readHours(text)) return null;
  return /\d{1,2}[:.](?!00)\d{2}/.test(text) ? 'parts-of-hours' : 'not-hours';
}

/** Open hours of the week; a week without spans is open throughout. */
export const openHours = (hours: readonly HourSpan[]) => gridOf(hours).filter((hour) => hour !== null).length;

/** Open hours as text: `Mon 9-17, Tue 9-17 -20%`; all hours are an empty text. */
export const writeHours = (spans: readonly HourSpan[]) => spans.map((span) => `${days[span.day - 1]} ${writeSpan(span, '-')}`).join(', ');

/** Open hours as short as they can be said: days of the same hours together, `Mon–Fri 6–18, Sat 9–12`. */
export function sayHours(spans: readonly HourSpan[]): string {
  if (spans.length === 0) return '';
  const said = days.map((_, index) => writeDay(spans, index + 1));
  const parts: string[] = [];
  for (let day = 0; day < 7; day++) {
    let last = day;
    while (last < 6 && said[last + 1] === said[day]) last++;
    const name = last > day ? `${days[day]}–${days[last]}` : days[day];
    if (said[day] !== '') parts.push(`${name} ${said[day]}`);
    day = last;
  }
  return parts.join('; ');
}
