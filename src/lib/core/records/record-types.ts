import { adjustment, ages, datedOffer, genders, listedValues, priceRows } from './rule-set.json';
import { laterAd, laterAdLine, laterBrief, laterCampaign, blankExtra, laterFind, laterLayout } from './record-values';
import type { Account } from './account';
import type { Ad } from './ad';
import type { AdLine, MasterLine } from './ad-line';
import type { Brief } from './brief';
import type { BriefItem } from './brief-item';
import type { Campaign } from './campaign';
import type { Client } from './client';
import type { Extra } from './extra';
import type { Find } from './find';
import type { Group } from './group';
import type { HouseRule } from './house-rule';
import type { KeptRule } from './kept-rule';
import type { KeyChoice } from './key-choice';
import type { Keyword } from './keyword';
import type { Layout } from './layout';
import type { ListSetup } from './list-setup';
import type { Master } from './master';
import type { Negative } from './negative';
import type { Offer } from './offer';
import type { PatternList } from './pattern-list';
import type { Place } from './place';
import type { Plan } from './plan';
import type { Report, ReportRow } from './report';
import type { RuleSetRow } from './rule-set';
import type { SeenRival } from './seen-rival';
import type { SetAside } from './set-aside';
import type { SheetReading } from './sheet-reading';
import type { SlotWord } from './slot-word';
import type { WordKind } from './word-kind';
import type { WordVerdict } from './word-verdict';

/** Every record type by its name. */
export interface RecordTypes {
  client: Client;
  account: Account;
  plan: Plan;
  layout: Layout;
  ruleSet: RuleSetRow;
  houseRule: HouseRule;
  keptRule: KeptRule;
  listSetup: ListSetup;
  keyChoice: KeyChoice;
  sheetReading: SheetReading;
  patternList: PatternList;
  master: Master;
  masterLine: MasterLine;
  brief: Brief;
  briefItem: BriefItem;
  offer: Offer;
  slotWord: SlotWord;
  campaign: Campaign;
  place: Place;
  wordVerdict: WordVerdict;
  wordKind: WordKind;
  seenRival: SeenRival;
  report: Report;
  reportRow: ReportRow;
  find: Find;
  group: Group;
  keyword: Keyword;
  negative: Negative;
  ad: Ad;
  adLine: AdLine;
  extra: Extra;
  setAside: SetAside;
}
export type RecordName = keyof RecordTypes;

/** A row of any record type. */
export type Row = { id: string } & Record<string, unknown>;

/** What the write door and the database need to know of a record type. */
export interface RecordType {
  stream: 'workspace' | 'plan';
  /** Keys that name a parent row: with the parent the row leaves. */
  parents: Readonly<Record<string, RecordName>>;
  /** Keys that name another row: when that leaves they become null. */
  links?: Readonly<Record<string, RecordName>>;
  /** Keys that together may stand once only (hard invariant). */
  unique?: readonly string[];
  /** Fields that came later, with what rows written before them hold. */
  added?: Readonly<Record<string, unknown>>;
}

/** Parents before children. */
export const recordTypes: Readonly<Record<RecordName, RecordType>> = {
  client: { stream: 'workspace', parents: {} },
  account: { stream: 'workspace', parents: { clientId: 'client' } },
  plan: { stream: 'workspace', parents: { accountId: 'account' }, added: { layoutKey: 'plain', ruleSetKey: 'search-2026' } },
  layout: { stream: 'workspace', parents: {}, unique: ['name'], added: laterLayout },
  ruleSet: {
    stream: 'workspace',
    parents: {},
    unique: ['name'],
    added: { listedValues, priceRows, datedOffer, adjustment, ages, genders },
  },
  houseRule: { stream: 'workspace', parents: { planId: 'plan' } },
  keptRule: { stream: 'workspace', parents: {}, unique: ['words'] },
  listSetup: { stream: 'workspace', parents: {} },
  keyChoice: { stream: 'workspace', parents: {} },
  sheetReading: { stream: 'workspace', parents: {}, unique: ['shape'] },
  patternList: { stream: 'workspace', parents: {}, unique: ['business', 'language'] },
  master: { stream: 'workspace', parents: {} },
  masterLine: { stream: 'workspace', parents: { masterId: 'master' } },
  brief: { stream: 'plan', parents: {}, added: laterBrief },
  briefItem: { stream: 'plan', parents: {} },
  offer: { stream: 'plan', parents: {} },
  slotWord: { stream: 'plan', parents: {} },
  campaign: { stream: 'plan', parents: {}, unique: ['name'], added: laterCampaign },
  place: { stream: 'plan', parents: { campaignId: 'campaign' }, added: { code: '', region: '', people: null } },
  wordVerdict: { stream: 'plan', parents: {} },
  wordKind: { stream: 'plan', parents: {}, unique: ['word'] },
  seenRival: { stream: 'plan', parents: {}, unique: ['name'] },
  report: { stream: 'plan', parents: {} },
  reportRow: { stream: 'plan', parents: { reportId: 'report' } },
  find: {
    stream: 'plan',
    parents: {},
    links: { wordVerdictId: 'wordVerdict' },
    unique: ['text'],
    added: laterFind,
  },
  group: {
    stream: 'plan',
    parents: { campaignId: 'campaign' },
    links: { offerId: 'offer' },
    unique: ['campaignId', 'name'],
  },
  keyword: {
    stream: 'plan',
    parents: { groupId: 'group' },
    unique: ['groupId', 'text', 'match'],
  },
  negative: {
    stream: 'plan',
    parents: { campaignId: 'campaign', groupId: 'group', findId: 'find', briefItemId: 'briefItem', wordVerdictId: 'wordVerdict' },
    added: { wordVerdictId: null },
  },
  ad: { stream: 'plan', parents: { groupId: 'group' }, added: laterAd },
  adLine: { stream: 'plan', parents: { adId: 'ad' }, added: laterAdLine },
  extra: { stream: 'plan', parents: { campaignId: 'campaign' }, added: blankExtra },
  setAside: { stream: 'plan', parents: {} },
};

/** All record names, parents before children. */
export const recordNames = Object.keys(recordTypes) as RecordName[];

/** The record names of a stream, parents before children. */
export const recordsOf = (stream: RecordType['stream']) => recordNames.filter((name) => recordTypes[name].stream === stream);

/** A row as it was written, perhaps before some fields of its record came, with what those hold. */
export const completeRow = (record: RecordName, row: Row): Row => ({ ...recordTypes[record].added, ...row });
