import { writePrice } from '../money/money';
import { childrenOf, inOrder, type Snapshot } from '../store/snapshot';
import type { Change, SimpleChange } from '../store/changes';
import { recordTypes } from '../records/record-types';
import { firstLanguage, type PlanView } from '../view/plan-view';
import { escapePattern } from '../text/escape-pattern';

/** A value of the brief as lines may state it. */
export type StatedValue = { kind: 'price'; minor: number } | { kind: 'date'; date: string } | { kind: 'text'; text: string };

/** What can state a value, with the field that says it. */
const sayingFields = { adLine: 'text', extra: 'text', slotWord: 'says', masterLine: 'text' } as const;
type Saying = keyof typeof sayingFields;

/** A line that states a value, and what it says with the new one. */
export interface StatingLine {
  record: Saying;
  id: string;
  before: string;
  after: string;
}

const boundary = (text: string) => new RegExp(`(?<![\\p{L}\\p{N}])${escapePattern(text)}(?![\\p{L}\\p{N}]|[.,]\\d)`, 'giu');

/** The ways in which a date is written in lines, longest first. */
function datesOf(date: string, language: string): string[] {
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  const at = new Date(Date.UTC(year, month - 1, day));
  const styles: Intl.DateTimeFormatOptions[] = [
    { day: 'numeric', month: 'long', year: 'numeric' },
    { day: 'numeric', month: 'short', year: 'numeric' },
    { day: 'numeric', month: 'long' },
    { day: 'numeric', month: 'short' },
  ];
  const locales = [...new Set([language, 'en-GB', 'en-US'])];
  return locales.flatMap((locale) => styles.map((style) => new Intl.DateTimeFormat(locale, { ...style, timeZone: 'UTC' }).format(at)));
}

/** Every form of the old value with the same form of the new one; the longest first, so that none is cut. */
function formsOf(view: PlanView, from: StatedValue, to: StatedValue): [string, string][] {
  if (from.kind === 'text' && to.kind === 'text') return [[from.text, to.text]];
  if (from.kind === 'price' && to.kind === 'price') {
    const languages = [
      ...new Set([
        ...inOrder(view.snapshot.campaign).map((campaign) => firstLanguage(view, campaign)),
        firstLanguage(view, undefined),
        'en',
      ]),
    ];
    const write = (minor: number) =>
      languages.flatMap((language) => [false, true].map((whole) => writePrice(minor, view.account.currency, language, whole)));
    const [old, fresh] = [write(from.minor), write(to.minor)];
    return old.map((text, index) => [text, fresh[index]!]);
  }
  if (from.kind === 'date' && to.kind === 'date') {
    const language = firstLanguage(view, undefined);
    const [old, fresh] = [datesOf(from.date, language), datesOf(to.date, language)];
    return old.map((text, index) => [text, fresh[index]!]);
  }
  return [];
}

/** Lines of ads, extras and slot words, and the lines of the masters that the plan's ads were made from. */
function textsOf(snapshot: Snapshot): { record: Saying; id: string; text: string }[] {
  const used = new Set([...snapshot.ad.values()].map(({ masterName }) => masterName));
  const masters = inOrder(snapshot.master).filter(({ name }) => used.has(name));
  return [
    ...inOrder(snapshot.adLine).map(({ id, text }) => ({ record: 'adLine' as const, id, text })),
    ...inOrder(snapshot.extra).map(({ id, text }) => ({ record: 'extra' as const, id, text })),
    ...inOrder(snapshot.slotWord).map(({ id, says }) => ({ record: 'slotWord' as const, id, text: says })),
    ...masters.flatMap((master) =>
      childrenOf(snapshot.masterLine, 'masterId', master.id).map(({ id, text }) => ({ record: 'masterLine' as const, id, text })),
    ),
  ];
}

/** Lines of ads, extras, slot words and masters that state the old value, with the new one in its place. */
export function findStating(view: PlanView, from: StatedValue, to: StatedValue): StatingLine[] {
  const forms = formsOf(view, from, to)
    .filter(([old, fresh]) => old.trim() !== '' && old !== fresh)
    .sort((a, b) => b[0].length - a[0].length);
  return textsOf(view.snapshot).flatMap(({ record, id, text }) => {
    const after = forms.reduce((line, [old, fresh]) => line.replace(boundary(old), () => fresh), text);
    return after === text ? [] : [{ record, id, before: text, after }];
  });
}

/** The change that mends such lines in one stream, in one step: the plan's own, or the masters of the workspace; null where it has none. */
export function mendStating(lines: readonly StatingLine[], stream: 'plan' | 'workspace' = 'plan'): Change | null {
  const changes = lines
    .filter(({ record }) => recordTypes[record].stream === stream)
    .map(({ record, id, before, after }): SimpleChange => {
      const field = sayingFields[record];
      return { type: 'set', record, ids: [id], fields: { [field]: after }, was: { [field]: before } };
    });
  return changes.length === 0 ? null : { type: 'several', name: 'fact-changed', changes };
}
