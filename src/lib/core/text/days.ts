const dayMs = 86_400_000;

/** The day (yyyy-MM-dd) so many days later; earlier where `days` is negative. */
export const addDays = (day: string, days: number): string => new Date(Date.parse(day) + days * dayMs).toISOString().slice(0, 10);

/** How many days there are from one day (yyyy-MM-dd) to another; negative where that is earlier. */
export const daysBetween = (from: string, to: string): number => Math.round((Date.parse(to) - Date.parse(from)) / dayMs);
