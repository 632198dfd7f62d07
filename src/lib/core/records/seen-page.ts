import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** The kinds of texts of a page, by what they stand in. */
export const pieceKinds = ['title', 'heading', 'text', 'item', 'meta'] as const;

/** How much of a page is kept: pieces, and links to other pages of its site. */
export const keptOfPage = { pieces: 300, letters: 20_000, links: 60 } as const;

/** A page that ads lead to, as it was read. */
export const seenPage = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'seenPage'>(),
    /** The address that was asked for, in full. */
    address: field.name.max(2048),
    seenOn: field.date,
    status: z.int().min(0).max(999),
    /** The address that answered, after redirects. */
    answered: field.text.max(2048),
    pieces: z.array(z.strictObject({ kind: z.enum(pieceKinds), text: field.text.max(600) })).max(keptOfPage.pieces),
    links: z.array(z.strictObject({ text: field.text.max(600), address: field.text.max(2048) })).max(keptOfPage.links),
    fitsPhones: z.boolean(),
    language: field.text.max(60),
    position: field.position,
  }),
);
export type SeenPage = z.infer<typeof seenPage>;

/** What the store needs to know of pages that were read, and what a new one holds. */
export const seenPageRecord = {
  stream: 'plan',
  parents: {},
  unique: ['address'],
  blank: { pieces: [], links: [], fitsPhones: true, language: '' },
} as const satisfies RecordType<SeenPage>;
