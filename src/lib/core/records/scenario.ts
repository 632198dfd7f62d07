import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import { matchTypes } from './match-types';
import * as field from './fields';

/** How many scenarios stand beside a plan. */
export const mostScenarios = 5;

/** What could be otherwise than the plan has it, under a name; null, false and empty: as the plan has it. */
export const scenario = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'scenario'>(),
    name: field.name.max(80),
    /** One bid for every keyword. */
    bidMinor: field.amount.nullable(),
    /** The plan's money a month, split over its campaigns as they share it now. */
    monthlyMinor: field.amount.nullable(),
    /** Open at all hours. */
    allHours: z.boolean(),
    /** On all devices. */
    allDevices: z.boolean(),
    /** The match type of every keyword. */
    match: z.enum(matchTypes).nullable(),
    /** How many of the clicks convert, as typed. */
    clickRate: field.text.max(40),
    /** Places of campaigns that are left out. */
    placesOff: z.array(field.id<'place'>()).max(200),
    position: field.position,
  }),
);
export type Scenario = z.infer<typeof scenario>;

/** What the store needs to know of scenarios, and what a new one holds. */
export const scenarioRecord = {
  stream: 'plan',
  parents: {},
  unique: ['name'],
  amounts: { bidMinor: true, monthlyMinor: true },
  blank: { bidMinor: null, monthlyMinor: null, allHours: false, allDevices: false, match: null, clickRate: '', placesOff: [] as string[] },
} as const satisfies RecordType<Scenario>;
