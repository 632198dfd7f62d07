import type * as z from 'zod';
import { findDouble } from './find-doubles';
import { planFileSchema, planFileVersion, type PlanFile } from './plan-file';

/** What a file holds, or why it cannot be read in. */
export type CheckedPlanFile =
  /** `keptOut`: paths of fields that the format does not know; they were left out. */
  | { ok: true; file: PlanFile; keptOut: string[] }
  | { ok: false; code: 'later-version' | 'not-valid' | 'taken'; message: string; path: string };

const isUnknownKeys = (issue: z.core.$ZodIssue): issue is z.core.$ZodIssueUnrecognizedKeys => issue.code === 'unrecognized_keys';

/** Takes keys out of the object at a path; of the value itself nothing but these keys is changed. */
function takeOut(value: unknown, path: readonly PropertyKey[], keys: readonly string[]): void {
  const owner = path.reduce<unknown>((inner, key) => (inner as Record<PropertyKey, unknown>)[key], value);
  for (const key of keys) Reflect.deleteProperty(owner as object, key);
}

function versionOf(value: unknown): number | null {
  const { format, version } = (typeof value === 'object' && value !== null ? value : {}) as Record<string, unknown>;
  return format === 'biblion-plan' && typeof version === 'number' ? version : null;
}

/** Checks a parsed plan file, which this may change: fields that are not known are kept out of it, and named. */
export function checkPlanFile(value: unknown): CheckedPlanFile {
  const version = versionOf(value);
  if (version !== null && version > planFileVersion)
    return {
      ok: false,
      code: 'later-version',
      message: `The file is of version ${version}, written by a later Biblion; this one reads up to version ${planFileVersion}.`,
      path: 'version',
    };
  const keptOut: string[] = [];
  for (;;) {
    const result = planFileSchema.safeParse(value);
    if (result.success) {
      const double = findDouble(result.data);
      if (!double) return { ok: true, file: result.data, keptOut };
      return { ok: false, code: 'taken', message: `“${double.value}” stands there already; it may stand once only.`, path: double.path };
    }
    const unknown = result.error.issues.filter(isUnknownKeys);
    const other = result.error.issues.find((issue) => !isUnknownKeys(issue));
    if (other || unknown.length === 0)
      return { ok: false, code: 'not-valid', message: other?.message ?? 'Not valid.', path: (other?.path ?? []).map(String).join('.') };
    for (const { path, keys } of unknown) {
      takeOut(value, path, keys);
      keptOut.push(...keys.map((key) => [...path, key].map(String).join('.')));
    }
  }
}
