import type { HourSpan } from './records/campaign';

/** Reads a day's open hours as typed: `9-17`, `7–12, 13–21`, `all`; empty is closed. Null where it cannot be read. */
export function readDay(text: string, day: number): HourSpan[] | null {
  const plain = text.trim().toLowerCase();
  if (plain === '' || plain === 'closed' || plain === '–' || plain === '-') return [];
  if (plain === 'all') return [{ day, from: 0, to: 24 }];
  const spans: HourSpan[] = [];
  for (const part of plain.split(/\s*[,;]\s*/)) {
    const match = /^(\d{1,2})(?::00)?\s*(?:-|–|—|to)\s*(\d{1,2})(?::00)?$/.exec(part);
    const [from, to] = [Number(match?.[1]), Number(match?.[2])];
    if (!match || from >= to || to > 24) return null;
    spans.push({ day, from, to });
  }
  spans.sort((a, b) => a.from - b.from);
  return spans.every((span, index) => index === 0 || span.from >= (spans[index - 1]?.to ?? 0)) ? spans : null;
}

/** A day's open hours as they are typed. No spans at all in the week mean every hour. */
export function writeDay(hours: readonly HourSpan[], day: number): string {
  return hours
    .filter((span) => span.day === day)
    .map(({ from, to }) => `${from}–${to}`)
    .join(', ');
}

/** Open hours of the week; a week without spans is open throughout. */
export const openHours = (hours: readonly HourSpan[]) =>
  hours.length === 0 ? 168 : hours.reduce((sum, { from, to }) => sum + to - from, 0);

const days = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

/** Open hours as text: `Mon 9-17, Tue 9-17`; all hours are an empty text. */
export const writeHours = (spans: readonly HourSpan[]) => spans.map(({ day, from, to }) => `${days[day - 1]} ${from}-${to}`).join(', ');

/** Reads open hours from such a text; null where it cannot be read. */
export function readHours(text: string): HourSpan[] | null {
  if (text.trim() === '') return [];
  const spans = text.split(/\s*[,;]\s*/).map((part) => {
    const [, name = '', hours = ''] = /^\s*(\p{L}+)\.?\s+(.*?)\s*$/u.exec(part) ?? [];
    const day = days.indexOf(name) + 1;
    return day === 0 ? null : readDay(hours, day);
  });
  return spans.some((span) => span === null || span.length === 0) ? null : spans.flatMap((span) => span ?? []);
}
