import { accountRecord, type Account } from './account';
import { adRecord, type Ad } from './ad';
import { masterLineRecord, type MasterLine, adLineRecord, type AdLine } from './ad-line';
import { briefRecord, type Brief } from './brief';
import { briefItemRecord, type BriefItem } from './brief-item';
import { campaignRecord, type Campaign } from './campaign';
import { clientRecord, type Client } from './client';
import { extraRecord, type Extra } from './extra';
import { extraSetRecord, type ExtraSet } from './extra-set';
import { findRecord, type Find } from './find';
import { groupRecord, type Group } from './group';
import { houseRuleRecord, type HouseRule } from './house-rule';
import { keptRuleRecord, type KeptRule } from './kept-rule';
import { keyChoiceRecord, type KeyChoice } from './key-choice';
import { keywordRecord, type Keyword } from './keyword';
import { layoutRecord, type Layout } from './layout';
import { listSetupRecord, type ListSetup } from './list-setup';
import { leadRecord, type Lead } from './lead';
import { lookRecord, type Look } from './look';
import { masterRecord, type Master } from './master';
import { negativeRecord, type Negative } from './negative';
import { offerRecord, type Offer } from './offer';
import { parkedKeywordRecord, type ParkedKeyword } from './parked-keyword';
import { patternListRecord, type PatternList } from './pattern-list';
import { placeRecord, type Place } from './place';
import { planRecord, type Plan } from './plan';
import { reportRecord, type Report, reportRowRecord, type ReportRow } from './report';
import { ruleSetRecord, type RuleSetRow } from './rule-set';
import { seenPageRecord, type SeenPage } from './seen-page';
import { sitePageRecord, type SitePage } from './site-page';
import { seenCompetitorRecord, type SeenCompetitor } from './seen-competitor';
import { scenarioRecord, type Scenario } from './scenario';
import { setAsideRecord, type SetAside } from './set-aside';
import { sheetReadingRecord, type SheetReading } from './sheet-reading';
import { slotWordRecord, type SlotWord } from './slot-word';
import { cutLessonRecord, type CutLesson } from './cut-lesson';
import { keptListRecord, type KeptList } from './kept-list';
import { toldNameRecord, type ToldName } from './told-name';
import { wordKindRecord, type WordKind } from './word-kind';
import { wordVerdictRecord, type WordVerdict } from './word-verdict';
import { recordNames, type RecordName, type RecordType, type Row } from './record-type';

/** Every record type by its name. */
export interface RecordTypes {
  client: Client;
  account: Account;
  plan: Plan;
  layout: Layout;
  ruleSet: RuleSetRow;
  houseRule: HouseRule;
  keptRule: KeptRule;
  toldName: ToldName;
  cutLesson: CutLesson;
  keptList: KeptList;
  extraSet: ExtraSet;
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
  seenCompetitor: SeenCompetitor;
  seenPage: SeenPage;
  sitePage: SitePage;
  look: Look;
  lead: Lead;
  report: Report;
  reportRow: ReportRow;
  find: Find;
  group: Group;
  keyword: Keyword;
  parkedKeyword: ParkedKeyword;
  negative: Negative;
  ad: Ad;
  adLine: AdLine;
  extra: Extra;
  setAside: SetAside;
  scenario: Scenario;
}

/** What is said of each record beside its schema. */
const described = {
  client: clientRecord,
  account: accountRecord,
  plan: planRecord,
  layout: layoutRecord,
  ruleSet: ruleSetRecord,
  houseRule: houseRuleRecord,
  keptRule: keptRuleRecord,
  toldName: toldNameRecord,
  cutLesson: cutLessonRecord,
  keptList: keptListRecord,
  extraSet: extraSetRecord,
  listSetup: listSetupRecord,
  keyChoice: keyChoiceRecord,
  sheetReading: sheetReadingRecord,
  patternList: patternListRecord,
  master: masterRecord,
  masterLine: masterLineRecord,
  brief: briefRecord,
  briefItem: briefItemRecord,
  offer: offerRecord,
  slotWord: slotWordRecord,
  campaign: campaignRecord,
  place: placeRecord,
  wordVerdict: wordVerdictRecord,
  wordKind: wordKindRecord,
  seenCompetitor: seenCompetitorRecord,
  seenPage: seenPageRecord,
  sitePage: sitePageRecord,
  look: lookRecord,
  lead: leadRecord,
  report: reportRecord,
  reportRow: reportRowRecord,
  find: findRecord,
  group: groupRecord,
  keyword: keywordRecord,
  parkedKeyword: parkedKeywordRecord,
  negative: negativeRecord,
  ad: adRecord,
  adLine: adLineRecord,
  extra: extraRecord,
  setAside: setAsideRecord,
  scenario: scenarioRecord,
} as const satisfies { [Name in RecordName]: RecordType<RecordTypes[Name]> };

/** The same, of any record. */
export const recordTypes: Readonly<Record<RecordName, RecordType>> = described;

/** The record names of a stream, parents before children. */
export const recordsOf = (stream: RecordType['stream']) => recordNames.filter((name) => recordTypes[name].stream === stream);

type Blanks = typeof described;
type BlankFields<Name extends RecordName> = Pick<RecordTypes[Name], keyof RecordTypes[Name] & keyof Blanks[Name]['blank']>;
/** What has to be said of a new row: its id, and what no blank row holds. */
type Said<Name extends RecordName> = Omit<RecordTypes[Name], keyof Blanks[Name]['blank']> & Partial<RecordTypes[Name]>;

/** What a new row holds in the fields of which nothing has to be said. */
export const blankFields = <Name extends RecordName>(record: Name): BlankFields<Name> =>
  described[record].blank as unknown as BlankFields<Name>;

/** A new row: what is said of it, and for all else what blank rows of its record hold. */
export const blank = <Name extends RecordName>(record: Name, said: Said<Name>): RecordTypes[Name] =>
  ({ ...described[record].blank, ...said }) as unknown as RecordTypes[Name];

/** A row as it was written, perhaps before some fields of its record came, were renamed or left, in the record's fields of today. */
export function completeRow(record: RecordName, row: Row, type: RecordType = recordTypes[record]): Row {
  const { added, renamed = {}, removed = [] } = type;
  const fields = Object.entries(row).flatMap(([name, value]) => (removed.includes(name) ? [] : [[renamed[name] ?? name, value] as const]));
  return { ...added, ...Object.fromEntries(fields) } as Row;
}
