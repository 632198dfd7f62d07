import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** A plan as it stands on the Shelf; its content is a stream of its own. */
export const plan = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'plan'>(),
    accountId: field.id<'account'>(),
    name: field.name,
    createdOn: field.date,
    archivedOn: field.date.nullable(),
    handedOffOn: field.date.nullable(),
    /** The column layout it is handed off in: one that ships, or a row of the workspace. */
    layoutKey: z.string().max(64),
    /** The rules it is read by, likewise. */
    ruleSetKey: z.string().max(64),
    position: field.position,
  }),
);
export type Plan = z.infer<typeof plan>;

/** What the store needs to know of plans, and what a new one holds. */
export const planRecord = {
  stream: 'workspace',
  parents: { accountId: 'account' },
  added: { layoutKey: 'plain', ruleSetKey: 'search-2026' },
  blank: { archivedOn: null, handedOffOn: null, layoutKey: 'plain', ruleSetKey: 'search-2026' },
} as const satisfies RecordType<Plan>;
