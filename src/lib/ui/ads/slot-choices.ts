import { liveSlot } from '$lib/core/ads/fill-slots';
import { escapeFallback, parseSlots, writeSlot } from '$lib/core/ads/parse-slots';

/** What a slot is chosen out of, in the order in which it is asked. */
export interface SlotOptions {
  names: readonly string[];
  values: Readonly<Record<string, string>>;
  /** Fallbacks that the plan proposes for a live slot. */
  fallbacks: readonly string[];
  /** Letter cases of the language. */
  cases: readonly string[];
  /** The case that a live slot is proposed in; empty: as it stands. */
  liveCase: string;
}

/** One row of the menu: what it puts in, and what is said beside it. */
export interface SlotChoice {
  put: string;
  name: string;
  says: string;
}

/** What is asked for next of a slot that is being typed, and what can be chosen. */
export interface SlotStage {
  asks: 'slot' | 'fallback' | 'letters';
  name: string;
  fallback: string;
  choices: SlotChoice[];
}

const starts = (text: string, typed: string) => text.toLowerCase().startsWith(typed.trim().toLowerCase());
const caseWords: Readonly<Record<string, string>> = { '': 'as it stands' };

/** Reads what was typed after `[[`, its parts with `|` between them. */
export function readSlotStage(typed: string, { names, values, fallbacks, cases, liveCase }: SlotOptions): SlotStage {
  const [name = '', fallback, letters] = typed.split('|');
  const isLive = name.trim() === liveSlot;
  if (fallback === undefined) {
    const label = (slot: string) => (slot === liveSlot ? 'the keyword that matched' : values[slot] || 'no value yet');
    const choices = names.filter((one) => starts(one, name)).map((one) => ({ put: one, name: one, says: label(one) }));
    return { asks: 'slot', name, fallback: '', choices };
  }
  if (letters === undefined) {
    const proposed = fallbacks
      .filter((one) => isLive && starts(one, fallback))
      .map((one) => ({ put: one, name: one, says: 'of the plan' }));
    const own = fallback.trim();
    const said = own === '' ? [] : [{ put: own, name: own, says: 'as typed' }];
    const none = own === '' && !isLive ? [{ put: '', name: 'no fallback', says: 'the line needs the value' }] : [];
    return { asks: 'fallback', name, fallback, choices: [...none, ...said, ...proposed.filter(({ put }) => put !== own)] };
  }
  const order = [...new Set(isLive ? [liveCase, '', ...cases] : ['', ...cases])];
  const choices = order
    .filter((one) => starts(caseWords[one] ?? one, letters))
    .map((one) => ({ put: one, name: caseWords[one] ?? one, says: 'letters of the value' }));
  return { asks: 'letters', name, fallback, choices };
}

/** What stands in the line once a choice is made: the slot so far, or the whole of it, which then is done. */
export function takeSlotChoice(stage: SlotStage, put: string): { text: string; isDone: boolean } {
  if (stage.asks === 'slot') return { text: `[[${put}|`, isDone: false };
  if (stage.asks === 'fallback') return { text: `[[${stage.name}|${put}|`, isDone: false };
  const fallback = parseSlots(stage.fallback)
    .segments.map((part) => (part.kind === 'text' ? escapeFallback(part.text) : ''))
    .join('');
  return { text: writeSlot(stage.name, fallback, put === '' ? null : (put as Parameters<typeof writeSlot>[2])), isDone: true };
}
