import { FindIndex } from '$lib/core/finds/find-index';
import { applyEdits } from '$lib/core/store/snapshot';
import type { Change } from '$lib/core/store/changes';
import { decide } from '$lib/core/store/decide';
import type { BroughtIn } from '$lib/core/finds/incoming-finds';
import { incomingPack } from '$lib/core/finds/incoming-schemas';
import { mergeFinds } from '$lib/core/finds/merge-finds';
import { snapshotOfFile, cleanFile, viewOf } from './clean-plan';

/** A plan state on a snapshot alone: changes are decided and shown, nothing is sent. */
export class StateOnSnapshot {
  snapshot = snapshotOfFile(cleanFile);
  made: Change[] = [];
  readonly planId = 'plan';
  readonly currency = 'GBP';
  readonly today = '2026-12-21';
  private readonly findIndex = new FindIndex();
  private cameIn = 0;

  get whole() {
    return this.snapshot;
  }

  get plan() {
    return viewOf(this.snapshot);
  }

  get finds() {
    this.findIndex.update(this.snapshot.find);
    return this.findIndex;
  }

  make(made: Change) {
    const decision = decide(this.snapshot, made, 'plan');
    if (!decision.ok) return decision.refusal;
    this.made.push(made);
    this.snapshot = applyEdits(this.snapshot, decision.edits);
    return null;
  }

  /** Takes finds as they travel to the server. */
  async bringIn(body: Blob): Promise<BroughtIn> {
    const [, ...packs] = (await body.text()).trim().split('\n');
    const incoming = packs.flatMap((pack) => incomingPack.parse(JSON.parse(pack)));
    const { change, ...counts } = mergeFinds(this.plan, incoming, { key: '', name: 'finds-fetched', newId: () => `in-${++this.cameIn}` });
    if (change) this.make(change);
    return { revision: 0, ...counts };
  }

  add(record: never, ...rows: never[]) {
    return this.make({ type: 'add', record, rows });
  }

  set(record: never, id: string, fields: Record<string, unknown>) {
    return this.make({ type: 'set', record, ids: [id], fields });
  }
}
