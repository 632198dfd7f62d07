import * as z from 'zod';
import { bidsOfGrid, findBestBids } from '$lib/core/forecast/best-bids';
import { CampaignModel, tell, type EstimateAsked } from '$lib/core/forecast/estimate';
import { shippedModel } from '$lib/core/forecast/model';
import { tellCampaign } from '$lib/core/forecast/told-estimate';
import { plainText } from '$lib/core/keywords/read-keyword';
import { matchTypes } from '$lib/core/records/match-types';
import { ruleSet } from '$lib/core/rules/rule-set';
import { tooMuch } from '../outcome';
import { readBody } from '../read-json';
import type { Job } from './job';

const mostNumber = 1e15;
const amount = z.number().min(0).max(mostNumber);
const share = z.number().min(0).max(1);
/** Conversions of a click: more than one where every one is counted. */
const rate = z.number().min(0).max(1000);
const text = z.string().max(10_000);
const pair = z.tuple([amount, amount]).refine(([low, high]) => low <= high, 'The first of two ends is the lower one.');

const keyword = z.object({
  text,
  match: z.enum(matchTypes).default('exact'),
  bidMinor: amount.nullish(),
  isOwnName: z.boolean().default(false),
  searches: pair.nullish(),
  prices: z.union([pair, z.array(pair).max(20)]).nullish(),
  own: z.object({ impressions: amount, clickThrough: share.nullish(), costPerClickMinor: amount.nullish() }).nullish(),
});
const campaign = z.object({
  moneyMinor: amount,
  startingBidMinor: amount.nullish(),
  hoursShare: share.default(1),
  devicesShare: share.default(1),
  audienceShare: share.default(1),
  conversionRate: rate.nullish(),
  monthFactor: z.number().min(0).max(1000).default(1),
  groups: z
    .array(z.object({ name: text, bidMinor: amount.nullish(), conversionRate: rate.nullish(), keywords: z.array(keyword).max(100_000) }))
    .max(20_000),
});
const step = z.number().positive().max(mostNumber);
const curveAsked = campaign.extend({ bidsMinor: z.array(amount).max(10_000), stepMinor: step });
const bestAsked = campaign.extend({ stepMinor: step, highestMinor: amount });

/** Keywords times bids that one question may come to. */
const mostComputed = 5_000_000;
const mostKeywords = 100_000;

/** What a campaign as it was sent asks of the model. Throws where it is too much. */
function askedOf({ moneyMinor, hoursShare, devicesShare, audienceShare, monthFactor, ...said }: z.infer<typeof campaign>): EstimateAsked {
  const keywords = said.groups.reduce((all, group) => all + group.keywords.length, 0);
  if (keywords > mostKeywords)
    throw tooMuch(`The groups have ${keywords} keywords; ${mostKeywords.toLocaleString('en-GB')} are estimated.`, 'groups');
  return {
    moneyMinor,
    hoursShare,
    devicesShare,
    audienceShare,
    monthFactor,
    groups: said.groups.map((group) => ({
      conversionRate: group.conversionRate ?? said.conversionRate ?? null,
      keywords: group.keywords.map(({ own, ...one }) => ({
        text: plainText(one.text, ruleSet.refusedKeywordSigns),
        match: one.match,
        bidMinor: one.bidMinor ?? group.bidMinor ?? said.startingBidMinor ?? null,
        isOwnName: one.isOwnName,
        searches: one.searches ?? null,
        prices: one.prices ?? null,
        own: own
          ? {
              impressions: own.impressions,
              clickThrough: own.clickThrough ?? undefined,
              costPerClickMinor: own.costPerClickMinor ?? undefined,
            }
          : null,
      })),
    })),
  };
}

function refuseBeyond({ groups }: EstimateAsked, bids: number, path: string): void {
  const keywords = groups.reduce((all, group) => all + group.keywords.length, 0);
  if (keywords * bids > mostComputed)
    throw tooMuch(`${keywords} keywords at ${bids} bids are more than ${mostComputed / 1e6} million. Ask for fewer bids.`, path);
}

/** What a campaign can bring in a month at the bids that it has. */
export const estimateJob: Job = ({ body }) => {
  const said = readBody(body, campaign);
  const { keyword: estimateOf, groups, total, limit, unknown } = tellCampaign(new CampaignModel(askedOf(said), shippedModel), shippedModel);
  const nothing = { clicksAsked: null, clicks: null, costPerClickMinor: null, costMinor: null };
  return {
    keywords: said.groups.flatMap((group, at) =>
      group.keywords.map(({ text: written, match }, index) => ({
        group: group.name,
        text: written,
        match,
        ...(estimateOf(at, index) ?? nothing),
      })),
    ),
    groups: said.groups.map(({ name }, at) => ({ name, ...groups[at]! })),
    total,
    limit,
    unknown,
  };
};

/** The same at several bids, each one for all keywords, with what one more click costs. */
export const estimateCurveJob: Job = ({ body }) => {
  const { bidsMinor, stepMinor, ...said } = readBody(body, curveAsked);
  const asked = askedOf(said);
  refuseBeyond(asked, bidsMinor.length, 'bidsMinor');
  const model = new CampaignModel(asked, shippedModel);
  return {
    rows: bidsMinor.map((bidMinor) => ({
      bidMinor,
      total: tell(model.at({ bidOf: () => bidMinor }).total),
      nextClickMinor: model.nextClickMinor(bidMinor, stepMinor),
    })),
  };
};

/** The bids, one a group, that bring most for the money. */
export const bestBidsJob: Job = ({ body }) => {
  const { stepMinor, highestMinor, ...said } = readBody(body, bestAsked);
  const asked = askedOf(said);
  const grid = { stepMinor, highestMinor, moneyMinor: asked.moneyMinor };
  if (highestMinor / stepMinor > mostComputed) throw tooMuch('The step is too small for the highest bid.', 'stepMinor');
  refuseBeyond(asked, bidsOfGrid(grid).length, 'stepMinor');
  const model = new CampaignModel(asked, shippedModel);
  const bids = findBestBids(
    model,
    asked.groups.map(({ conversionRate }) => conversionRate),
    grid,
  );
  return {
    groups: said.groups.map(({ name }, at) => ({ name, bidMinor: bids[at] })),
    total: tell(model.at({ bidOf: (group) => bids[group] }).total),
  };
};
