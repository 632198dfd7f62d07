import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** Where a page is known from. */
export const pageOrigins = ['feed', 'map', 'site', 'pasted'] as const;
export type PageOrigin = (typeof pageOrigins)[number];

/** What the last reading said of a page beside the one before. */
export const pageChanges = ['same', 'new', 'changed', 'gone'] as const;
export type PageChange = (typeof pageChanges)[number];

/** How much of a page is kept, and how many pages. */
export const keptOfSitePage = { columns: 100, values: 50, letters: 300, text: 600, pages: 50_000 } as const;

/** A page of the site that is advertised by its pages: what a feed says of it, or what was read there. */
export const sitePage = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'sitePage'>(),
    /** In full, each once. */
    address: field.name.max(2048),
    title: field.text.max(keptOfSitePage.letters),
    /** The first texts of the page; empty where only a feed tells of it. */
    text: field.text.max(keptOfSitePage.text),
    priceMinor: field.amount.nullable(),
    /** What else is told of it, by the feed's own columns; a column may tell several things. */
    columns: z
      .array(
        z.strictObject({
          name: field.name.max(200),
          values: z.array(field.text.max(keptOfSitePage.letters)).max(keptOfSitePage.values),
        }),
      )
      .max(keptOfSitePage.columns),
    /** What it answered when it was asked; null: it was not. */
    status: z.int().min(0).max(999).nullable(),
    /** The address that answered, where it leads elsewhere; empty: none. */
    answered: field.text.max(2048),
    origin: z.enum(pageOrigins),
    /** The day of the reading that told of it last; null: a table did, on a day nobody noted. */
    seenOn: field.date.nullable(),
    change: z.enum(pageChanges),
    position: field.position,
  }),
);
export type SitePage = z.infer<typeof sitePage>;

/** What the store needs to know of a site's pages, and what a new one holds. */
export const sitePageRecord = {
  stream: 'plan',
  parents: {},
  unique: ['address'],
  amounts: { priceMinor: true },
  blank: { title: '', text: '', priceMinor: null, columns: [], status: null, answered: '', origin: 'feed', seenOn: null, change: 'same' },
} as const satisfies RecordType<SitePage>;
