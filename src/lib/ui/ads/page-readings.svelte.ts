import { asReadPage, keepPage, seenPageOf } from '$lib/core/pages/seen-pages';
import type { ReadPage } from '$lib/core/pages/page-text';
import { nextPosition } from '$lib/core/store/snapshot';
import { askServer } from '../state/ask-server';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';

/** A page as it was read, or why it was not. */
export type PageReading = { state: 'reading' } | { state: 'read'; page: ReadPage } | { state: 'failed'; why: string };

/** Pages read in this sitting, by address: read when asked for, and again on wish. */
class PageReadings {
  private byAddress = $state.raw<ReadonlyMap<string, PageReading>>(new Map());

  of(address: string): PageReading | null {
    return this.byAddress.get(address) ?? null;
  }

  /** What is known of a page that ads lead to: as it is being read, else as it was kept with the plan. */
  ofPlan({ snapshot }: PlanState, address: string): PageReading | null {
    const reading = this.of(address);
    if (reading && reading.state !== 'read') return reading;
    const seen = seenPageOf(snapshot, address);
    return seen ? { state: 'read', page: asReadPage(seen) } : reading;
  }

  async read(address: string): Promise<ReadPage | null> {
    if (this.of(address)?.state === 'reading') return null;
    this.put(address, { state: 'reading' });
    try {
      const page = await askServer<ReadPage>('/api/pages', { address });
      this.put(address, { state: 'read', page });
      return page;
    } catch (error) {
      this.put(address, { state: 'failed', why: error instanceof Error ? error.message : 'It could not be read.' });
      return null;
    }
  }

  /** Reads a page that ads lead to, and keeps it with the plan: what it does not bear out becomes findings. */
  async readFor(planState: PlanState, address: string): Promise<void> {
    const page = await this.read(address);
    const fields = page && keepPage(page, address, planState.today);
    if (!fields) return;
    const known = seenPageOf(planState.snapshot, address);
    if (known) planState.make({ type: 'set', record: 'seenPage', ids: [known.id], fields });
    else planState.add('seenPage', { id: newId(), ...fields, position: nextPosition(planState.snapshot.seenPage.values()) });
  }

  private put(address: string, reading: PageReading): void {
    this.byAddress = new Map(this.byAddress).set(address, reading);
  }
}

/** The pages of this sitting. */
export const pageReadings = new PageReadings();
