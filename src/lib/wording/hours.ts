import { findHoursProblem } from '$lib/core/view/hours';

/** What is wrong with hours as typed, the same in every field of hours; null where they can be read. */
export function wordHoursProblem(text: string): string | null {
  switch (findHoursProblem(text)) {
    case null:
      return null;
    case 'parts-of-hours':
      return 'Whole hours only: tables of hours hold no quarters. Such as Mon–Fri 8–18.';
    case 'not-hours':
      return 'Such as Mon–Fri 6–18, Sat 9–12, Fri 18–3 over midnight, weekends off.';
  }
}
