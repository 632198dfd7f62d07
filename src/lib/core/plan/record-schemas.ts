import type * as z from 'zod';
import type { RecordName } from './record-types';
import { account } from './records/account';
import { ad } from './records/ad';
import { adLine, masterLine } from './records/ad-line';
import { brief } from './records/brief';
import { briefItem } from './records/brief-item';
import { campaign } from './records/campaign';
import { client } from './records/client';
import { extra } from './records/extra';
import { find } from './records/find';
import { group } from './records/group';
import { houseRule } from './records/house-rule';
import { keptRule } from './records/kept-rule';
import { keyChoice } from './records/key-choice';
import { keyword } from './records/keyword';
import { layout } from './records/layout';
import { listSetup } from './records/list-setup';
import { master } from './records/master';
import { negative } from './records/negative';
import { offer } from './records/offer';
import { patternList } from './records/pattern-list';
import { place } from './records/place';
import { plan } from './records/plan';
import { report, reportRow } from './records/report';
import { ruleSet } from './records/rule-set';
import { seenRival } from './records/seen-rival';
import { setAside } from './records/set-aside';
import { sheetReading } from './records/sheet-reading';
import { slotWord } from './records/slot-word';
import { wordKind } from './records/word-kind';
import { wordVerdict } from './records/word-verdict';

/** The schema of each record: what its rows have to be when they come from outside. */
export const recordSchemas: Readonly<Record<RecordName, z.ZodObject>> = {
  client,
  account,
  plan,
  layout,
  ruleSet,
  houseRule,
  keptRule,
  listSetup,
  keyChoice,
  sheetReading,
  patternList,
  master,
  masterLine,
  brief,
  briefItem,
  offer,
  slotWord,
  campaign,
  place,
  wordVerdict,
  wordKind,
  seenRival,
  report,
  reportRow,
  find,
  group,
  keyword,
  negative,
  ad,
  adLine,
  extra,
  setAside,
};
