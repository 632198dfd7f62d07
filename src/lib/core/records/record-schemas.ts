import type * as z from 'zod';
import type { RecordName } from './record-type';
import { account } from './account';
import { ad } from './ad';
import { adLine, masterLine } from './ad-line';
import { brief } from './brief';
import { briefItem } from './brief-item';
import { campaign } from './campaign';
import { client } from './client';
import { extra } from './extra';
import { find } from './find';
import { group } from './group';
import { houseRule } from './house-rule';
import { keptRule } from './kept-rule';
import { keyChoice } from './key-choice';
import { keyword } from './keyword';
import { layout } from './layout';
import { listSetup } from './list-setup';
import { master } from './master';
import { negative } from './negative';
import { offer } from './offer';
import { parkedKeyword } from './parked-keyword';
import { patternList } from './pattern-list';
import { place } from './place';
import { plan } from './plan';
import { report, reportRow } from './report';
import { ruleSet } from './rule-set';
import { seenCompetitor } from './seen-competitor';
import { lead } from './lead';
import { look } from './look';
import { seenPage } from './seen-page';
import { sitePage } from './site-page';
import { scenario } from './scenario';
import { setAside } from './set-aside';
import { sheetReading } from './sheet-reading';
import { slotWord } from './slot-word';
import { cutLesson } from './cut-lesson';
import { extraSet } from './extra-set';
import { keptList } from './kept-list';
import { toldName } from './told-name';
import { wordKind } from './word-kind';
import { wordVerdict } from './word-verdict';

/** The schema of each record: what its rows have to be when they come from outside. */
export const recordSchemas: Readonly<Record<RecordName, z.ZodObject>> = {
  client,
  account,
  plan,
  layout,
  ruleSet,
  houseRule,
  keptRule,
  toldName,
  cutLesson,
  keptList,
  extraSet,
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
  seenCompetitor,
  seenPage,
  sitePage,
  look,
  lead,
  report,
  reportRow,
  find,
  group,
  keyword,
  parkedKeyword,
  negative,
  ad,
  adLine,
  extra,
  setAside,
  scenario,
};
