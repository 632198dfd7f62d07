import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** A client of the freelancer's. */
export const client = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'client'>(),
    name: field.name,
    /** The client's own address, without a path. */
    site: field.text,
    position: field.position,
  }),
);
export type Client = z.infer<typeof client>;

/** What the store needs to know of clients, and what a new one holds. */
export const clientRecord = {
  stream: 'workspace',
  parents: {},

  blank: { site: '' },
} as const satisfies RecordType<Client>;
