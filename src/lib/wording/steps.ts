import type { StepName } from '$lib/core/store/step-names';
import type { StepSummary } from '$lib/core/store/changes';
import type { RecordName } from '$lib/core/records/record-type';
import { countOf } from './texts';

const nouns: Record<RecordName, [one: string, many: string]> = {
  client: ['client', 'clients'],
  account: ['account', 'accounts'],
  plan: ['plan', 'plans'],
  layout: ['column layout', 'column layouts'],
  ruleSet: ['rule set', 'rule sets'],
  houseRule: ['house rule', 'house rules'],
  keptRule: ['kept rule', 'kept rules'],
  toldName: ['name told of', 'names told of'],
  cutLesson: ['lesson of the first cut', 'lessons of the first cut'],
  keptList: ['list kept', 'lists kept'],
  extraSet: ['shared set of extras', 'shared sets of extras'],
  listSetup: ['set-up of a list', 'set-ups of lists'],
  keyChoice: ['key', 'keys'],
  sheetReading: ['reading of a file', 'readings of files'],
  patternList: ['list of a pattern', 'lists of patterns'],
  master: ['master', 'masters'],
  masterLine: ['line of a master', 'lines of a master'],
  brief: ['brief', 'briefs'],
  briefItem: ['entry of the brief', 'entries of the brief'],
  offer: ['offer', 'offers'],
  slotWord: ['slot word', 'slot words'],
  campaign: ['campaign', 'campaigns'],
  place: ['place', 'places'],
  wordVerdict: ['judged word', 'judged words'],
  wordKind: ['kind of a word', 'kinds of words'],
  seenCompetitor: ['rival', 'rivals'],
  seenPage: ['page read', 'pages read'],
  lead: ['lead', 'leads'],
  sitePage: ['page', 'pages'],
  look: ['look after the launch', 'looks after the launch'],
  report: ['report', 'reports'],
  reportRow: ['line of a report', 'lines of reports'],
  find: ['find', 'finds'],
  group: ['group', 'groups'],
  keyword: ['keyword', 'keywords'],
  parkedKeyword: ['parked keyword', 'parked keywords'],
  negative: ['negative', 'negatives'],
  ad: ['ad', 'ads'],
  adLine: ['line', 'lines'],
  extra: ['extra', 'extras'],
  setAside: ['finding', 'findings'],
  scenario: ['scenario', 'scenarios'],
};

/** What a row of a record is called. */
export const nounOf = (record: RecordName) => nouns[record][0];

const severalNames: Record<StepName, string> = {
  'proposal-applied': 'applied proposed groups',
  'master-applied': 'applied a master',
  'ad-detached': 'detached an ad from its master',
  'versions-added': 'added test versions',
  'ads-edited': 'changed ads',
  'format-changed': 'changed the format of ads',
  'extras-added': 'added extras',
  'extra-set-taken': 'took over a shared set of extras',
  'safe-mended': 'mended all that is safe',
  'kept-apart': 'kept two groups apart',
  'keywords-copied': 'copied keywords',
  'groups-tidied': 'tidied up groups',
  'negatives-moved': 'moved negatives',
  'negatives-tidied': 'took negatives out that others cover',
  'budget-split': 'split the money',
  'not-offered-blocked': 'blocked what is not offered',
  'first-draft': 'laid out the plan',
  'keywords-grouped': 'put keywords in a group',
  'ad-added': 'added an ad',
  pasted: 'pasted finds',
  'client-added': 'added a client and a plan',
  'starter-negatives': 'added starter negatives',
  'campaign-added': 'added a campaign',
  'tables-read-in': 'read in tables',
  'version-brought-back': 'went back to a version',
  'brought-back': 'brought back what was taken out',
  'places-pasted': 'added a list of places',
  'copied-to-place': 'copied to another place',
  'names-applied': 'named campaigns by the pattern',
  'figures-fetched': 'fetched figures',
  'fact-changed': 'changed a fact and the lines that state it',
  'currency-changed': 'changed the currency',
  'page-read': 'took facts from a page',
  'finds-judged': 'judged finds',
  'word-judged': 'judged a word',
  'word-taken-back': 'took a judged word back',
  'proposals-accepted': 'accepted proposed verdicts',
  'finds-fetched': 'fetched finds',
  'place-swapped': 'put another place in finds',
  'rules-applied': 'applied kept rules',
  'keys-changed': 'changed keys',
  'rivals-read-in': 'read in rivals',
  'rival-named': 'named a rival',
  'own-group-made': 'made a group of its own',
  'term-judged': 'judged a search term',
  'matches-changed': 'changed match types',
  'pages-read-in': 'read in pages of the site',
  'page-groups-made': 'made groups of pages',
  'pages-left-out': 'left pages out',
  'page-rules-changed': 'changed the order of rules',
  'leads-read-in': 'read in which leads were good',
  'report-read-in': 'read in a report',
  'bids-set': 'set bids',
  'money-set': 'set money',
  'hours-opened': 'opened all hours',
  'scenario-taken': 'took a scenario over',
  'keywords-parked': 'parked keywords',
  'keywords-put-back': 'put parked keywords back',
  'spread-by-value': 'spread bids and money by what they bring',
};

const verdictWords = {
  open: 'took the verdict off',
  keep: 'kept',
  block: 'blocked',
  pass: 'passed',
  later: 'put off',
} as const;

function wordSet({ record, fields, count }: StepSummary): string {
  const [one, many] = nouns[record ?? 'keyword'];
  const what = countOf(count, one, many);
  if (fields.includes('groupId') || (record === 'group' && fields.includes('campaignId'))) return `moved ${what}`;
  if (fields.includes('match')) return `set the match type of ${what}`;
  if (fields.includes('bidMinor') || fields.includes('defaultBidMinor')) return `set the bid of ${what}`;
  if (record === 'plan' && fields.includes('archivedOn')) return 'archived or took back a plan';
  if (record === 'plan' && fields.includes('handedOffOn')) return 'marked the plan handed off';
  if (record === 'plan' && fields.includes('ruleSetKey')) return 'chose a rule set';
  if (record === 'plan' && fields.includes('layoutKey')) return 'chose a column layout';
  if (fields.length === 1 && fields[0] === 'name') return `renamed ${count === 1 ? `a ${one}` : what}`;
  return `edited ${count === 1 ? `a ${one}`.replace(/^a (?=[aeo])/, 'an ').replace('a brief', 'the brief') : what}`;
}

/** What a step did: “moved 12 keywords”. */
export function wordStep(step: StepSummary): string {
  const [one, many] = nouns[step.record ?? 'keyword'];
  switch (step.type) {
    case 'add':
      return step.record === 'setAside' ? 'set a finding aside' : `added ${countOf(step.count, one, many)}`;
    case 'remove':
      return step.record === 'setAside' ? 'brought a finding back' : `took out ${countOf(step.count, one, many)}`;
    case 'set':
      return wordSet(step);
    case 'judge':
      return `${verdictWords[step.verdict ?? 'open']} ${countOf(step.count, 'find')}`;
    case 'merge-groups':
      return `merged ${countOf(step.count, 'group')}`;
    case 'several':
      return step.name === 'word-judged' && step.about ? `judged ${step.about}` : severalNames[step.name ?? 'first-draft'];
  }
}
