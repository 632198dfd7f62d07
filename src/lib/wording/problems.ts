import type { SlotProblem } from '$lib/core/ads/fill-slots';
import type { RefusedSign } from '$lib/core/text/clean';

type Data = Readonly<Record<string, unknown>>;

/** What is wrong with a slot, in a sentence. `at` counts from 0. */
export function wordSlotProblem(code: SlotProblem['code'], data: Data, at?: number): string {
  const spot = at === undefined ? '' : `, at sign ${at + 1}`;
  switch (code) {
    case 'unclosed-slot':
      return `Brackets [[ are opened and not closed${spot}.`;
    case 'nested-too-deep':
      return `Slots stand within slots too deep${spot}.`;
    case 'unknown-slot':
      return `There is no slot “${data.slot}”${spot}.`;
    case 'unknown-case':
      return `“${data.case}” is no letter case${spot}: lower, sentence, title or upper.`;
    case 'live-without-fallback':
      return `The live slot has no fallback${spot}.`;
    case 'second-live-slot':
      return `A line takes one live slot; this is a second${spot}.`;
    case 'live-in-fallback':
      return `A live slot cannot stand in a fallback${spot}.`;
    case 'value-missing':
      return `“${data.slot}” has no value here and no fallback${spot}.`;
    case 'value-too-long':
      return `“${data.value}” does not fit and there is no fallback${spot}.`;
    case 'fallback-too-long':
      return `With its fallback the line is ${data.units} of ${data.limit}.`;
    case 'line-too-long':
      return `${data.over} over the limit of ${data.limit}.`;
  }
}

/** A sign that no field takes, in a sentence. */
export function wordRefusedSign({ code, at, sign }: RefusedSign): string {
  const what = {
    'control-sign': 'A control sign',
    'direction-sign': 'A sign that turns the direction',
    'invisible-sign': 'An invisible sign',
  }[code];
  return `${what} (${sign}) stands at ${at + 1}; take it out.`;
}
