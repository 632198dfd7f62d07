import { plainText } from '$lib/core/keywords/read-keyword';
import { fillPattern, type FilledPattern } from '$lib/core/groups/group-pattern';
import type { KeptList } from '$lib/core/records/kept-list';
import type { Master } from '$lib/core/records/master';
import { readNegatives } from '$lib/core/research/standing-lists';
import { childrenOf, inOrder } from '$lib/core/store/snapshot';
import { splitEntries } from '$lib/core/text/split-entries';
import { units } from '$lib/core/text/text-length';
import type { Campaign } from '$lib/core/records/campaign';
import type { MatchType } from '$lib/core/records/match-types';
import type { Built } from '$lib/core/keywords/file-by-words';
import type { BuildAnswer } from '$lib/workers/build.worker';
import type { PlanState } from '../state/plan-state.svelte';
import { keepList } from '../state/kept-lists';
import { newId } from '../state/synced-store.svelte';
import { makeProposal, type GroupToMake } from './make-groups';

/** A part of the pattern as it is typed: one value a line. */
export interface TypedPart {
  name: string;
  lines: string;
  optional: boolean;
}

/** A group as it will be built. */
export interface BuiltRow {
  name: string;
  fresh: string[];
  stand: number;
  others: string[];
  isOn: boolean;
  page: FilledPattern;
  path: FilledPattern;
  /** Its path has no room: the master's stays. */
  isPathLong: boolean;
}

/** Each keyword as phrase and as exact. */
export const bothMatches = 'phrase and exact';

const linesOf = (text: string) => text.split('\n').filter((line) => line.trim() !== '');

/** Keywords built from lists: the pattern as it is typed, what it makes, and its making in one step. */
export class BuildState {
  parts = $state<TypedPart[]>([
    { name: 'service', lines: '', optional: false },
    { name: 'for whom', lines: '', optional: true },
    { name: 'in place', lines: '', optional: true },
  ]);
  order = $state<'given' | 'every'>('given');
  groupBy = $state('service');
  never = $state('');
  filesOthers = $state(false);
  /** A match type, or both that most keywords have. */
  match = $state<MatchType | typeof bothMatches>('phrase');
  /** What new groups begin with: a pattern of their pages and of the first path, the part's names as slots; bid, negatives, ads. */
  page = $state('');
  path = $state('');
  bidMinor = $state<number | null>(null);
  negatives = $state('');
  /** A master's id, or none. */
  masterId = $state('');
  answer = $state.raw<BuildAnswer | null>(null);
  /** Groups that are left out, by name. */
  off = $state.raw<ReadonlySet<string>>(new Set());
  private worker: Worker | null = null;

  readonly built: Built | null = $derived(this.answer && 'built' in this.answer ? this.answer.built : null);
  /** The pattern on one line: service · for whom · in place. */
  readonly line: string = $derived(this.parts.map(({ name, optional }) => (optional ? `(${name})` : name)).join(' · '));
  /** Keywords to make by group; those that stand in the campaign already are no new ones. */
  readonly groups: readonly BuiltRow[] = $derived.by(() => {
    const standing = this.standing;
    const { planState } = this;
    const pathLimit = planState.plan.rules.formats.responsive.paths.limit;
    const of = ({ name, texts, others, values }: Built['groups'][number]): BuiltRow => ({
      name,
      page: fillPattern(this.page, { ...values, group: name }, { isAddress: true }),
      path: fillPattern(this.path, { ...values, group: name }, { isAddress: true }),
      isPathLong: units(fillPattern(this.path, { ...values, group: name }, { isAddress: true }).text) > pathLimit,
      fresh: texts.filter((text) => !standing.has(text)),
      stand: texts.filter((text) => standing.has(text)).length,
      others,
      isOn: !this.off.has(name),
    });
    const rest =
      this.built && this.built.rest.length > 0 ? [of({ name: this.restName, texts: this.built.rest, others: [], values: {} })] : [];
    return [...(this.built?.groups.map(of) ?? []), ...rest];
  });
  readonly totals = $derived.by(() => {
    const on = this.groups.filter(({ isOn }) => isOn);
    return {
      groups: on.filter(({ fresh, others }) => fresh.length + others.length > 0).length,
      keywords: on.reduce((sum, { fresh }) => sum + fresh.length, 0),
      filed: on.reduce((sum, { others }) => sum + others.length, 0),
    };
  });

  constructor(
    private readonly planState: PlanState,
    private readonly campaign: () => Campaign | null,
    private readonly ungrouped: () => readonly { text: string }[],
  ) {}

  /** Where no part groups: all together, under the first value of the first list. */
  private get restName(): string {
    return (
      linesOf(this.parts[0]?.lines ?? '')[0]
        ?.trim()
        .toLowerCase() ?? 'general'
    );
  }

  private get standing(): ReadonlySet<string> {
    const { snapshot } = this.planState;
    const groups = childrenOf(snapshot.group, 'campaignId', this.campaign()?.id ?? '');
    return new Set(groups.flatMap(({ id }) => childrenOf(snapshot.keyword, 'groupId', id).map(({ text }) => text)));
  }

  /** Has it built as it is typed now. */
  ask(): void {
    const others = this.filesOthers ? [...this.standing, ...this.ungrouped().map(({ text }) => text)] : [];
    const plain = (text: string) => plainText(text, this.planState.plan.rules.refusedKeywordSigns);
    const pattern = {
      parts: this.parts
        .map(({ name, lines, optional }) => ({ name, values: linesOf(lines).map(plain), optional }))
        .filter(({ values }) => values.length > 0),
      order: this.order,
      groupBy: this.groupBy,
    };
    this.worker ??= new Worker(new URL('../../workers/build.worker.ts', import.meta.url), { type: 'module' });
    this.worker.onmessage = ({ data }: MessageEvent<BuildAnswer>) => (this.answer = data);
    this.worker.postMessage({ pattern, neverTogether: [...linesOf(this.never), ...this.keptNever], others: [...others] });
  }

  close(): void {
    this.worker?.terminate();
    this.worker = null;
  }

  private get matches() {
    return this.match === bothMatches ? { match: 'phrase' as const, alsoMatch: 'exact' as const } : { match: this.match };
  }

  /** Lists of values that are kept for all clients. */
  get keptValues(): readonly KeptList[] {
    return inOrder(this.planState.workspace.snapshot.keptList).filter(({ kind }) => kind === 'values');
  }

  /** Words that never stand together, kept for all clients: one line each. */
  get keptNever(): readonly string[] {
    return this.neverList?.lines ?? [];
  }

  private get neverList(): KeptList | undefined {
    return inOrder(this.planState.workspace.snapshot.keptList).find(({ kind }) => kind === 'never-together');
  }

  /** Keeps a part's values under a name; a list of that name holds them from then on. */
  keepValues(name: string, lines: string): void {
    keepList(this.planState, 'values', name, linesOf(lines));
  }

  /** Keeps the lines of words that never stand together; they are left out in every plan. */
  keepNever(): void {
    keepList(this.planState, 'never-together', 'never together', [...new Set([...this.keptNever, ...linesOf(this.never)])]);
    this.never = '';
  }

  forgetNever(): void {
    if (this.neverList) this.planState.workspace.make({ type: 'remove', record: 'keptList', ids: [this.neverList.id] });
  }

  toggle(name: string): void {
    const off = new Set(this.off);
    if (!off.delete(name)) off.add(name);
    this.off = off;
  }

  /** Makes groups and keywords, one step; a group of the name that stands gets them. */
  make(): boolean {
    const campaign = this.campaign();
    if (!campaign) return false;
    const { snapshot } = this.planState;
    const negatives = readNegatives(splitEntries(this.negatives, 'commas'), this.planState.plan.rules.refusedKeywordSigns);
    const byName = new Map(childrenOf(snapshot.group, 'campaignId', campaign.id).map(({ id, name }) => [name.toLowerCase(), id as string]));
    const wanted = this.groups
      .filter(({ isOn, fresh, others }) => isOn && fresh.length + others.length > 0)
      .map(({ name, fresh, others, page, path, isPathLong }): GroupToMake => {
        const groupId = byName.get(name) ?? null;
        const own = groupId === null ? name : snapshot.group.get(groupId)!.name;
        const texts = [...fresh, ...others];
        const path1 = path.text === '' || isPathLong ? {} : { path1: path.text };
        return { groupId, name: own, theme: name, texts, landingPage: page.text, defaultBidMinor: this.bidMinor, negatives, ...path1 };
      });
    const { workspace } = this.planState;
    const master = workspace.snapshot.master.get(this.masterId as Master['id']);
    const ads = master ? { master, lines: childrenOf(workspace.snapshot.masterLine, 'masterId', master.id) } : 'copied';
    return this.planState.make(makeProposal(snapshot, campaign.id, wanted, { newId, ...this.matches, ads })) === null;
  }
}
