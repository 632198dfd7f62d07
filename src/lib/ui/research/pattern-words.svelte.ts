import type { PatternList } from '$lib/core/records/pattern-list';
import { addedWords, businessOf } from '$lib/core/research/patterns';
import { firstLanguage } from '$lib/core/view/plan-view';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';

const mostAdded = 500;

/** The lines of a text that say something, each once. */
export const linesOf = (text: string) => [
  ...new Set(
    text
      .split(/\r\n|\r|\n/)
      .map((line) => line.trim())
      .filter(Boolean),
  ),
];

/** What people add to what a business sells, to make finds of patterns: as it ships, as it was kept, as it is typed. */
export class PatternWords {
  typed = $state('');
  readonly list: readonly string[] = $derived.by(() => linesOf(this.typed));

  constructor(private readonly planState: PlanState) {
    this.typed = this.current.added.join('\n');
  }

  /** What people add to what this business sells, in this language: as it was kept, else as it ships. */
  get current(): { kept: PatternList | null; added: readonly string[] } {
    const { plan, workspace } = this.planState;
    const [business, language] = [businessOf(plan), firstLanguage(plan, undefined)];
    const lists = workspace ? [...workspace.snapshot.patternList.values()] : [];
    const kept = lists.find((list) => list.business === business && list.language === language) ?? null;
    return { kept, added: kept?.added ?? addedWords(business, language) };
  }

  /** Whether what is added was edited since it was kept. */
  readonly isEdited: boolean = $derived.by(() => this.list.join('\n') !== this.current.added.join('\n'));

  /** Keeps what people add for every plan of such a business in this language. */
  keep(): void {
    const { plan, workspace } = this.planState;
    const { kept } = this.current;
    const added = this.list.slice(0, mostAdded);
    if (kept) workspace.set('patternList', kept.id, { added });
    else workspace.add('patternList', { id: newId(), business: businessOf(plan), language: firstLanguage(plan, undefined), added });
  }

  /** Goes back to the list that ships. */
  forget(): void {
    const { kept } = this.current;
    const { plan, workspace } = this.planState;
    if (kept) workspace.make({ type: 'remove', record: 'patternList', ids: [kept.id] });
    this.typed = addedWords(businessOf(plan), firstLanguage(plan, undefined)).join('\n');
  }
}
