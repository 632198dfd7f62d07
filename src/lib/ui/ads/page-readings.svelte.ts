import type { ReadPage } from '$lib/core/pages/page-text';
import { askServer } from '../state/ask-server';

/** A page as it was read, or why it was not. */
export type PageReading = { state: 'reading' } | { state: 'read'; page: ReadPage } | { state: 'failed'; why: string };

/** Pages read in this sitting, by address: read when asked for, and again on wish. */
class PageReadings {
  private byAddress = $state.raw<ReadonlyMap<string, PageReading>>(new Map());

  of(address: string): PageReading | null {
    return this.byAddress.get(address) ?? null;
  }

  async read(address: string): Promise<void> {
    if (this.of(address)?.state === 'reading') return;
    this.put(address, { state: 'reading' });
    try {
      this.put(address, { state: 'read', page: await askServer<ReadPage>('/api/pages', { address }) });
    } catch (error) {
      this.put(address, { state: 'failed', why: error instanceof Error ? error.message : 'It could not be read.' });
    }
  }

  private put(address: string, reading: PageReading): void {
    this.byAddress = new Map(this.byAddress).set(address, reading);
  }
}

/** The pages of this sitting. */
export const pageReadings = new PageReadings();
