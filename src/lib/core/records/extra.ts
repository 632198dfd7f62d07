import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import { hourSpan } from './hour-span';
import * as field from './fields';

/** What can stand beside an ad. */
export const extraKinds = ['sitelink', 'callout', 'listed-values', 'call', 'price-rows', 'dated-offer'] as const;

/** What an extra is told apart by: its text, the header of its list, its number. */
export const nameOfExtra = ({ text, header, phone }: Pick<Extra, 'text' | 'header' | 'phone'>) => text || header || phone;

export type ExtraKind = (typeof extraKinds)[number];

const priceRow = /* @__PURE__ */ made(() =>
  z.strictObject({
    text: field.text,
    description: field.text,
    priceMinor: field.amount.nullable(),
    address: field.text,
  }),
);
export type PriceRow = z.infer<typeof priceRow>;

/** Something shown beside the ads of a campaign, or of the whole plan where `campaignId` is null. Each kind uses its own fields. */
export const extra = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'extra'>(),
    campaignId: field.id<'campaign'>().nullable(),
    kind: z.enum(extraKinds),
    /** What a sitelink, a callout or a dated offer says. */
    text: field.text,
    description1: field.text,
    description2: field.text,
    address: field.text,
    /** What listed values or price rows stand under; from the rule set's lists. */
    header: field.text,
    values: z.array(field.text).max(50),
    prices: z.array(priceRow).max(50),
    phone: field.text,
    /** ISO 3166 alpha-2 of the number's country, or empty. */
    phoneCountry: z.string().regex(/^([A-Z]{2})?$/),
    /** When calls are answered; none: at all hours. */
    hours: z.array(hourSpan).max(7 * 24),
    startsOn: field.date.nullable(),
    endsOn: field.date.nullable(),
    position: field.position,
  }),
);
export type Extra = z.infer<typeof extra>;

/** What the fields that came later, or that only some kinds use, hold in the others. */
const later = {
  text: '',
  description1: '',
  description2: '',
  address: '',
  header: '',
  values: [] as string[],
  prices: [] as PriceRow[],
  phone: '',
  phoneCountry: '',
  hours: [] as Extra['hours'],
  startsOn: null,
  endsOn: null,
} as const satisfies Partial<Record<keyof Extra, unknown>>;

/** What the store needs to know of extras, and what a new one holds. */
export const extraRecord = {
  stream: 'plan',
  parents: { campaignId: 'campaign' },
  added: later,
  amounts: { prices: { priceMinor: true } },
  blank: later,
} as const satisfies RecordType<Extra>;
