import { languageWords } from '$lib/core/keywords/stems';
import { judgements, type Judgement, type TermFigures } from '$lib/core/terms/judge-term';
import { planOwnGroup, proposeName, type OwnGroup } from '$lib/core/terms/own-group';
import { readTerms, sumJudgedOn, type Term, type TermsRead } from '$lib/core/terms/read-terms';
import {
  blockEverywhere,
  blockInGroups,
  keepExact,
  keepInGroup,
  putOff,
  TermVerdicts,
  type TermsJudged,
} from '$lib/core/terms/term-verdicts';
import { wordsByCost, type WordByCost } from '$lib/core/terms/words-by-cost';
import { first } from '$lib/core/text/first-letter';
import { countsEnquiries, firstLanguage } from '$lib/core/view/plan-view';
import { conversionWords } from '$lib/wording/terms';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';

/** A line of the list: the head of a judgement, or a term. */
export type TermLine =
  { kind: 'head'; judgement: Judgement | 'unjudged'; count: number; sum: TermFigures } | { kind: 'term'; term: Term; index: number };

/** What is done with terms by a key. */
export type TermAct = 'exact' | 'here' | 'everywhere' | 'wait';

/** The search terms of a plan: what is shown, where the cursor is, and which are to become a group of their own. */
export class TermsState {
  /** The word whose terms are shown; empty: all. */
  wordKey = $state('');
  holds = $state('');
  /** Whether those that are decided are left out. */
  isOpenOnly = $state(false);
  current = $state(0);
  /** Terms of the group of their own, by text. */
  ticked = $state.raw<ReadonlySet<string>>(new Set());
  /** The name that was typed for it; null: as proposed. */
  typedName = $state<string | null>(null);
  own = $state({ isPhraseToo: false, landingPage: '' });

  private kept: { deps: readonly unknown[]; read: TermsRead } | null = null;
  /** Read again only where something it looks at has changed. */
  readonly read: TermsRead = $derived.by(() => {
    const { plan, today } = this.planState;
    const { report, reportRow, group, lead } = plan.snapshot;
    const deps = [report, reportRow, group, lead, plan.brief, plan.house, today];
    if (!this.kept?.deps.every((one, at) => one === deps[at])) this.kept = { deps, read: readTerms(plan, today) };
    return this.kept!.read;
  });
  readonly verdicts = $derived.by(() => new TermVerdicts(this.planState.plan));
  readonly words: readonly WordByCost[] = $derived.by(() =>
    wordsByCost(this.read.terms, languageWords(firstLanguage(this.planState.plan, undefined)), this.read.affordableMinor),
  );
  readonly word: WordByCost | null = $derived.by(() => this.words.find(({ key }) => key === this.wordKey) ?? null);

  private readonly filtered: readonly Term[] = $derived.by(() => {
    const wanted = this.holds.trim().toLowerCase();
    const of = this.word?.terms ?? this.read.terms;
    return of.filter(
      (term) =>
        (wanted === '' || term.text.includes(wanted)) && (!this.isOpenOnly || this.isTicked(term) || this.verdicts.of(term) === null),
    );
  });
  /** Heads and terms, by judgement, most cost first. */
  readonly lines: readonly TermLine[] = $derived.by(() => {
    let index = 0;
    return ([...judgements, 'unjudged'] as const).flatMap((judgement): TermLine[] => {
      const own = this.filtered.filter(({ judged }) => (judged?.judgement ?? 'unjudged') === judgement);
      if (own.length === 0) return [];
      return [
        { kind: 'head', judgement, count: own.length, sum: sumJudgedOn(own) },
        ...own.map((term): TermLine => ({ kind: 'term', term, index: index++ })),
      ];
    });
  });
  readonly shown: readonly Term[] = $derived.by(() => this.lines.flatMap((line) => (line.kind === 'term' ? [line.term] : [])));
  readonly term: Term | null = $derived.by(() => this.shown[Math.min(this.current, this.shown.length - 1)] ?? null);
  readonly chosen: readonly Term[] = $derived.by(() => this.read.terms.filter((term) => this.isTicked(term)));
  readonly name = $derived.by(() => this.typedName ?? first(proposeName(this.chosen)));
  /** The group that the ticked terms would become; null: none is ticked, or nobody knows which group answered them. */
  readonly ownGroup: OwnGroup | null = $derived.by(() => {
    const { plan } = this.planState;
    const { affordableMinor, terms } = this.read;
    const fallback = this.chosen[0] ? this.verdicts.groupOf(this.chosen[0]) : null;
    return planOwnGroup(plan, terms, { terms: this.chosen, name: this.name, ...this.own }, { affordableMinor, newId, fallback });
  });

  /** What is counted, as it is called. */
  readonly names = $derived.by(() => conversionWords(countsEnquiries(this.planState.plan.brief.goal), this.read.judgedBy));

  constructor(readonly planState: PlanState) {}

  /** What is judged at once: of the chosen word, else of the judgement at hand, what is not decided yet. */
  get together(): readonly Term[] {
    const of = this.word?.terms ?? this.shown.filter(({ judged }) => judged?.judgement === this.term?.judged?.judgement);
    return of.filter((term) => this.verdicts.of(term) === null && !this.isTicked(term));
  }

  isTicked({ text }: Term): boolean {
    return this.ticked.has(text);
  }

  move(by: number): void {
    this.current = Math.max(0, Math.min(this.shown.length - 1, this.current + by));
  }

  /** Where the cursor is among the lines. */
  get line(): number {
    return this.lines.findIndex((line) => line.kind === 'term' && line.index === Math.min(this.current, this.shown.length - 1));
  }

  tick(term: Term): void {
    const next = new Set(this.ticked);
    if (!next.delete(term.text)) next.add(term.text);
    if (this.ticked.size === 0) this.beginOwn();
    this.ticked = next;
  }

  private beginOwn(): void {
    this.typedName = null;
    this.own = { isPhraseToo: false, landingPage: '' };
  }

  pickWord(key: string): void {
    this.wordKey = this.wordKey === key ? '' : key;
    this.current = 0;
  }

  /** Does something with terms, one step; null where it was refused. */
  act(act: TermAct, terms: readonly Term[]): TermsJudged | null {
    const { plan } = this.planState;
    switch (act) {
      case 'exact':
        return this.make(keepExact(plan, this.verdicts, terms, newId));
      case 'here':
        return this.make(blockInGroups(plan, this.verdicts, terms, newId));
      case 'everywhere':
        return this.make(blockEverywhere(plan, terms, newId));
      case 'wait':
        return this.make(putOff(plan, terms));
    }
  }

  keepIn(groupId: string, terms: readonly Term[]): TermsJudged | null {
    const group = this.planState.snapshot.group.get(groupId);
    return group ? this.make(keepInGroup(this.planState.plan, group, terms, newId)) : null;
  }

  private make(judged: TermsJudged): TermsJudged | null {
    return judged.change && this.planState.make(judged.change) ? null : judged;
  }

  /** Makes the group of its own, one step; answers its name, or null where it was refused. */
  makeOwnGroup(): string | null {
    const own = this.ownGroup;
    if (!own || this.planState.make(own.change)) return null;
    this.ticked = new Set();
    return own.name;
  }
}
