const formats = new Map<string, Intl.DateTimeFormat>();

/** Making a format is slow, using one is not. */
function formatOf(timeZone: string): Intl.DateTimeFormat {
  let format = formats.get(timeZone);
  if (!format) formats.set(timeZone, (format = new Intl.DateTimeFormat('en-US', { timeZone, timeZoneName: 'longOffset' })));
  return format;
}

/** How far a zone's clock is from UTC at a time, in minutes. */
export function offsetMinutes(timeZone: string, time: Date): number {
  const parts = formatOf(timeZone).formatToParts(time);
  const [, sign = '+', hours = '0', minutes = '0'] =
    /GMT(?:([+-])(\d{2}):(\d{2}))?/.exec(parts.find(({ type }) => type === 'timeZoneName')?.value ?? '') ?? [];
  return (sign === '-' ? -1 : 1) * (Number(hours) * 60 + Number(minutes));
}

/** A day on which the clocks of a zone are changed, and by how many minutes they go forward. */
export interface ClockChange {
  date: string;
  minutes: number;
}

/** The first change of the clocks within so many days of a local date; null where there is none. */
export function findClockChange(timeZone: string, from: string, days: number): ClockChange | null {
  const start = Date.parse(`${from}T12:00:00Z`);
  if (Number.isNaN(start)) return null;
  let last = offsetMinutes(timeZone, new Date(start));
  for (let day = 1; day <= days; day++) {
    const date = new Date(start + day * 86_400_000);
    const offset = offsetMinutes(timeZone, date);
    if (offset !== last) return { date: date.toISOString().slice(0, 10), minutes: offset - last };
    last = offset;
  }
  return null;
}
