import type * as z from 'zod';
import { adjustment, ages, datedOffer, genders, listedValues, priceRows } from '../rules/rule-set.json';
import { account, type Account } from './records/account';
import { ad, type Ad } from './records/ad';
import { adLine, masterLine, type AdLine, type MasterLine } from './records/ad-line';
import { brief, laterBrief, type Brief } from './records/brief';
import { briefItem, type BriefItem } from './records/brief-item';
import { campaign, laterCampaign, type Campaign } from './records/campaign';
import { client, type Client } from './records/client';
import { blankExtra, extra, type Extra } from './records/extra';
import { find, laterFind, type Find } from './records/find';
import { group, type Group } from './records/group';
import { houseRule, type HouseRule } from './records/house-rule';
import { keptRule, type KeptRule } from './records/kept-rule';
import { keyChoice, type KeyChoice } from './records/key-choice';
import { keyword, type Keyword } from './records/keyword';
import { laterLayout, layout, type Layout } from './records/layout';
import { listSetup, type ListSetup } from './records/list-setup';
import { master, type Master } from './records/master';
import { negative, type Negative } from './records/negative';
import { offer, type Offer } from './records/offer';
import { patternList, type PatternList } from './records/pattern-list';
import { place, type Place } from './records/place';
import { plan, type Plan } from './records/plan';
import { ruleSet, type RuleSetRow } from './records/rule-set';
import { seenRival, type SeenRival } from './records/seen-rival';
import { setAside, type SetAside } from './records/set-aside';
import { sheetReading, type SheetReading } from './records/sheet-reading';
import { slotWord, type SlotWord } from './records/slot-word';
import { wordKind, type WordKind } from './records/word-kind';
import { wordVerdict, type WordVerdict } from './records/word-verdict';

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
  schema: z.ZodObject;
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
  client: { stream: 'workspace', schema: client, parents: {} },
  account: { stream: 'workspace', schema: account, parents: { clientId: 'client' } },
  plan: { stream: 'workspace', schema: plan, parents: { accountId: 'account' }, added: { layoutKey: 'plain', ruleSetKey: 'search-2026' } },
  layout: { stream: 'workspace', schema: layout, parents: {}, unique: ['name'], added: laterLayout },
  ruleSet: {
    stream: 'workspace',
    schema: ruleSet,
    parents: {},
    unique: ['name'],
    added: { listedValues, priceRows, datedOffer, adjustment, ages, genders },
  },
  houseRule: { stream: 'workspace', schema: houseRule, parents: { planId: 'plan' } },
  keptRule: { stream: 'workspace', schema: keptRule, parents: {}, unique: ['words'] },
  listSetup: { stream: 'workspace', schema: listSetup, parents: {} },
  keyChoice: { stream: 'workspace', schema: keyChoice, parents: {} },
  sheetReading: { stream: 'workspace', schema: sheetReading, parents: {}, unique: ['shape'] },
  patternList: { stream: 'workspace', schema: patternList, parents: {}, unique: ['business', 'language'] },
  master: { stream: 'workspace', schema: master, parents: {} },
  masterLine: { stream: 'workspace', schema: masterLine, parents: { masterId: 'master' } },
  brief: { stream: 'plan', schema: brief, parents: {}, added: laterBrief },
  briefItem: { stream: 'plan', schema: briefItem, parents: {} },
  offer: { stream: 'plan', schema: offer, parents: {} },
  slotWord: { stream: 'plan', schema: slotWord, parents: {} },
  campaign: { stream: 'plan', schema: campaign, parents: {}, unique: ['name'], added: laterCampaign },
  place: { stream: 'plan', schema: place, parents: { campaignId: 'campaign' }, added: { code: '', region: '', people: null } },
  wordVerdict: { stream: 'plan', schema: wordVerdict, parents: {} },
  wordKind: { stream: 'plan', schema: wordKind, parents: {}, unique: ['word'] },
  seenRival: { stream: 'plan', schema: seenRival, parents: {}, unique: ['name'] },
  find: {
    stream: 'plan',
    schema: find,
    parents: {},
    links: { wordVerdictId: 'wordVerdict' },
    unique: ['text'],
    added: laterFind,
  },
  group: {
    stream: 'plan',
    schema: group,
    parents: { campaignId: 'campaign' },
    links: { offerId: 'offer' },
    unique: ['campaignId', 'name'],
  },
  keyword: {
    stream: 'plan',
    schema: keyword,
    parents: { groupId: 'group' },
    unique: ['groupId', 'text', 'match'],
  },
  negative: {
    stream: 'plan',
    schema: negative,
    parents: { campaignId: 'campaign', groupId: 'group', findId: 'find', briefItemId: 'briefItem', wordVerdictId: 'wordVerdict' },
    added: { wordVerdictId: null },
  },
  ad: { stream: 'plan', schema: ad, parents: { groupId: 'group' } },
  adLine: { stream: 'plan', schema: adLine, parents: { adId: 'ad' } },
  extra: { stream: 'plan', schema: extra, parents: { campaignId: 'campaign' }, added: blankExtra },
  setAside: { stream: 'plan', schema: setAside, parents: {} },
};

/** All record names, parents before children. */
export const recordNames = Object.keys(recordTypes) as RecordName[];

/** The record names of a stream, parents before children. */
export const recordsOf = (stream: RecordType['stream']) => recordNames.filter((name) => recordTypes[name].stream === stream);

/** A row as it was written, perhaps before some fields of its record came, with what those hold. */
export const completeRow = (record: RecordName, row: Row): Row => ({ ...recordTypes[record].added, ...row });
