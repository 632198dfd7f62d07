import { copyAds } from '$lib/core/groups/new-rows';
import { childrenOf } from '$lib/core/store/snapshot';
import { minorDigits } from '$lib/core/money/money';
import { isLastNet, pageDomain, pageGroups, pagesOfDomain, rulesOf } from '$lib/core/pages/campaign-pages';
import { explainPage } from '$lib/core/pages/explain-page';
import { notYetOff, type OffProposal } from '$lib/core/pages/propose-left-out';
import { addPageGroups, moveRule, switchLastNet, type NewPageGroup } from '$lib/core/pages/page-group-changes';
import { fieldsOf, foldersOf, pathOf } from '$lib/core/pages/site-pages';
import { keepPagesApart, overlapsOf, type PageOverlap } from '$lib/core/pages/page-overlaps';
import { mainWords, pageWords, type PageWord } from '$lib/core/pages/page-words';
import { firstLanguage } from '$lib/core/view/plan-view';
import { labelColumns } from '$lib/core/pages/read-feed';
import { writeCondition } from '$lib/core/records/condition-text';
import type { Campaign, PagesOff } from '$lib/core/records/campaign';
import type { Group } from '$lib/core/records/group';
import type { SitePage } from '$lib/core/records/site-page';
import { clicksOfGroups } from '$lib/core/terms/clicks-of-groups';
import { offWords } from '$lib/wording/pages';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';
import { PagesReader } from './pages-reader.svelte';

/** Which pages the list below the rules shows. */
export type PagesShown = 'all' | 'rule' | 'left-out' | 'nobody' | 'changed';

/** Pages of one folder that no rule takes. */
export interface FolderOfNobody {
  path: string;
  count: number;
}

const mostFolders = 40;
const mostWords = 9;

/** A campaign's groups that are driven by pages: its rules, where every page goes, and what is at hand. */
export class PagesState {
  readonly reader = new PagesReader();
  /** The rule at hand, by its group. */
  currentId = $state('');
  /** Whether the rule at hand is being changed. */
  isEditing = $state(false);
  shown = $state<PagesShown>('all');
  holds = $state('');
  /** The address of which it is asked where it goes. */
  typed = $state('');

  readonly campaign: Campaign | null = $derived.by(() => this.campaignOf());
  readonly groups: readonly Group[] = $derived.by(() => (this.campaign ? pageGroups(this.planState.plan, this.campaign) : []));
  readonly rules = $derived.by(() => rulesOf(this.groups));
  readonly pagesOff: readonly PagesOff[] = $derived.by(() => this.campaign?.pagesOff ?? []);
  readonly domain = $derived.by(() => (this.campaign ? pageDomain(this.planState.plan, this.campaign) : ''));
  readonly pages: readonly SitePage[] = $derived.by(() => pagesOfDomain(this.planState.snapshot, this.domain));
  readonly digits = $derived.by(() => minorDigits(this.planState.currency));
  readonly fields = $derived.by(() => fieldsOf(this.pages));
  /** The few values that columns of labels have, those of most pages first, by column. */
  readonly labels: ReadonlyMap<string, readonly string[]> = $derived.by(
    () =>
      new Map(
        labelColumns(this.pages).map(({ name, values }) => [
          name,
          [...values].sort(([, one], [, other]) => other - one).map(([value]) => value),
        ]),
      ),
  );
  readonly clicks = $derived.by(() => clicksOfGroups(this.planState.plan));
  readonly hasNet = $derived.by(() => this.rules.some(({ when }) => isLastNet(when)));
  readonly group: Group | null = $derived.by(() => this.groups.find(({ id }) => id === this.currentId) ?? this.groups[0] ?? null);
  readonly at = $derived.by(() => (this.group ? this.groups.indexOf(this.group) : -1));

  /** Where pages go, as far as it is worked out for these pages; null before. */
  readonly sorted = $derived.by(() => {
    const { sorted } = this.reader;
    return sorted && sorted.pages === this.pages ? sorted : null;
  });

  /** How many pages are in a group, left out, nobody's. */
  readonly counts = $derived.by(() => {
    const { sorted } = this;
    const [out, nobody] = [sorted?.excluded.length ?? 0, sorted?.nobody.length ?? 0];
    return { all: this.pages.length, inGroups: sorted ? this.pages.length - out - nobody : 0, out, nobody };
  });

  /** What is proposed as left out. */
  proposedOff = $state.raw<readonly OffProposal[]>([]);
  /** The same without what is left out already. */
  readonly newOff: readonly OffProposal[] = $derived.by(() => notYetOff(this.proposedOff, this.pagesOff));
  /** Pages of the rule at hand that rules further down would take too, in words: `all in 2`. */
  readonly also: readonly string[] = $derived.by(() => {
    const { sorted, at, group } = this;
    const catches = sorted?.rules[at]?.catches.length ?? 0;
    if (!sorted || catches === 0) return [];
    return sorted.rules.flatMap(({ shares }, rule) => {
      const shared = shares.find(({ name }) => name === group?.name)?.pages.length ?? 0;
      return shared === 0 || isLastNet(this.rules[rule]?.when ?? '')
        ? []
        : [shared === catches ? `${rule + 1} (all)` : `${rule + 1} (${shared})`];
    });
  });

  /** The pages that no rule takes, by their first folders, most first. */
  readonly foldersOfNobody: readonly FolderOfNobody[] = $derived.by(() => {
    const counts = new Map<string, number>();
    for (const page of this.sorted?.nobody ?? []) {
      const path = `/${foldersOf(this.pages[page]!.address)[0] ?? ''}`;
      counts.set(path, (counts.get(path) ?? 0) + 1);
    }
    return [...counts]
      .map(([path, count]) => ({ path, count }))
      .sort((a, b) => b.count - a.count)
      .slice(0, mostFolders);
  });

  /** The pages that are shown below the rules, by index. */
  readonly listed: readonly number[] = $derived.by(() => {
    const { sorted, shown, pages } = this;
    const wanted = this.holds.trim().toLowerCase();
    const of =
      shown === 'rule'
        ? (sorted?.rules[this.at]?.catches ?? [])
        : shown === 'left-out'
          ? (sorted?.excluded ?? [])
          : shown === 'nobody'
            ? (sorted?.nobody ?? [])
            : pages.keys();
    return [...of].filter((at) => {
      const page = pages[at]!;
      if (shown === 'changed' && page.change === 'same') return false;
      return wanted === '' || `${pathOf(page.address)} ${page.title} ${page.text}`.toLowerCase().includes(wanted);
    });
  });
  /** The main words of the pages that are shown. */
  readonly words: readonly PageWord[] = $derived.by(() =>
    mainWords(
      this.listed.map((at) => this.pages[at]!),
      firstLanguage(this.planState.plan, this.campaign ?? undefined),
      mostWords,
    ),
  );

  /** The words that tell a page apart from the others. */
  readonly wordsOf = $derived.by(() => pageWords(this.pages, firstLanguage(this.planState.plan, this.campaign ?? undefined)));

  /** Groups of keywords that answer the same searches as the group at hand. */
  readonly overlaps: readonly PageOverlap[] = $derived.by(() => {
    const { campaign, group, pages, sorted, at } = this;
    return campaign && group && sorted
      ? overlapsOf(this.planState.plan, campaign, { group, pages, catches: sorted.rules[at]!.catches })
      : [];
  });

  /** Where the typed address goes, and why; null while none is typed. */
  readonly explained = $derived.by(() =>
    this.typed.trim() === '' ? null : explainPage(this, this.typed, { rules: this.rules, pagesOff: this.pagesOff, digits: this.digits }),
  );

  constructor(
    readonly planState: PlanState,
    private readonly campaignOf: () => Campaign | null,
  ) {}

  /** Keeps the worker told of pages and rules; to be called in an effect each. */
  tellPages(): void {
    this.reader.tell(this.pages, this.domain, this.digits);
    void this.reader.leftOut().then((proposed) => (this.proposedOff = proposed));
  }
  tellRules(): void {
    // Asked again when the pages are others.
    if (this.pages.length >= 0) this.reader.sort(this.rules, this.pagesOff);
  }

  /** Goes up or down the rules. */
  move(by: number): void {
    const next = this.groups[Math.min(this.groups.length - 1, Math.max(0, this.at + by))];
    if (next) this.go(next.id);
  }

  go(id: string): void {
    if (id !== this.currentId) this.isEditing = false;
    this.currentId = id;
  }

  /** Has the rule at hand read sooner or later; answers whether it moved. */
  shift(by: -1 | 1): boolean {
    const change = this.group && moveRule(this.planState.snapshot, this.groups, this.group.id, by);
    return change ? this.planState.make(change) === null : false;
  }

  /** Makes groups of pages and goes to the first. */
  add(groups: readonly NewPageGroup[]): void {
    if (!this.campaign) return;
    const { change, ids } = addPageGroups(this.planState.snapshot, this.campaign.id, groups, newId);
    if (this.planState.make(change)) return;
    this.go(ids[0] ?? '');
  }

  /** Makes a group of a folder's pages. */
  addFolder(path: string): void {
    const name = path.slice(1).replace(/[-_]+/g, ' ') || 'Home page';
    this.add([
      {
        name: name.slice(0, 1).toUpperCase() + name.slice(1),
        when: writeCondition({ field: 'address', is: path === '/' ? 'equals' : 'begins', value: path === '/' ? `${this.domain}` : path }),
      },
    ]);
  }

  remove(id: string): void {
    this.move(this.at === this.groups.length - 1 ? -1 : 1);
    this.planState.make({ type: 'remove', record: 'group', ids: [id] });
  }

  setNet(isOn: boolean): void {
    if (this.campaign) this.planState.make(switchLastNet(this.planState.snapshot, this.campaign.id, isOn, newId));
  }

  /** Leaves pages out, or no longer. */
  setOff(pagesOff: readonly PagesOff[]): void {
    if (this.campaign)
      this.planState.make({
        type: 'several',
        name: 'pages-left-out',
        changes: [{ type: 'set', record: 'campaign', ids: [this.campaign.id], fields: { pagesOff: [...pagesOff] } }],
      });
  }

  /** Leaves out all that is proposed. */
  leaveOutProposed(): void {
    this.setOff([...this.pagesOff, ...this.newOff.map(({ reason, when }) => ({ name: offWords[reason].name, when }))]);
  }

  leaveOut(name: string, when: string): void {
    if (this.pagesOff.every((one) => one.when !== when)) this.setOff([...this.pagesOff, { name, when }]);
  }

  /** Groups of the campaign without an ad. */
  readonly withoutAd: readonly Group[] = $derived.by(() =>
    this.groups.filter(({ id }) => childrenOf(this.planState.snapshot.ad, 'groupId', id).length === 0),
  );

  /** Gives every group without an ad those of the group at hand. */
  copyAdToOthers(): void {
    const { group, planState } = this;
    if (!group) return;
    const changes = this.withoutAd.flatMap(({ id }) => copyAds(planState.snapshot, group.id, id, newId));
    if (changes.length > 0) planState.make({ type: 'several', name: 'ad-added', changes });
  }

  /** Leaves the searches that a group of keywords answers too to it. */
  keepApart({ group, keywords }: PageOverlap): void {
    this.planState.make({ type: 'several', name: 'kept-apart', changes: [keepPagesApart(this.planState.plan, group, keywords, newId)] });
  }

  /** Leaves out all pages of a folder. */
  leaveOutFolder(path: string): void {
    this.leaveOut(`All of ${path}`, writeCondition({ field: 'address', is: 'begins', value: path }));
  }

  /** Where a page goes, in words: the rule by its number and name, why it is left out, or nobody's. */
  goesTo(page: number): { number: number | null; text: string; tone: 'rule' | 'out' | 'nobody' } {
    const to = this.sorted?.goesTo[page] ?? -1;
    if (to >= 0) return { number: to + 1, text: this.groups[to]?.name ?? '', tone: 'rule' };
    if (to === -1) return { number: null, text: 'nobody’s', tone: 'nobody' };
    return { number: null, text: `left out: ${this.pagesOff[-2 - to]?.name.toLowerCase() ?? ''}`, tone: 'out' };
  }
}
