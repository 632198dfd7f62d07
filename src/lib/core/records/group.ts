import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import { pageCondition } from './condition-text';
import { matchTypes } from './match-types';
import * as field from './fields';

/** An ad group: one theme. */
export const group = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'group'>(),
    campaignId: field.id<'campaign'>(),
    name: field.name,
    /** The group's theme words, which fill the slot `group`. */
    theme: field.text,
    defaultBidMinor: field.amount.nullable(),
    defaultMatch: z.enum(matchTypes),
    /** Empty: the brief's. */
    landingPage: field.text,
    offerId: field.id<'offer'>().nullable(),
    /** On trial until a day: too thin to learn from on purpose. Null: no trial. */
    trialUntil: field.date.nullable(),
    /** What decides then. */
    trialDecides: field.text.max(300),
    /** What the trial may cost a month at most. */
    trialMostMinor: field.amount.nullable(),
    /** Whether proposals leave it as it stands. */
    isFixed: z.boolean(),
    note: field.text.max(500),
    labels: field.labels,
    /** The pages that it takes, in words; empty: it is not driven by pages, or has no rule yet. Rules are read in the groups' order. */
    pagesWhen: pageCondition.or(z.literal('')),
    position: field.position,
  }),
);
export type Group = z.infer<typeof group>;

/** What fields that came later hold in rows from before. */
const later = {
  trialUntil: null,
  trialDecides: '',
  trialMostMinor: null,
  isFixed: false,
  note: '',
  labels: [],
  pagesWhen: '',
} as const satisfies Partial<Group>;

/** What the store needs to know of groups, and what a new one holds. */
export const groupRecord = {
  stream: 'plan',
  parents: { campaignId: 'campaign' },
  links: { offerId: 'offer' },
  unique: ['campaignId', 'name'],
  added: later,
  amounts: { defaultBidMinor: true, trialMostMinor: true },
  blank: { ...later, theme: '', defaultBidMinor: null, defaultMatch: 'phrase', landingPage: '', offerId: null },
} as const satisfies RecordType<Group>;
