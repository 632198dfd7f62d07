import * as z from 'zod';
import { account } from '../records/account';
import { ad, adRecord } from '../records/ad';
import { adLine, adLineRecord } from '../records/ad-line';
import { brief, briefRecord } from '../records/brief';
import { campaign, campaignRecord } from '../records/campaign';
import { client } from '../records/client';
import { extra, extraRecord } from '../records/extra';
import { made } from '../records/made';
import { name, text } from '../records/fields';
import { find, findRecord } from '../records/find';
import { group, groupRecord } from '../records/group';
import { keyword, keywordRecord } from '../records/keyword';
import { negative } from '../records/negative';
import { offer } from '../records/offer';
import { place, placeRecord } from '../records/place';
import { mostScenarios, scenario } from '../records/scenario';
import { setAside } from '../records/set-aside';
import { slotWord } from '../records/slot-word';
import { report, reportRecord, reportRow, reportRowRecord } from '../records/report';
import { seenCompetitor } from '../records/seen-competitor';
import { lead } from '../records/lead';
import { look } from '../records/look';
import { seenPage } from '../records/seen-page';
import { keptOfSitePage, sitePage } from '../records/site-page';
import { wordKind } from '../records/word-kind';
import { wordVerdict } from '../records/word-verdict';

/** The version of the plan file that is written. */
export const planFileVersion = 1;

const list = <T extends z.ZodType>(item: T, most = 200_000) => z.array(item).max(most);
const noPlace = { id: true, position: true } as const;
/** Schemas of the fields that defaults are given for, each with its default; some may still have to be there. */
function withDefaults<
  Shape extends z.ZodRawShape,
  Defaults extends Partial<Record<keyof Shape, unknown>>,
  Needed extends keyof Defaults = never,
>(shape: Shape, defaults: Defaults, needed: readonly Needed[] = []) {
  const names = Object.keys(defaults).filter((name) => !needed.includes(name as Needed));
  const schemas = names.map((name) => [name, (shape[name] as unknown as z.ZodType).default(defaults[name as keyof Defaults])]);
  type Later = Exclude<keyof Defaults & keyof Shape, Needed>;
  return Object.fromEntries(schemas) as { [Name in Later]: Shape[Name] extends z.ZodType ? z.ZodDefault<Shape[Name]> : never };
}

const lines = /* @__PURE__ */ made(() =>
  list(adLine.omit({ ...noPlace, adId: true, kind: true }).extend(withDefaults(adLine.shape, adLineRecord.added)), 100),
);
const index = /* @__PURE__ */ made(() => z.int().min(0));

const fileNegative = /* @__PURE__ */ made(() =>
  negative.omit({ ...noPlace, campaignId: true, groupId: true, findId: true, briefItemId: true, wordVerdictId: true }).extend({
    /** The find, the entry of “not offered” or the judged word that made it: its place in the list. */
    find: index.optional(),
    notOffered: index.optional(),
    wordVerdict: index.optional(),
  }),
);
/** Fields that came later may be missing: files written before them hold what such rows are completed with. */
const fileExtra = /* @__PURE__ */ made(() =>
  extra
    .omit({ ...noPlace, campaignId: true, groupId: true })
    .extend(withDefaults(extra.shape, extraRecord.added, ['text', 'description1', 'description2', 'address', 'groupId'])),
);
const filePlace = /* @__PURE__ */ made(() =>
  place.omit({ ...noPlace, campaignId: true }).extend(withDefaults(place.shape, placeRecord.added)),
);
const fileFind = /* @__PURE__ */ made(() =>
  find
    .omit({ ...noPlace, wordVerdictId: true })
    .extend({ ...withDefaults(find.shape, findRecord.added, ['wordVerdictId']), wordVerdict: index.optional() }),
);
const fileAd = /* @__PURE__ */ made(() =>
  ad.omit({ ...noPlace, groupId: true }).extend({ ...withDefaults(ad.shape, adRecord.added), headlines: lines, descriptions: lines }),
);
const fileScenario = /* @__PURE__ */ made(() =>
  scenario.omit({ ...noPlace, placesOff: true }).extend({
    /** Places as paths in this file: `campaigns/0/places/1`. */
    placesOff: list(z.string().max(200), 200).default([]),
  }),
);
const fileKeyword = /* @__PURE__ */ made(() =>
  keyword.omit({ ...noPlace, groupId: true }).extend(withDefaults(keyword.shape, keywordRecord.added)),
);
const fileGroup = /* @__PURE__ */ made(() =>
  group.omit({ ...noPlace, campaignId: true, offerId: true }).extend({
    ...withDefaults(group.shape, groupRecord.added),
    /** Place in the brief's offers. */
    offer: index.nullable(),
    keywords: list(fileKeyword),
    /** Keywords taken out of play. */
    parked: list(fileKeyword).default([]),
    negatives: list(fileNegative),
    extras: list(fileExtra, 1000).default([]),
    ads: list(fileAd, 1000),
  }),
);

/** A whole plan as a file: nested as it is read, without ids. Amounts are minor units of the account's currency. */
export const planFileSchema = /* @__PURE__ */ made(() =>
  z.strictObject({
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
      ...withDefaults(brief.shape, briefRecord.added),
      offers: list(offer.omit(noPlace), 1000),
      slotWords: list(slotWord.omit(noPlace), 1000),
      places: list(filePlace, 5000),
    }),
    campaigns: list(
      campaign.omit(noPlace).extend({
        ...withDefaults(campaign.shape, campaignRecord.added),
        places: list(filePlace, 5000),
        negatives: list(fileNegative),
        extras: list(fileExtra, 1000),
        groups: list(fileGroup, 20_000),
      }),
      1000,
    ),
    negatives: list(fileNegative),
    extras: list(fileExtra, 1000),
    wordVerdicts: list(wordVerdict.omit(noPlace)).default([]),
    wordKinds: list(wordKind.omit(noPlace)).default([]),
    rivals: list(seenCompetitor.omit(noPlace), 200).default([]),
    pagesRead: list(seenPage.omit(noPlace), 5000).default([]),
    sitePages: list(sitePage.omit(noPlace), keptOfSitePage.pages).default([]),
    looks: list(look.omit(noPlace), 1000).default([]),
    leads: list(lead.omit(noPlace), 20_000).default([]),
    reports: list(
      report.omit(noPlace).extend({
        ...withDefaults(report.shape, reportRecord.added),
        rows: list(reportRow.omit({ ...noPlace, reportId: true }).extend(withDefaults(reportRow.shape, reportRowRecord.added))),
      }),
      500,
    ).default([]),
    finds: list(fileFind),
    scenarios: list(fileScenario, mostScenarios).default([]),
    /** `record` is a path such as `campaigns/0/groups/1/ads/0/headlines/2`, or empty for the plan as a whole. */
    setAside: list(setAside.omit({ id: true }).extend({ record: z.string().max(200) }), 20_000),
  }),
);
export type PlanFile = z.infer<typeof planFileSchema>;
export type FileNegative = z.infer<typeof fileNegative>;
export type FileGroup = z.infer<typeof fileGroup>;
