import type { AmountFields } from '../money/convert-amounts';
import { briefRecord } from '../records/brief';
import { campaignRecord } from '../records/campaign';
import { extraRecord } from '../records/extra';
import { findRecord } from '../records/find';
import { groupRecord } from '../records/group';
import { keywordRecord } from '../records/keyword';
import { offerRecord } from '../records/offer';
import { leadRecord } from '../records/lead';
import { reportRecord, reportRowRecord } from '../records/report';
import { sitePageRecord } from '../records/site-page';
import { scenarioRecord } from '../records/scenario';

const extras = extraRecord.amounts;

/** The fields of a campaign in a plan file that hold amounts. */
export const campaignAmounts: AmountFields = {
  ...campaignRecord.amounts,
  extras,
  groups: { ...groupRecord.amounts, keywords: keywordRecord.amounts, parked: keywordRecord.amounts, extras },
};

/** The fields of a plan file that hold amounts. */
export const planFileAmounts: AmountFields = {
  brief: { ...briefRecord.amounts, offers: offerRecord.amounts },
  campaigns: campaignAmounts,
  extras,
  sitePages: sitePageRecord.amounts,
  leads: leadRecord.amounts,
  reports: { ...reportRecord.amounts, rows: reportRowRecord.amounts },
  finds: findRecord.amounts,
  scenarios: scenarioRecord.amounts,
};
