import * as z from 'zod';
import { account } from '../plan/records/account';
import { ad } from '../plan/records/ad';
import { adLine } from '../plan/records/ad-line';
import { brief } from '../plan/records/brief';
import { campaign } from '../plan/records/campaign';
import { client } from '../plan/records/client';
import { blankExtra, extra } from '../plan/records/extra';
import { name, text } from '../plan/records/fields';
import { find } from '../plan/records/find';
import { group } from '../plan/records/group';
import { keyword } from '../plan/records/keyword';
import { negative } from '../plan/records/negative';
import { offer } from '../plan/records/offer';
import { place } from '../plan/records/place';
import { setAside } from '../plan/records/set-aside';
import { slotWord } from '../plan/records/slot-word';

/** The version of the plan file that is written. */
export const planFileVersion = 1;

const list = <T extends z.ZodType>(item: T, most = 200_000) => z.array(item).max(most);
const noPlace = { id: true, position: true } as const;
const lines = list(adLine.omit({ ...noPlace, adId: true, kind: true }), 100);
const index = z.int().min(0);

const fileNegative = negative.omit({ ...noPlace, campaignId: true, groupId: true, findId: true, briefItemId: true }).extend({
  /** The find, or the entry of “not offered”, that made it: its place in the list. */
  find: index.optional(),
  notOffered: index.optional(),
});
/** Fields that came later may be missing: files written before them hold none. */
const fileExtra = extra.omit({ ...noPlace, campaignId: true }).extend({
  header: extra.shape.header.default(blankExtra.header),
  values: extra.shape.values.default(blankExtra.values),
  prices: extra.shape.prices.default(blankExtra.prices),
  phone: extra.shape.phone.default(blankExtra.phone),
  phoneCountry: extra.shape.phoneCountry.default(blankExtra.phoneCountry),
  hours: extra.shape.hours.default(blankExtra.hours),
  startsOn: extra.shape.startsOn.default(blankExtra.startsOn),
  endsOn: extra.shape.endsOn.default(blankExtra.endsOn),
});
const filePlace = place.omit({ ...noPlace, campaignId: true });
const fileAd = ad.omit({ ...noPlace, groupId: true }).extend({ headlines: lines, descriptions: lines });
const fileGroup = group.omit({ ...noPlace, campaignId: true, offerId: true }).extend({
  /** Place in the brief's offers. */
  offer: index.nullable(),
  keywords: list(keyword.omit({ ...noPlace, groupId: true })),
  negatives: list(fileNegative),
  ads: list(fileAd, 1000),
});

/** A whole plan as a file: nested as it is read, without ids. Amounts are minor units of the account's currency. */
export const planFileSchema = z.strictObject({
  format: z.literal('biblion-plan'),
  version: z.literal(planFileVersion),
  name,
  client: client.omit(noPlace),
  account: account.omit({ ...noPlace, clientId: true }),
  brief: brief.omit({ id: true }).extend({
    facts: list(text, 1000),
    notOffered: list(text, 1000),
    rivals: list(text, 1000),
    always: list(text, 1000),
    proofs: list(text, 1000),
    necessary: brief.shape.necessary.default([]),
    offers: list(offer.omit(noPlace), 1000),
    slotWords: list(slotWord.omit(noPlace), 1000),
    places: list(filePlace, 5000),
  }),
  campaigns: list(
    campaign.omit(noPlace).extend({
      places: list(filePlace, 5000),
      negatives: list(fileNegative),
      extras: list(fileExtra, 1000),
      groups: list(fileGroup, 20_000),
    }),
    1000,
  ),
  negatives: list(fileNegative),
  extras: list(fileExtra, 1000),
  finds: list(find.omit(noPlace)),
  /** `record` is a path such as `campaigns/0/groups/1/ads/0/headlines/2`, or empty for the plan as a whole. */
  setAside: list(setAside.omit({ id: true }).extend({ record: z.string().max(200) }), 20_000),
});
export type PlanFile = z.infer<typeof planFileSchema>;
export type FileNegative = z.infer<typeof fileNegative>;
export type FileGroup = z.infer<typeof fileGroup>;
