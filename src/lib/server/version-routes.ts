import { json } from '@sveltejs/kit';
import * as z from 'zod';
import { compareSnapshots } from '$lib/core/store/compare-snapshots';
import { name } from '$lib/core/records/fields';
import type { Services } from './compose';
import { RequestRefused } from './outcome';
import { readJson } from './read-json';

/** What a version is called. */
export const versionName = z.strictObject({ name: name.max(200) });

const mostVersions = 1000;
const mostRows = 2000;

const noSuchVersion = () => new RequestRefused(404, 'no-such-version', 'There is no such version of this plan.', 'version');

/** The number of a version in an address. */
export function versionNumber(text: string | undefined): number {
  if (!text || !/^[1-9]\d{0,14}$/.test(text)) throw noSuchVersion();
  return Number(text);
}

/** The versions of a plan, the last one first. */
export function listVersions({ plans, writer }: Services, planId: string): Response {
  plans.requirePlan(planId);
  return json({ versions: writer.versions.list(planId) });
}

/** Keeps the plan as it stands, under a name. */
export async function keepVersion({ plans, writer }: Services, planId: string, request: Request): Promise<Response> {
  plans.getView(planId);
  const { name } = await readJson(request, versionName);
  if (writer.versions.list(planId).length >= mostVersions)
    throw new RequestRefused(409, 'too-many-versions', `A plan keeps ${mostVersions} versions; take some out first.`, 'name');
  return json({ id: writer.versions.add(planId, { name, kind: 'kept', ...writer.open(planId) }) }, { status: 201 });
}

/** What differs between a version and another one, or the plan as it stands: at most 2,000 rows, and how many there are. */
export function compareVersions({ plans, writer }: Services, planId: string, version: number, against: string | null): Response {
  plans.getView(planId);
  const before = writer.versions.findSnapshot(planId, version);
  const after = against === null ? writer.open(planId).snapshot : writer.versions.findSnapshot(planId, versionNumber(against));
  if (!before || !after) throw noSuchVersion();
  const rows = compareSnapshots(before, after);
  return json({ count: rows.length, rows: rows.slice(0, mostRows) });
}

/** Gives a version another name. */
export async function renameVersion({ writer }: Services, planId: string, version: number, request: Request): Promise<Response> {
  const { name } = await readJson(request, versionName);
  if (!writer.versions.rename(planId, version, name)) throw noSuchVersion();
  return new Response(null, { status: 204 });
}

/** Removes a version; the plan itself stays as it is. */
export function removeVersion({ writer }: Services, planId: string, version: number): Response {
  if (!writer.versions.remove(planId, version)) throw noSuchVersion();
  return new Response(null, { status: 204 });
}
