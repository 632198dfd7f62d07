import type { BlockReason, Find, Verdict } from '$lib/core/records/find';
import type { Group } from '$lib/core/records/group';
import {
  acceptProposals,
  blockedByAccepting,
  negativesMade,
  planAcceptance,
  rememberProposal,
  type Acceptance,
  type AcceptedGroup,
  type AcceptingSources,
  type MadeNegative,
} from '$lib/core/research/accept-proposals';
import { blockFinds, type BlockedFind } from '$lib/core/research/block-finds';
import { fileKeywords } from '$lib/core/research/file-keywords';
import { findFittingGroup, findOwnName } from '$lib/core/research/fitting-group';
import { KeptTexts } from '$lib/core/research/kept-texts';
import type { Lexicon } from '$lib/core/research/lexicon';
import type { VerdictProposal } from '$lib/core/research/propose-verdict';
import { findDemandOf } from '$lib/core/forecast/find-demand';
import { negativeFor } from '$lib/core/research/negative-for';
import { keepSwapped, swapPlace } from '$lib/core/research/swap-place';
import { wordsAgainst, type WordsAgainst } from '$lib/core/research/words-against';
import { wordsOf } from '$lib/core/keywords/words';
import { WordKinds } from '$lib/core/verdicts/word-kinds';
import { firstLanguage } from '$lib/core/view/plan-view';
import type { Change, SimpleChange } from '$lib/core/store/changes';
import { inOrder } from '$lib/core/store/snapshot';
import { freeGroupName, newGroup } from '$lib/core/groups/new-rows';
import { newCampaign } from '../settings/new-campaign';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';
import type { FindList } from './find-list.svelte';

/** What judging stands on beside the list. */
export interface JudgingSources {
  proposalOf: (find: Find) => VerdictProposal;
  lexicon: () => Lexicon;
  /** The plan's towns by name. */
  ownTowns: () => readonly string[];
}

/** What a judgement takes along. */
interface Judgement {
  reason?: BlockReason | null;
  before?: SimpleChange[];
  after?: SimpleChange[];
  /** What is blocked, with its words; as proposed where nothing is said. */
  blocked?: BlockedFind[];
}

/** The ways to give finds a verdict, each one step. */
export class Judging {
  /** Whether a block of a find makes all of it a negative, instead of the words that speak against it. */
  blocksWhole = $state(false);

  /** What no negative may block: kept finds, and keywords that are bid on. */
  private readonly kept: KeptTexts = $derived.by(() => {
    const texts: string[] = [];
    for (const { text, verdict } of this.list.all) if (verdict === 'keep') texts.push(text);
    return new KeptTexts(texts, this.bidOn);
  });
  /** Read of its own, so that a verdict does not have twenty thousand keywords taken apart. */
  private readonly keywords = $derived.by(() => this.planState.snapshot.keyword);
  private readonly bidOn = $derived.by(() => new KeptTexts(Array.from(this.keywords.values(), ({ text }) => text)));

  /** What the shipped lists say, whatever is sold. */
  private readonly kinds = $derived.by(() => new WordKinds(this.language, 'service'));
  private readonly language = $derived.by(() => firstLanguage(this.planState.plan, undefined));
  private readonly proposalOf: JudgingSources['proposalOf'];
  private readonly lexicon: JudgingSources['lexicon'];
  private readonly ownTowns: JudgingSources['ownTowns'];

  constructor(
    private readonly planState: PlanState,
    private readonly list: FindList,
    { proposalOf, lexicon, ownTowns }: JudgingSources,
  ) {
    this.proposalOf = proposalOf;
    this.lexicon = lexicon;
    this.ownTowns = ownTowns;
  }

  /** Gives the chosen finds a verdict; answers how many. */
  judge(verdict: Verdict, { reason = null }: { reason?: BlockReason | null } = {}): number {
    const { chosen } = this.list;
    if (chosen.length === 0) return 0;
    this.list.goOn();
    this.judgeFinds(chosen, verdict, { reason });
    return chosen.length;
  }

  /** The words of a find that a block may be for, in their order; the first nine have a key. */
  wordsAgainst(find: Find): WordsAgainst[] {
    return wordsAgainst(find.text, this.lexicon(), this.kinds);
  }

  /** Blocks the chosen finds for some of the current one's words; those that do not hold them by what else speaks against them. Answers how many. */
  blockFor({ text, reason }: WordsAgainst): number {
    const { chosen } = this.list;
    if (chosen.length === 0) return 0;
    this.list.goOn();
    const finds = chosen.map((find) => ({ find, reason, negative: this.negativeBy(find, text) ?? this.negativeFor(find) }));
    this.planState.make(this.judgement(chosen, 'block', { blocked: finds }));
    return chosen.length;
  }

  /** Gives finds a verdict, one step. */
  judgeFinds(finds: readonly Find[], verdict: Verdict, { reason = null }: { reason?: BlockReason | null } = {}): void {
    this.planState.make(this.judgement(finds, verdict, { reason }));
  }

  private judgement(
    finds: readonly Find[],
    verdict: Verdict,
    { reason = null, before = [], after = [], blocked: given }: Judgement = {},
  ): Change {
    const ids = finds.map(({ id }) => id as string);
    const proposed = finds.map((find) => ({
      id: find.id as string,
      proposed: find.verdict === 'open' ? rememberProposal(this.proposalOf(find)) : find.proposed,
    }));
    const blocked = () =>
      given ?? finds.map((find) => ({ find, reason: reason ?? this.proposalOf(find).reason ?? 'other', negative: this.negativeFor(find) }));
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

  /** The negative that blocking a find would make. */
  negativeFor(find: Find): string {
    if (this.blocksWhole) return find.text;
    const { verdict, because } = this.proposalOf(find);
    return (verdict === 'block' ? this.negativeBy(find, because) : null) ?? find.text;
  }

  /** The negative for some words of a find, wider where something kept holds them; null where it does not hold them. */
  private negativeBy({ text }: Find, words: string): string | null {
    return ` ${wordsOf(text).join(' ')} `.includes(` ${words} `) ? negativeFor(text, words, this.kept.without(text), this.isCore) : null;
  }

  private readonly isCore = (word: string): boolean => this.lexicon().kindOf(word) === 'core';

  /** Whether a find that is still open may turn out to be wanted: no negative made meanwhile may block it. */
  private isOnTopic(find: Find): boolean {
    const { verdict } = this.proposalOf(find);
    return (
      verdict !== 'block' &&
      this.lexicon()
        .read(find.text)
        .some(({ kind }) => kind === 'core')
    );
  }

  /** What accepting proposals would do. */
  planAcceptance(atLeast: number): Acceptance {
    return planAcceptance(
      this.list.all.filter(({ verdict }) => verdict === 'open'),
      this.proposalOf,
      atLeast,
    );
  }

  /** The negatives that accepting would make, those that stop most first. */
  negativesOf(groups: readonly AcceptedGroup[]): (group: AcceptedGroup) => MadeNegative[] {
    const byFind = new Map(blockedByAccepting(groups, this.accepting(groups)).map((blocked) => [blocked.find, blocked]));
    const demand = findDemandOf(this.planState.plan);
    const costOf = (find: Find) => demand.of(find).costMinor;
    return ({ finds }) =>
      negativesMade(
        finds.flatMap((find) => byFind.get(find) ?? []),
        costOf,
      );
  }

  /** Accepts proposals, one step. */
  accept(groups: readonly AcceptedGroup[]): void {
    const change = acceptProposals(this.planState.snapshot, groups, this.accepting(groups));
    if (change) this.planState.make(change);
  }

  private accepting(groups: readonly AcceptedGroup[]): AcceptingSources {
    const taken = new Set(groups.flatMap(({ finds }) => finds));
    const open = this.list.all.filter((find) => find.verdict === 'open' && !taken.has(find) && this.isOnTopic(find));
    const kept = new KeptTexts(
      open.map(({ text }) => text),
      this.kept,
    );
    return { proposalOf: this.proposalOf, kept, isCore: this.isCore, newId };
  }

  /** The other town that a find names, its distance, and the nearest of our towns, which can be put in its stead; null where there is none. */
  swappedTo(find: Find): { from: string; km: number | null; to: string } | null {
    const named = this.lexicon()
      .read(find.text)
      .find(({ kind }) => kind === 'other-place');
    const place = named && this.lexicon().places.get(named.text);
    const to = place?.nearest || this.ownTowns()[0];
    return named && to !== undefined ? { from: named.text, km: place?.km ?? null, to } : null;
  }

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

  /** Puts a served place in for another town in the chosen finds; what stands there already is joined. Answers how many. */
  swap(finds: readonly Find[], from: string, to: string): number {
    const change = swapPlace(this.planState.snapshot, finds, { from, to });
    if (!change) return 0;
    this.planState.make(change);
    return finds.length;
  }
}
