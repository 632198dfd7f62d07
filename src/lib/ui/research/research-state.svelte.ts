import { inOrder } from '$lib/core/store/snapshot';
import type { Group } from '$lib/core/records/group';
import { fileKeywords } from '$lib/core/research/file-keywords';
import { findFittingGroup, findOwnName } from '$lib/core/research/fitting-group';
import type { Change, SimpleChange } from '$lib/core/store/changes';
import { blockFinds } from '$lib/core/research/block-finds';
import type { BlockReason, Find, Verdict } from '$lib/core/records/find';
import {
  acceptProposals,
  planAcceptance,
  rememberProposal,
  type Acceptance,
  type AcceptedGroup,
} from '$lib/core/research/accept-proposals';
import { linesOfFinds, type BroughtIn } from '$lib/core/finds/incoming-finds';
import { KeptTexts } from '$lib/core/research/kept-texts';
import type { Lexicon, NamedPlace } from '$lib/core/research/lexicon';
import { LexiconKeeper } from '$lib/core/research/lexicon-keeper';
import type { IncomingFind } from '$lib/core/finds/merge-finds';
import type { VerdictProposal } from '$lib/core/research/propose-verdict';
import type { ResultsPage } from '$lib/core/research/results-page';
import { shortestNegative } from '$lib/core/research/shortest-negative';
import { keepSwapped, swapPlace } from '$lib/core/research/swap-place';
import { freeGroupName, newGroup } from '../groups/make-groups';
import { newCampaign } from '../settings/new-campaign';
import { keysOf } from '../shell/research-keys';
import { askForLines, askServer } from '../state/ask-server';
import { asReached } from '../state/market-asking.svelte';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';
import { columnsOf, findList, type SetUpColumn } from './find-columns';
import { FindFigures } from './find-figures.svelte';
import { FindReader } from './find-reader.svelte';
import { FindList } from './find-list.svelte';
import { WordState } from './word-state.svelte';

const mostLookedUp = 300;

/** Everything that the chapter Research works on: the list, what is read out of it, and the ways to judge. */
export class ResearchState {
  readonly figures: FindFigures;
  readonly list: FindList;
  /** The words of the finds, and the ways to judge them. */
  readonly words: WordState;
  /** Towns and regions that finds name, as the place data knows them. */
  places = $state.raw<readonly NamedPlace[]>([]);
  /** What searches show, by text, as far as it was asked for. */
  pages = $state.raw<ReadonlyMap<string, ResultsPage>>(new Map());
  /** Those that proposals stand on: only what was looked up on purpose, so that no find moves while it is looked at. */
  private evidence = $state.raw<ReadonlyMap<string, ResultsPage>>(new Map());

  /** Words of this plan by their kind, for the finds in sight. */
  readonly lexicon: Lexicon = $derived.by(() => this.lexicons.of(this.planState.plan, this.places));
  private readonly lexicons = new LexiconKeeper();
  /** Words of the finds that may be names of places. */
  readonly candidates = $derived.by(() => this.reader.answer.candidates ?? []);
  /** Texts of the finds. */
  readonly texts: ReadonlySet<string> = $derived.by(() => new Set(this.list.all.map(({ text }) => text)));
  readonly left: readonly Find[] = $derived.by(() => this.list.all.filter(({ verdict }) => verdict === 'open'));
  /** What no negative may block: kept finds, and keywords that are bid on. */
  private readonly kept: KeptTexts = $derived.by(() => {
    const texts: string[] = [];
    for (const { text, verdict } of this.list.all) if (verdict === 'keep') texts.push(text);
    return new KeptTexts(texts, this.bidOn);
  });
  /** Read of its own, so that a verdict does not have twenty thousand keywords taken apart. */
  private readonly keywords = $derived.by(() => this.planState.snapshot.keyword);
  private readonly bidOn = $derived.by(() => new KeptTexts(Array.from(this.keywords.values(), ({ text }) => text)));

  constructor(
    readonly planState: PlanState,
    readonly reader = new FindReader(),
  ) {
    this.words = new WordState(planState, reader, () => planState.finds);
    this.figures = new FindFigures(planState);
    this.list = new FindList(planState, {
      proposalOf: this.proposalOf,
      knows: this.reader.knows,
      holders: (key) => this.words.known.holders(key),
      isRead: () => this.reader.isRead,
    });
  }

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
    const { planState, places, evidence: pages, list, words } = this;
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

  /** Asks what searches show, those that are not known yet. */
  async askResults(texts: readonly string[]): Promise<void> {
    const unknown = texts.filter((text) => !this.pages.has(text));
    if (unknown.length === 0) return;
    await askForLines('/api/market/results', { texts: unknown }, (line) => {
      const { pages } = line as { pages?: ResultsPage[] };
      if (pages) this.pages = new Map([...this.pages, ...pages.map((page) => [page.text, page] as const)]);
    });
  }

  /** Brings in finds that were fetched, one step; of the same text the last. Throws with what the server says where it does not take them. */
  bringIn(incoming: readonly IncomingFind[]): Promise<BroughtIn> {
    const byText = new Map(incoming.map((one) => [one.text, one]));
    const head = { id: newId(), key: this.figures.key, name: 'finds-fetched' as const };
    return this.planState.bringIn(new Blob([...linesOfFinds(head, byText.values())]));
  }

  /** Gives the chosen finds a verdict; answers how many. */
  judge(verdict: Verdict, { reason = null }: { reason?: BlockReason | null } = {}): number {
    const { chosen } = this.list;
    if (chosen.length === 0) return 0;
    this.list.goOn();
    this.judgeFinds(chosen, verdict, { reason });
    return chosen.length;
  }

  /** Gives finds a verdict, one step. */
  judgeFinds(finds: readonly Find[], verdict: Verdict, { reason = null }: { reason?: BlockReason | null } = {}): void {
    this.planState.make(this.judgement(finds, verdict, { reason }));
  }

  private judgement(
    finds: readonly Find[],
    verdict: Verdict,
    { reason = null, before = [], after = [] }: { reason?: BlockReason | null; before?: SimpleChange[]; after?: SimpleChange[] } = {},
  ): Change {
    const ids = finds.map(({ id }) => id as string);
    const proposed = finds.map((find) => ({
      id: find.id as string,
      proposed: find.verdict === 'open' ? rememberProposal(this.proposalOf(find)) : find.proposed,
    }));
    const blocked = () =>
      finds.map((find) => ({ find, reason: reason ?? this.proposalOf(find).reason ?? 'other', negative: this.negativeFor(find) }));
    return {
      type: 'several',
      name: 'finds-judged',
      changes: [
        ...before,
        { type: 'set-each', record: 'find', rows: proposed },
        ...(verdict === 'block' ? blockFinds(this.planState.snapshot, blocked(), newId) : [{ type: 'judge' as const, ids, verdict }]),
        ...after,
      ],
    };
  }

  /** Keeps the chosen finds in a group, one step; what stands in another group of its campaign is moved. Answers how many. */
  keepIn(groupId: string): number {
    const group = this.planState.snapshot.group.get(groupId);
    const { chosen } = this.list;
    if (!group || chosen.length === 0) return 0;
    this.list.goOn();
    const filed = chosen.map(({ text }) => ({ text, group }));
    this.planState.make(this.judgement(chosen, 'keep', { after: fileKeywords(this.planState.snapshot, filed, newId) }));
    return chosen.length;
  }

  /**
   * Keeps each of the chosen finds in its own fitting group, one step; those that fit none are left as they are, and chosen. The client's own
   * name gets a group of its own where it has none yet. Null: no find fits a group.
   */
  keepFitting(): { kept: number; groups: number; left: number } | null {
    const { plan } = this.planState;
    const { chosen } = this.list;
    const before: SimpleChange[] = [];
    let ofName: Group | null = null;
    const filed = chosen.flatMap((find) => {
      let group = findFittingGroup(plan, find.text) ?? null;
      const ownName = group ? null : findOwnName(plan, find.text);
      if (ownName !== null) group = ofName ??= this.newGroupFor(ownName, before);
      return group ? [{ find, text: find.text, group }] : [];
    });
    if (filed.length === 0) return null;
    const finds = filed.map(({ find }) => find);
    const left = chosen.filter((find) => !finds.includes(find));
    this.list.goOn();
    this.planState.make(this.judgement(finds, 'keep', { before, after: fileKeywords(this.planState.snapshot, filed, newId) }));
    if (left.length > 0) this.list.choose(left);
    return { kept: finds.length, groups: new Set(filed.map(({ group }) => group.id)).size, left: left.length };
  }

  /** Keeps the chosen finds in a group that is made on the way, and with it a campaign where there is none; answers how many. */
  keepInNew(name: string): number {
    const { chosen } = this.list;
    if (chosen.length === 0 || name.trim() === '') return 0;
    const before: SimpleChange[] = [];
    const group = this.newGroupFor(name.trim(), before);
    this.list.goOn();
    const filed = chosen.map(({ text }) => ({ text, group }));
    this.planState.make(this.judgement(chosen, 'keep', { before, after: fileKeywords(this.planState.snapshot, filed, newId) }));
    return chosen.length;
  }

  /** A new group in the first campaign; what makes it, and the campaign where there is none, goes before. */
  private newGroupFor(name: string, before: SimpleChange[]): Group {
    const { snapshot, plan } = this.planState;
    let campaignId = inOrder(snapshot.campaign)[0]?.id as string | undefined;
    if (campaignId === undefined) {
      campaignId = newId();
      before.push(...newCampaign(plan, campaignId, newId).changes);
    }
    const free = freeGroupName(snapshot, campaignId, name);
    const group = { ...newGroup(snapshot, campaignId, free, name.toLowerCase(), newId()), defaultMatch: plan.house.defaultMatch };
    before.push({ type: 'add', record: 'group', rows: [group] });
    return group;
  }

  /** Whether a block of a find makes all of it a negative, instead of the shortest words that block no kept find. */
  blocksWhole = $state(false);

  /** The negative that blocking a find would make. */
  negativeFor(find: Find): string {
    if (this.blocksWhole) return find.text;
    const { verdict, because } = this.proposalOf(find);
    return shortestNegative(find.text, this.kept.without(find.text), verdict === 'block' ? [because] : []);
  }

  /** What accepting proposals would do. */
  planAcceptance(atLeast: number): Acceptance {
    return planAcceptance(this.left, this.proposalOf, atLeast);
  }

  /** Accepts proposals, one step. */
  accept(groups: readonly AcceptedGroup[]): void {
    const change = acceptProposals(this.planState.snapshot, groups, { proposalOf: this.proposalOf, kept: this.kept, newId });
    if (change) this.planState.make(change);
  }

  /** The other town that a find names, its distance, and the nearest of our towns, which can be put in its stead; null where there is none. */
  swappedTo(find: Find): { from: string; km: number | null; to: string } | null {
    const named = this.lexicon.read(find.text).find(({ kind }) => kind === 'other-place');
    const place = named && this.lexicon.places.get(named.text);
    const to = place?.nearest || this.ownTowns[0];
    return named && to !== undefined ? { from: named.text, km: place?.km ?? null, to } : null;
  }

  /** The plan's towns by name. */
  readonly ownTowns: readonly string[] = $derived.by(() =>
    this.figures.places.flatMap(({ excluded, kind, name }) => (!excluded && kind === 'city' ? [name] : [])),
  );

  /** Keeps the chosen finds that name another town with one of ours in its stead, one step; answers how many. */
  keepSwapped(): number {
    const swaps = this.list.chosen.flatMap((find) => {
      const swap = this.swappedTo(find);
      return swap ? [{ find, ...swap }] : [];
    });
    const change = keepSwapped(this.planState.snapshot, swaps);
    if (!change) return 0;
    this.list.goOn();
    this.planState.make(change);
    return swaps.length;
  }

  /** Finds left of which neither words nor a results page say anything yet. */
  readonly unclear: readonly Find[] = $derived.by(() => {
    const finds = Array.from(this.reader.unclear, (id) => this.planState.snapshot.find.get(id));
    return finds.filter((find): find is Find => find?.verdict === 'open' && !this.evidence.has(find.text));
  });

  /** Looks up what unclear finds show, the most searched first; answers how many. */
  async lookUpUnclear(): Promise<number> {
    const texts = [...this.unclear]
      .sort((a, b) => (b.searchesHigh ?? 0) - (a.searchesHigh ?? 0))
      .slice(0, mostLookedUp)
      .map(({ text }) => text);
    await this.askResults(texts);
    this.evidence = new Map([
      ...this.evidence,
      ...texts.flatMap((text) => {
        const page = this.pages.get(text);
        return page ? [[text, page] as const] : [];
      }),
    ]);
    return texts.length;
  }

  /** Puts a served place in for another town in the chosen finds; what stands there already is joined. Answers how many. */
  swap(finds: readonly Find[], from: string, to: string): number {
    const change = swapPlace(this.planState.snapshot, finds, { from, to });
    if (!change) return 0;
    this.planState.make(change);
    return finds.length;
  }
}
