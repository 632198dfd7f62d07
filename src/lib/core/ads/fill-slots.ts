import { applyCase, applySpellings, letterCases, type LetterCase } from '../text/letter-case';
import { units } from '../text/text-length';
import { isPlainLine, parseSlots, type ParsedLine, type Segment, type SlotSegment } from './parse-slots';

/** The name of the live slot, which the network fills when the ad is shown. */
export const liveSlot = 'keyword';
/** Plan slots that every plan has; a brief may define more. */
export const builtInSlots = ['group', 'place', 'client', 'offer', 'price'] as const;

/** The live slot of a line as typed; `undefined` where it has none. */
export const liveSlotOf = (source: string): SlotSegment | undefined =>
  parseSlots(source).segments.find((part): part is SlotSegment => part.kind === 'slot' && part.name === liveSlot);

/** What is wrong with the slots of a line. `at` is a UTF-16 index in the line as typed. */
export interface SlotProblem {
  code:
    | 'unclosed-slot'
    | 'nested-too-deep'
    | 'unknown-slot'
    | 'unknown-case'
    | 'live-without-fallback'
    | 'second-live-slot'
    | 'live-in-fallback'
    | 'value-missing'
    | 'value-too-long'
    | 'fallback-too-long'
    | 'line-too-long';
  at?: number;
  data: Record<string, string | number>;
}

/** Where a line stands: a plain line, a path or an address, in which values are joined. */
export type LineKind = 'line' | 'path' | 'address';

/** All that filling a line needs. */
export interface FillContext {
  limit: number;
  /** The campaign's first language (BCP 47). */
  language: string;
  /** Values of plan slots by slot name; a missing or blank one is missing. */
  values: Readonly<Record<string, string>>;
  /** Spellings that win over any case in plan slots' values. */
  always?: readonly string[];
  kind?: LineKind;
  /** What spaces of a value become in a path or address. */
  joiner?: string;
}

/** A line with its plan slots filled: fixed text around at most one live slot. */
export interface FilledLine {
  before: string;
  live: { fallback: string; letterCase: LetterCase | null; at: number } | null;
  after: string;
  /** What each plan slot became, by where it begins in the line as typed; slots within fallbacks are not listed. */
  slots: ReadonlyMap<number, string>;
  /** What filled each plan slot, by its name: `fallback` where any that stands in the line fell back, or stayed empty. */
  plan: ReadonlyMap<string, 'value' | 'fallback'>;
  problems: SlotProblem[];
}

/** A value as it stands in a path or an address: spaces joined, in an address percent-encoded. */
export function joinValue(value: string, { kind = 'line', joiner = '-' }: FillContext): string {
  if (kind === 'line') return value;
  const joined = value.trim().replace(/\p{White_Space}+/gu, joiner);
  return kind === 'address' ? encodeURIComponent(joined) : joined;
}

const isCase = (name: string | null): name is LetterCase => letterCases.some((known) => known === name);
const caseOf = (slot: SlotSegment): LetterCase | null => (isCase(slot.caseName) ? slot.caseName : null);

class LineFiller {
  readonly problems: SlotProblem[] = [];
  private readonly filled = new Map<SlotSegment, string>();
  private readonly plan = new Map<string, 'value' | 'fallback'>();
  private live: SlotSegment | null = null;

  constructor(
    private readonly segments: Segment[],
    private readonly context: FillContext,
  ) {}

  fill(): FilledLine {
    this.check(this.segments, false);
    this.fillPlanSlots(this.segments);
    const at = this.live ? this.segments.indexOf(this.live) : this.segments.length;
    const live = this.live && {
      fallback: this.assume(this.live.fallback ?? []),
      letterCase: caseOf(this.live),
      at: this.live.at,
    };
    const after = this.live ? this.assume(this.segments.slice(at + 1)) : '';
    const slots = new Map(
      this.segments.flatMap((part) => (part.kind === 'slot' && part !== this.live ? [[part.at, this.assume([part])] as const] : [])),
    );
    return { before: this.assume(this.segments.slice(0, at)), live, after, slots, plan: this.plan, problems: this.problems };
  }

  private report(code: SlotProblem['code'], slot: SlotSegment, data: SlotProblem['data'] = {}): void {
    this.problems.push({ code, at: slot.at, data: { slot: slot.name, ...data } });
  }

  private isKnown(name: string): boolean {
    return name === liveSlot || builtInSlots.some((known) => known === name) || Object.hasOwn(this.context.values, name);
  }

  private check(segments: readonly Segment[], inFallback: boolean): void {
    for (const slot of segments) {
      if (slot.kind === 'text') continue;
      if (!this.isKnown(slot.name)) this.report('unknown-slot', slot);
      if (slot.caseName !== null && !isCase(slot.caseName)) this.report('unknown-case', slot, { case: slot.caseName });
      if (slot.name === liveSlot) this.checkLive(slot, inFallback);
      this.check(slot.fallback ?? [], true);
    }
  }

  private checkLive(slot: SlotSegment, inFallback: boolean): void {
    if (inFallback) this.report('live-in-fallback', slot);
    else if (this.live) this.report('second-live-slot', slot);
    else this.live = slot;
    if (!slot.fallback) this.report('live-without-fallback', slot);
  }

  /** The text with every slot not yet filled counted as its fallback, or as nothing. */
  private assume(segments: readonly Segment[]): string {
    return segments
      .map((part) => (part.kind === 'text' ? part.text : (this.filled.get(part) ?? this.assume(part.fallback ?? []))))
      .join('');
  }

  /** Left to right; a value is taken where the whole line then fits. */
  private fillPlanSlots(segments: readonly Segment[]): void {
    for (const slot of segments) {
      if (slot.kind === 'text') continue;
      if (slot.name === liveSlot) this.fillPlanSlots(slot.fallback ?? []);
      else this.fillPlanSlot(slot);
    }
  }

  private fillPlanSlot(slot: SlotSegment): void {
    const value = this.valueOf(slot);
    if (value !== null) {
      this.filled.set(slot, value);
      if (units(this.assume(this.segments)) <= this.context.limit) {
        if (!this.plan.has(slot.name)) this.plan.set(slot.name, 'value');
        return;
      }
      this.plan.set(slot.name, 'fallback');
      if (!slot.fallback) return this.report('value-too-long', slot, { value, limit: this.context.limit });
      this.filled.delete(slot);
    } else if (this.isKnown(slot.name)) this.plan.set(slot.name, 'fallback');
    if (slot.fallback) this.fillPlanSlots(slot.fallback);
    else if (this.isKnown(slot.name)) this.report('value-missing', slot);
  }

  private valueOf(slot: SlotSegment): string | null {
    const { values, language, always = [] } = this.context;
    const raw = Object.hasOwn(values, slot.name) ? (values[slot.name] ?? '').trim() : '';
    if (raw === '') return null;
    return joinValue(applySpellings(applyCase(raw, caseOf(slot), language), always), this.context);
  }
}

const noSlots: FilledLine['slots'] = new Map();
const noPlan: FilledLine['plan'] = new Map();

let last: { source: string; parsed: ParsedLine } | null = null;

/** A line taken apart; the same one is asked for in group after group. */
function parseAgain(source: string): ParsedLine {
  if (last?.source !== source) last = { source, parsed: parseSlots(source) };
  return last.parsed;
}

/** Fills the plan slots of a line (rules §3) and finds what is wrong with its slots. */
export function fillPlanSlots(source: string, context: FillContext): FilledLine {
  if (isPlainLine(source)) return { before: source, live: null, after: '', slots: noSlots, plan: noPlan, problems: [] };
  const { segments, problems } = parseAgain(source);
  const filled = new LineFiller(segments, context).fill();
  const all: SlotProblem[] = [...problems.map((problem) => ({ ...problem, data: {} })), ...filled.problems];
  return { ...filled, problems: all.sort((a, b) => (a.at ?? 0) - (b.at ?? 0)) };
}
