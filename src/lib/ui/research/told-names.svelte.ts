import type { NameMeaning, ToldName } from '$lib/core/records/told-name';
import type { NameMet } from '$lib/core/research/names';
import { toldOf } from '$lib/core/research/names';
import { nextPosition } from '$lib/core/store/snapshot';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';
import type { FindReader } from './find-reader.svelte';

/** Names in finds: those that nobody has told of, and what is told of them, for all plans of the client. */
export class ToldNames {
  /** Names that were told of, the last one first. */
  readonly told: readonly ToldName[] = $derived.by(() => toldOf(this.planState.plan).toReversed());
  /** Names nobody has told of, those that most finds hold first. */
  readonly open: readonly NameMet[] = $derived.by(() => {
    const told = new Set(this.told.map(({ word }) => word));
    return this.reader.answer.names.filter(({ word }) => !told.has(word));
  });

  constructor(
    private readonly planState: PlanState,
    private readonly reader: FindReader,
  ) {}

  /** Tells what a name is; a competitor stands among the Brief's rivals then. */
  tell(word: string, meaning: NameMeaning): void {
    const { planState } = this;
    const { workspace, snapshot } = planState;
    const known = this.told.find((one) => one.word === word);
    if (known) workspace.set('toldName', known.id, { meaning });
    else {
      const position = nextPosition(workspace.snapshot.toldName.values());
      workspace.add('toldName', { id: newId(), clientId: planState.plan.client.id, word, meaning, position });
    }
    const rival = this.rivalOf(word);
    if (meaning === 'competitor' && !rival)
      planState.add('briefItem', { id: newId(), kind: 'rival', text: word, position: nextPosition(snapshot.briefItem.values()) });
    if (meaning !== 'competitor' && known?.meaning === 'competitor' && rival)
      planState.make({ type: 'remove', record: 'briefItem', ids: [rival.id] });
  }

  /** Takes back what was told of a name: it is asked about again. */
  takeBack({ id, word, meaning }: ToldName): void {
    this.planState.workspace.make({ type: 'remove', record: 'toldName', ids: [id] });
    const rival = meaning === 'competitor' ? this.rivalOf(word) : undefined;
    if (rival) this.planState.make({ type: 'remove', record: 'briefItem', ids: [rival.id] });
  }

  private rivalOf(word: string) {
    return [...this.planState.snapshot.briefItem.values()].find(({ kind, text }) => kind === 'rival' && text === word);
  }
}
