import { FindIndex } from '$lib/core/keywords/find-index';
import { applyEdits } from '$lib/core/plan/book';
import type { Change } from '$lib/core/plan/changes';
import { decide } from '$lib/core/plan/decide';
import type { BroughtIn } from '$lib/core/research/incoming-finds';
import { incomingPack } from '$lib/core/research/incoming-schemas';
import { mergeFinds } from '$lib/core/research/merge-finds';
import { bookOfFile, cleanFile, viewOf } from './clean-plan';

/** A desk on a book alone: changes are decided and shown, nothing is sent. */
export class BookDesk {
  book = bookOfFile(cleanFile);
  made: Change[] = [];
  readonly planId = 'plan';
  readonly currency = 'GBP';
  readonly today = '2026-12-21';
  private readonly findIndex = new FindIndex();
  private cameIn = 0;

  get plan() {
    return viewOf(this.book);
  }

  get finds() {
    this.findIndex.update(this.book.find);
    return this.findIndex;
  }

  make(made: Change) {
    const decision = decide(this.book, made, 'plan');
    if (!decision.ok) return decision.refusal;
    this.made.push(made);
    this.book = applyEdits(this.book, decision.edits);
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
