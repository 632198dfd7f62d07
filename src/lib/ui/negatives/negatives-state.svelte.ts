import type { AuditedNegative, FewerNegatives } from '$lib/core/research/negative-audit';
import { readNegatives } from '$lib/core/research/standing-lists';
import { writeKeyword } from '$lib/core/keywords/read-keyword';
import type { Negative } from '$lib/core/records/negative';
import { blank } from '$lib/core/records/record-types';
import type { SimpleChange } from '$lib/core/store/changes';
import { inOrder, nextPosition } from '$lib/core/store/snapshot';
import type { PlanState } from '../state/plan-state.svelte';
import { keepList, keptListOf } from '../state/kept-lists';
import { newId } from '../state/synced-store.svelte';
import { levelOf } from './negative-origin';

/** Which negatives are shown beside those of a level. */
export type NegativesShown = 'all' | 'hurting' | 'covered' | 'idle';

export interface NegativeRow {
  negative: Negative;
  /** Null until it is read. */
  audit: AuditedNegative | null;
}

/** Whom negatives are of: `plan`, or the id of a campaign or of a group. */
export type NegativeLevel = string;

const idOfLevel = ({ campaignId, groupId }: Negative): NegativeLevel => groupId ?? campaignId ?? 'plan';

/** All negatives of a plan: what each blocks and hurts, those chosen, and what is done with many. */
export class NegativesState {
  /** Empty: of every level. */
  level = $state<NegativeLevel>('');
  holds = $state('');
  shown = $state<NegativesShown>('all');
  chosen = $state.raw<ReadonlySet<string>>(new Set());
  openedId = $state('');
  fewer = $state.raw<FewerNegatives | null>(null);
  problem = $state('');
  private audits = $state.raw<ReadonlyMap<string, AuditedNegative>>(new Map());
  isRead = $state(false);

  readonly all: readonly NegativeRow[] = $derived.by(() =>
    inOrder(this.planState.snapshot.negative).map((negative) => ({ negative, audit: this.audits.get(negative.id) ?? null })),
  );
  readonly rows: readonly NegativeRow[] = $derived.by(() => {
    const holds = this.holds.trim().toLowerCase();
    return this.all.filter(
      ({ negative, audit }) =>
        (this.level === '' || idOfLevel(negative) === this.level) && negative.text.includes(holds) && this.isShown(audit),
    );
  });
  readonly counts = $derived({
    hurting: this.all.filter(({ audit }) => this.isHurting(audit)).length,
    covered: this.all.filter(({ audit }) => audit?.coveredBy != null).length,
  });
  /** Levels that have negatives, and all campaigns; for choosing. */
  readonly levels = $derived.by(() => {
    const { snapshot } = this.planState;
    const used = new Set(this.all.map(({ negative }) => negative.groupId as string | null));
    return [
      { value: 'plan', name: 'the whole plan' },
      ...inOrder(snapshot.campaign).flatMap(({ id, name }) => [
        { value: id as string, name },
        ...inOrder(snapshot.group)
          .filter((group) => group.campaignId === id && used.has(group.id))
          .map((group) => ({ value: group.id as string, name: `· ${group.name}` })),
      ]),
    ];
  });
  /** The chosen ones, of those that are shown. */
  readonly chosenRows: readonly NegativeRow[] = $derived(this.rows.filter(({ negative }) => this.chosen.has(negative.id)));

  constructor(readonly planState: PlanState) {}

  /** Has all negatives read; what came meanwhile is read the next time. */
  async read(): Promise<void> {
    const audits = await this.planState.reader.ask('negatives', {});
    this.audits = new Map(audits.map((audit) => [audit.id, audit]));
    this.isRead = true;
  }

  isHurting = (audit: AuditedNegative | null): boolean => audit !== null && audit.keptTexts.length + audit.keywordIds.length > 0;

  private isShown(audit: AuditedNegative | null): boolean {
    if (this.shown === 'hurting') return this.isHurting(audit);
    if (this.shown === 'covered') return audit?.coveredBy != null;
    return this.shown === 'all' || (audit !== null && audit.finds === 0);
  }

  toggle(id: string): void {
    const next = new Set(this.chosen);
    if (!next.delete(id)) next.add(id);
    this.chosen = next;
  }

  /** Chooses all that are shown, or none of them where all are. */
  toggleAll(): void {
    const ids = this.rows.map(({ negative }) => negative.id as string);
    const areAll = ids.length > 0 && ids.every((id) => this.chosen.has(id));
    this.chosen = new Set(areAll ? [...this.chosen].filter((id) => !ids.includes(id)) : [...this.chosen, ...ids]);
  }

  /** Adds negatives as they are typed or pasted, with any marks, to the level that is shown, else to the plan; answers how many were new. */
  add(lines: readonly string[]): number {
    const owner = this.ownerOf(this.level || 'plan');
    const standing = this.writtenAt(owner);
    let position = nextPosition(this.planState.snapshot.negative.values());
    const rows = readNegatives(lines, this.planState.plan.rules.refusedKeywordSigns)
      .filter(({ text, match }) => !standing.has(writeKeyword(text, match)))
      .map((listed) => blank('negative', { id: newId(), ...owner, ...listed, position: position++ }));
    if (rows.length > 0) this.planState.add('negative', ...rows);
    return rows.length;
  }

  /** Moves the chosen ones to another level, one step; those that stand there already leave. Answers how many went. */
  moveTo(level: NegativeLevel): number {
    const owner = this.ownerOf(level);
    const standing = this.writtenAt(owner);
    const moving: string[] = [];
    const leaving: string[] = [];
    for (const { negative } of this.chosenRows) {
      if (idOfLevel(negative) === level) continue;
      const written = writeKeyword(negative.text, negative.match);
      (standing.has(written) ? leaving : moving).push(negative.id);
      standing.add(written);
    }
    const changes: SimpleChange[] = [];
    if (leaving.length > 0) changes.push({ type: 'remove', record: 'negative', ids: leaving });
    if (moving.length > 0) changes.push({ type: 'set', record: 'negative', ids: moving, fields: owner });
    if (changes.length === 0 || this.planState.make({ type: 'several', name: 'negatives-moved', changes })) return 0;
    this.chosen = new Set();
    return moving.length + leaving.length;
  }

  remove(ids: readonly string[]): void {
    if (ids.length > 0) this.planState.make({ type: 'remove', record: 'negative', ids: [...ids] });
    this.chosen = new Set();
  }

  /** Takes out all that others cover, one step; answers how many. */
  removeCovered(): number {
    const ids = this.all.flatMap(({ negative, audit }) => (audit?.coveredBy != null ? [negative.id as string] : []));
    if (ids.length === 0) return 0;
    const change: SimpleChange = { type: 'remove', record: 'negative', ids };
    return this.planState.make({ type: 'several', name: 'negatives-tidied', changes: [change] }) ? 0 : ids.length;
  }

  /** Looks for fewer negatives that block the same finds as the chosen ones, which have to be of one level. */
  async findFewer(): Promise<void> {
    const levels = new Set(this.chosenRows.map(({ negative }) => idOfLevel(negative)));
    this.problem = levels.size > 1 ? 'Choose negatives of one level: a smaller set has to stand where they do.' : '';
    this.fewer =
      levels.size === 1
        ? await this.planState.reader.ask('fewer-negatives', { ids: this.chosenRows.map(({ negative }) => negative.id) })
        : null;
  }

  /** Puts the smaller set in the place of the chosen ones, one step. */
  takeFewer(): void {
    const [first] = this.chosenRows;
    if (!this.fewer || !first) return;
    const { campaignId, groupId } = first.negative;
    const ids = this.chosenRows.map(({ negative }) => negative.id as string);
    const standing = this.writtenAt({ campaignId, groupId }, new Set(ids));
    let position = nextPosition(this.planState.snapshot.negative.values());
    const rows = this.fewer.negatives
      .filter(({ text, match }) => !standing.has(writeKeyword(text, match)))
      .map((proposed) => blank('negative', { id: newId(), campaignId, groupId, ...proposed, position: position++ }));
    const changes: SimpleChange[] = [{ type: 'remove', record: 'negative', ids }];
    if (rows.length > 0) changes.push({ type: 'add', record: 'negative', rows });
    if (this.planState.make({ type: 'several', name: 'negatives-tidied', changes })) return;
    [this.chosen, this.fewer] = [new Set(), null];
  }

  /** Keeps the chosen ones as a list for all clients; answers what is wrong, or an empty text. */
  keepAs(name: string): string {
    if (keptListOf(this.planState, 'negatives', name)) return `A list “${name}” is kept already.`;
    const lines = this.chosenRows.map(({ negative }) => writeKeyword(negative.text, negative.match));
    keepList(this.planState, 'negatives', name, [...new Set(lines)]);
    return '';
  }

  levelName = (negative: Negative): string => levelOf(this.planState.snapshot, negative);

  private ownerOf(level: NegativeLevel): Pick<Negative, 'campaignId' | 'groupId'> {
    const { campaign, group } = this.planState.snapshot;
    return {
      campaignId: campaign.get(level as Negative['campaignId'] & string)?.id ?? null,
      groupId: group.get(level as Negative['groupId'] & string)?.id ?? null,
    };
  }

  private writtenAt(
    { campaignId, groupId }: Pick<Negative, 'campaignId' | 'groupId'>,
    without: ReadonlySet<string> = new Set(),
  ): Set<string> {
    const there = this.all.filter(({ negative }) => negative.campaignId === campaignId && negative.groupId === groupId);
    return new Set(there.flatMap(({ negative: { id, text, match } }) => (without.has(id) ? [] : [writeKeyword(text, match)])));
  }
}
