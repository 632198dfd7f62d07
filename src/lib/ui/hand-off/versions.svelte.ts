import type { SavedVersion, RowDifference } from '$lib/core/store/compare-snapshots';
import type { PlanState } from '../state/plan-state.svelte';

/** What differs between two versions; `against` null is the plan as it stands. */
export interface Comparison {
  from: number;
  against: number | null;
  count: number;
  rows: RowDifference[];
}

/** The versions kept of the plan that is open, and what differs between two of them. */
export class Versions {
  list = $state.raw<SavedVersion[] | null>(null);
  comparison = $state.raw<Comparison | null>(null);
  failure = $state('');

  constructor(private readonly planState: PlanState) {}

  /** Reads the list. */
  load = () =>
    this.try(async () => {
      this.list = ((await (await this.ask('GET')).json()) as { versions: SavedVersion[] }).versions;
    });

  /** Keeps the plan as it stands; what waits is sent first. */
  keep = (name: string) =>
    this.try(async () => {
      await this.planState.flush();
      await this.ask('POST', '', { name });
      await this.load();
    });

  rename = (id: number, name: string) =>
    this.try(async () => {
      await this.ask('PATCH', `/${id}`, { name });
      await this.load();
    });

  /** Removes a version for good. */
  remove = (id: number) =>
    this.try(async () => {
      await this.ask('DELETE', `/${id}`);
      if (this.comparison?.from === id || this.comparison?.against === id) this.comparison = null;
      await this.load();
    });

  /** Compares a version with a later one, or with the plan as it stands. */
  compare = (from: number, against: number | null) =>
    this.try(async () => {
      await this.planState.flush();
      const response = await this.ask('GET', `/${from}${against === null ? '' : `?against=${against}`}`);
      this.comparison = { from, against, ...((await response.json()) as Pick<Comparison, 'count' | 'rows'>) };
    });

  /** Brings the plan back to a version; the step can be undone. */
  goBack = (id: number) =>
    this.try(async () => {
      await this.planState.goToVersion(id);
      if (this.comparison) await this.compare(this.comparison.from, this.comparison.against);
    });

  private async ask(method: string, path = '', body?: object): Promise<Response> {
    const headers = { 'content-type': 'application/json' };
    const response = await fetch(`/api/plans/${encodeURIComponent(this.planState.planId)}/versions${path}`, {
      method,
      ...(body && { headers, body: JSON.stringify(body) }),
    });
    if (!response.ok) throw new Error(((await response.json()) as { message?: string }).message ?? 'The server did not take it.');
    return response;
  }

  private async try(work: () => Promise<void>): Promise<void> {
    this.failure = '';
    try {
      await work();
    } catch (error) {
      this.failure = error instanceof Error ? error.message : String(error);
    }
  }
}
