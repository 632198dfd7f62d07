import type { Find } from '$lib/core/records/find';
import { linesOfFinds, type BroughtIn } from '$lib/core/finds/incoming-finds';
import type { NamedPlace } from '$lib/core/places/found-place';
import type { Lexicon } from '$lib/core/research/lexicon';
import { LexiconKeeper } from '$lib/core/research/lexicon-keeper';
import type { IncomingFind } from '$lib/core/finds/merge-finds';
import type { VerdictProposal } from '$lib/core/research/propose-verdict';
import { keysOf } from '../shell/research-keys';
import { askServer } from '../state/ask-server';
import { asReached } from '../state/market-asking.svelte';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';
import { columnsOf, findList, type SetUpColumn } from './find-columns';
import { FindFigures } from './find-figures.svelte';
import { FindReader } from './find-reader.svelte';
import { Judging } from './judging.svelte';
import { LookedUp } from './looked-up.svelte';
import { FindList } from './find-list.svelte';
import { ToldNames } from './told-names.svelte';
import { WordState } from './word-state.svelte';

/** Everything that the chapter Research works on: the list, what is read out of it, and the ways to judge. */
export class ResearchState {
  readonly figures: FindFigures;
  readonly list: FindList;
  /** The words of the finds, and the ways to judge them. */
  readonly words: WordState;
  readonly judging: Judging;
  readonly names: ToldNames;
  readonly lookedUp: LookedUp;
  /** Towns and regions that finds name, as the place data knows them. */
  places = $state.raw<readonly NamedPlace[]>([]);
  /** Words of this plan by their kind, for the finds in sight. */
  readonly lexicon: Lexicon = $derived.by(() => this.lexicons.of(this.planState.plan, this.places));
  private readonly lexicons = new LexiconKeeper();
  /** Words of the finds that may be names of places. */
  readonly candidates = $derived.by(() => this.reader.answer.candidates ?? []);
  /** Texts of the finds. */
  readonly texts: ReadonlySet<string> = $derived.by(() => new Set(this.list.all.map(({ text }) => text)));
  readonly left: readonly Find[] = $derived.by(() => this.list.all.filter(({ verdict }) => verdict === 'open'));
  constructor(
    readonly planState: PlanState,
    readonly reader = new FindReader(),
  ) {
    this.words = new WordState(planState, reader, () => planState.finds);
    this.names = new ToldNames(planState, reader);
    this.figures = new FindFigures(planState);
    this.list = new FindList(planState, {
      proposalOf: this.proposalOf,
      knows: this.reader.knows,
      holders: (key) => this.words.known.holders(key),
      isRead: () => this.reader.isRead,
    });
    const { proposalOf } = this;
    this.judging = new Judging(planState, this.list, { proposalOf, lexicon: () => this.lexicon, ownTowns: () => this.ownTowns });
    this.lookedUp = new LookedUp(() =>
      Array.from(this.reader.unclear, (id) => planState.snapshot.find.get(id)).filter((find) => find !== undefined),
    );
  }

  /** The plan's towns by name. */
  readonly ownTowns: readonly string[] = $derived.by(() =>
    this.figures.places.flatMap(({ excluded, kind, name }) => (!excluded && kind === 'city' ? [name] : [])),
  );

  proposalOf = (find: Find): VerdictProposal => this.reader.proposalOf(find);

  /** The key of each action, as the freelancer chose it. */
  readonly keys = $derived.by(() => keysOf(this.planState.workspace.snapshot));
  /** Columns of the list, as the freelancer set them up. */
  readonly columns: readonly SetUpColumn[] = $derived.by(() => columnsOf(this.planState.workspace.snapshot.listSetup.get(findList)));

  readonly isSetUp = $derived.by(() => this.planState.workspace.snapshot.listSetup.has(findList));

  /** Sets columns up, for all plans; null: as they ship. */
  setUpColumns(columns: readonly SetUpColumn[] | null): void {
    const { workspace } = this.planState;
    const isSetUp = workspace.snapshot.listSetup.has(findList);
    if (columns === null) {
      if (isSetUp) workspace.make({ type: 'remove', record: 'listSetup', ids: [findList] });
    } else if (isSetUp) workspace.set('listSetup', findList, { columns: [...columns] });
    else workspace.add('listSetup', { id: findList, columns: [...columns] });
  }

  /** Has the finds read again; to be called when they, the plan, or what is asked of them changes. */
  readAgain(): void {
    const { planState, places, list, words } = this;
    const pages = this.lookedUp.evidence;
    const { length, by, byKind } = words;
    const asked = { length, verdict: list.verdict, by, byKind, word: list.wordKey };
    this.reader.read({ snapshot: planState.plan.snapshot, planId: planState.planId, places, pages, words: asked });
  }

  /** Ends the reading. */
  close(): void {
    this.reader.close();
  }

  /** Asks which words are names of places; answers how to leave it. */
  askPlaces(): () => void {
    const words = this.candidates;
    const places = this.figures.places.map((place) => ({ ...asReached(place), name: place.name }));
    if (words.length === 0) return () => undefined;
    let isLeft = false;
    const timer = setTimeout(async () => {
      try {
        const { places: named } = await askServer<{ places: NamedPlace[] }>('/api/places/named', { words, places });
        if (!isLeft) this.places = named;
      } catch {
        // Without names of places all is read as before.
      }
    }, 200);
    return () => {
      isLeft = true;
      clearTimeout(timer);
    };
  }

  /** Brings in finds that were fetched, one step; of the same text the last. Throws with what the server says where it does not take them. */
  bringIn(incoming: readonly IncomingFind[]): Promise<BroughtIn> {
    const byText = new Map(incoming.map((one) => [one.text, one]));
    const head = { id: newId(), key: this.figures.key, name: 'finds-fetched' as const };
    return this.planState.bringIn(new Blob([...linesOfFinds(head, byText.values())]));
  }
}
