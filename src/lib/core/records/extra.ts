import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import { hourSpan } from './hour-span';
import * as field from './fields';

/** What can stand beside an ad. */
export const extraKinds = ['sitelink', 'callout', 'listed-values', 'call', 'price-rows', 'dated-offer', 'place', 'business-name'] as const;

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

/** Something shown beside the ads of a group, of a campaign, or of the whole plan where both are null. Each kind uses its own fields. */
export const extra = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'extra'>(),
    campaignId: field.id<'campaign'>().nullable(),
    groupId: field.id<'group'>().nullable(),
    kind: z.enum(extraKinds),
    /** What a sitelink, a callout or a dated offer says; the address of a place; the name of the business. */
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
    /** What is typed at the till for a dated offer, in its exact spelling. */
    code: field.text,
    /** The least order that a dated offer holds from. */
    leastMinor: field.amount.nullable(),
    /** The client’s shared set that it was taken from, by name; empty: the plan’s own. */
    setName: field.text,
    position: field.position,
  }),
);
export type Extra = z.infer<typeof extra>;

/** What an extra says, wherever it stands. */
export type ExtraSaid = Omit<Extra, 'id' | 'campaignId' | 'groupId' | 'position'>;

/** What an extra holds that says nothing yet. */
export const saysNothing = {
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
  code: '',
  leastMinor: null,
  setName: '',
} as const satisfies Omit<ExtraSaid, 'kind'>;

/** What the fields that came later, or that only some kinds use, hold in the others. */
const later = { ...saysNothing, groupId: null } as const;

/** What the store needs to know of extras, and what a new one holds. */
export const extraRecord = {
  stream: 'plan',
  parents: { campaignId: 'campaign', groupId: 'group' },
  added: later,
  amounts: { prices: { priceMinor: true }, leastMinor: true },
  blank: later,
} as const satisfies RecordType<Extra>;
