import { recordsOf } from '$lib/core/records/record-types';
import { emptySnapshot, type Snapshot } from '$lib/core/store/snapshot';

/** Rows of a plan and of the workspace in one snapshot. */
export function joinSnapshots(workspace: Snapshot, plan: Snapshot): Snapshot {
  const own = Object.fromEntries(recordsOf('workspace').map((record) => [record, workspace[record]]));
  return { ...emptySnapshot(), ...plan, ...own } as Snapshot;
}
