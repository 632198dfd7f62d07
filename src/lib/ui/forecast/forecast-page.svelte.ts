import { untrack } from 'svelte';
import type { ForecastQuestion, ForecastQuestions } from '$lib/core/forecast/forecast-answers';
import { setOneBid } from '$lib/core/forecast/plan-changes';
import { conversionNoun } from '$lib/core/forecast/worth';
import { changeOf, type Remedy } from '$lib/core/forecast/what-helps';
import type { Scope } from '$lib/core/forecast/plan-model';
import type { Change } from '$lib/core/store/changes';
import { inOrder } from '$lib/core/store/snapshot';
import { newId } from '../state/synced-store.svelte';
import type { PlanState } from '../state/plan-state.svelte';

type Answer<Kind extends ForecastQuestion> = ForecastQuestions[Kind]['answer'];

/** The chapter Forecast: what was answered last of the plan or the part that is chosen. */
export class ForecastPage {
  curve = $state.raw<Answer<'curve'> | null>(null);
  year = $state.raw<Answer<'year'> | null>(null);
  helps = $state.raw<Answer<'helps'> | null>(null);
  shares = $state.raw<Answer<'shares'> | null>(null);
  scenarios = $state.raw<Answer<'scenarios'>>(new Map());
  /** Whether charts are shown as tables. */
  showsTables = $state(false);
  readonly noun: string = $derived.by(() => conversionNoun(this.planState.plan));
  /** The day from which the twelve months run: the first campaign's start, the brief's, or today. */
  readonly startsOn: string = $derived.by(() => {
    const { snapshot, plan, today } = this.planState;
    const [first] = inOrder(snapshot.campaign).flatMap(({ startsOn }) => (startsOn === null ? [] : [startsOn]));
    return first ?? plan.brief.startsOn ?? today;
  });

  constructor(
    readonly planState: PlanState,
    readonly scope: () => Scope,
  ) {}

  /** Asks for all that is shown; to be called when the forecast was read again or another part is chosen. */
  askAgain(): () => void {
    const { forecast } = this.planState;
    const [scope, startsOn] = [this.scope(), this.startsOn];
    void forecast.version;
    let isGone = false;
    const ask = async <Kind extends ForecastQuestion>(
      kind: Kind,
      question: ForecastQuestions[Kind]['question'],
      take: (answer: Answer<Kind>) => void,
    ) => {
      const answer = await forecast.ask(kind, question);
      if (!isGone && answer !== null) take(answer);
    };
    untrack(() => {
      void ask('curve', { scope }, (answer) => (this.curve = answer));
      void ask('year', { startsOn }, (answer) => (this.year = answer));
      void ask('shares', {}, (answer) => (this.shares = answer));
      void ask('scenarios', {}, (answer) => (this.scenarios = answer));
      void ask('helps', {}, (answer) => (this.helps = answer));
    });
    return () => (isGone = true);
  }

  /** Makes one bid stand for all keywords of the part; answers whether anything changed. */
  takeBid(bidMinor: number): boolean {
    return this.make(setOneBid(this.planState.plan, this.scope(), bidMinor));
  }

  /** Does what would help; answers whether anything changed. */
  async apply(remedy: Remedy): Promise<boolean> {
    const fed = new Set(remedy.kind === 'fed' ? await this.planState.forecast.ask('fed', {}) : []);
    return this.make(changeOf(this.planState.plan, remedy, { fed, newId }));
  }

  /** Makes a change that was offered; answers whether it was made. */
  make(change: Change | null): boolean {
    return change !== null && !this.planState.make(change);
  }
}
