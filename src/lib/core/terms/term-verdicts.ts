import { findsByText } from '../finds/keyword-figures';
import { negativeListsOn } from '../groups/acting-negatives';
import { newKeywords, newNegatives } from '../groups/new-rows';
import { PlanAnswers, type SureAnswer } from '../groups/plan-answers';
import { blocks, prepareNegative, prepareSearch } from '../keywords/matching';
import { NegativeIndex } from '../keywords/negative-index';
import type { Keyword } from '../records/keyword';
import type { Group } from '../records/group';
import type { StepName } from '../store/step-names';
import { blockFinds } from '../research/block-finds';
import { fileKeywords } from '../research/file-keywords';
import type { Change, SimpleChange } from '../store/changes';
import { childrenOf, inOrder } from '../store/snapshot';
import { firstLanguage, type PlanView } from '../view/plan-view';
import { judgeFinds } from './judge-finds';
import type { Term } from './read-terms';

/** What was decided on a term, as the plan holds it. */
export type TermVerdict = 'exact' | 'keyword' | 'blocked' | 'waits';

/** Terms judged at once: the step, and those that it leaves alone. */
export interface TermsJudged {
  /** Null where nothing is left to do. */
  change: Change | null;
  /** Terms that were judged. */
  done: readonly Term[];
  /** Terms left alone: no group is known, or a keyword would be blocked. */
  left: readonly Term[];
}

const step = (name: StepName, changes: SimpleChange[], done: readonly Term[], left: readonly Term[]): TermsJudged => ({
  change: changes.length === 0 ? null : { type: 'several', name, changes },
  done,
  left,
});

const textsOf = (terms: readonly Term[]) => terms.map(({ text }) => text);

/** What is decided on terms is read out of the plan itself: keywords, negatives, and finds that wait. */
export class TermVerdicts {
  private readonly answers: PlanAnswers;
  private readonly waiting: ReadonlySet<string>;
  private readonly keywords = new Map<string, Keyword[]>();

  constructor(private readonly view: PlanView) {
    for (const keyword of view.snapshot.keyword.values()) {
      const known = this.keywords.get(keyword.text);
      if (known) known.push(keyword);
      else this.keywords.set(keyword.text, [keyword]);
    }
    this.answers = new PlanAnswers(view, inOrder(view.snapshot.campaign));
    this.waiting = new Set([...view.snapshot.find.values()].flatMap(({ text, verdict }) => (verdict === 'later' ? [text] : [])));
  }

  /** Where a term stands as a keyword, exact ones first. */
  private keywordsOf({ text }: Term): readonly Keyword[] {
    return [...(this.keywords.get(text) ?? [])].sort((a, b) => Number(b.match === 'exact') - Number(a.match === 'exact'));
  }

  /** Who would answer the term now. */
  answer(term: Term): SureAnswer {
    return this.answers.answer(term.text);
  }

  /** The group of the plan that a term belongs to: where it is a keyword, else the one that the report names, else the one that would answer it. */
  groupOf(term: Term): Group | null {
    const { group } = this.view.snapshot;
    const [own] = this.keywordsOf(term);
    const standing = own && group.get(own.groupId);
    const named = term.inGroups.find((one) => one.group)?.group;
    const answering = () => group.get(this.answers.answer(term.text).group ?? '');
    return standing ?? named ?? answering() ?? null;
  }

  /** What stands for a term; null: it is to be judged. */
  of(term: Term): TermVerdict | null {
    const own = this.keywordsOf(term);
    if (own[0]?.match === 'exact') return 'exact';
    const groups = term.inGroups.flatMap(({ group }) => group ?? []);
    if (groups.length > 0 && groups.every((group) => this.isBlocked(term, group))) return 'blocked';
    if (own.length > 0) return 'keyword';
    return this.waiting.has(term.text) ? 'waits' : null;
  }

  private isBlocked({ text }: Term, group: Group): boolean {
    const search = prepareSearch(text, firstLanguage(this.view, this.view.snapshot.campaign.get(group.campaignId)));
    return negativeListsOn(this.view, group).some((list) => NegativeIndex.of(list).doesBlock(search));
  }
}

/** Terms kept as exact keywords of their groups. */
export function keepExact(view: PlanView, verdicts: TermVerdicts, terms: readonly Term[], newId: () => string): TermsJudged {
  const byGroup = new Map<Group, Term[]>();
  const left: Term[] = [];
  for (const term of terms) {
    const group = verdicts.groupOf(term);
    if (group) byGroup.set(group, [...(byGroup.get(group) ?? []), term]);
    else left.push(term);
  }
  const changes = [...byGroup].flatMap(([group, own]): SimpleChange[] => {
    const marks = own.map(({ text }) => ({ text, match: 'exact' as const }));
    const rows = newKeywords(view.snapshot, group.id, marks, newId);
    return rows.length === 0 ? [] : [{ type: 'add', record: 'keyword', rows }];
  });
  const done = [...byGroup.values()].flat();
  return step('term-judged', [...changes, ...judgeFinds(view.snapshot, textsOf(done), 'keep')], done, left);
}

/** Terms kept as keywords of one group, by its own match type; those of another group of its campaign move there. */
export function keepInGroup(view: PlanView, group: Group, terms: readonly Term[], newId: () => string): TermsJudged {
  const filed = terms.map(({ text }) => ({ text, group }));
  return step(
    'term-judged',
    [...fileKeywords(view.snapshot, filed, newId), ...judgeFinds(view.snapshot, textsOf(terms), 'keep')],
    terms,
    [],
  );
}

/** Terms blocked in the groups that answered them, by exact negatives; one that is itself a keyword there is left alone. */
export function blockInGroups(view: PlanView, verdicts: TermVerdicts, terms: readonly Term[], newId: () => string): TermsJudged {
  const byGroup = new Map<Group, string[]>();
  const done: Term[] = [];
  for (const term of terms) {
    const named = term.inGroups.flatMap(({ group }) => group ?? []);
    const groups = named.length > 0 ? named : [verdicts.groupOf(term)].filter((group) => group !== null);
    const blocking = groups.filter((group) => !blocksOwn(view, group, term.text, 'exact'));
    for (const group of blocking) byGroup.set(group, [...(byGroup.get(group) ?? []), term.text]);
    if (blocking.length > 0 && blocking.length === groups.length) done.push(term);
  }
  const rows = [...byGroup]
    .flatMap(([group, texts]) => newNegatives(view.snapshot, group.id, newOnes(view, group, texts), newId))
    .map((row, at, [first]) => ({ ...row, position: first!.position + at }));
  const changes: SimpleChange[] = rows.length === 0 ? [] : [{ type: 'add', record: 'negative', rows }];
  return step('term-judged', [...changes, ...judgeFinds(view.snapshot, textsOf(done), 'pass')], done, notAmong(terms, done));
}

/** Terms blocked everywhere, as a block of their finds does; one that a keyword holds is left alone. */
export function blockEverywhere(view: PlanView, terms: readonly Term[], newId: () => string): TermsJudged {
  const groups = [...view.snapshot.group.values()];
  const done = terms.filter(({ text }) => !groups.some((group) => blocksOwn(view, group, text, 'phrase')));
  const byText = findsByText(view.snapshot.find);
  const blocked = done.flatMap(({ text }) => {
    const find = byText.get(text);
    return find && find.verdict !== 'block' ? [{ find, negative: text, reason: null }] : [];
  });
  return step('term-judged', blockFinds(view.snapshot, blocked, newId), done, notAmong(terms, done));
}

/** Terms put off until there are more clicks. */
export const putOff = (view: PlanView, terms: readonly Term[]): TermsJudged =>
  step('term-judged', judgeFinds(view.snapshot, textsOf(terms), 'later'), terms, []);

const notAmong = (terms: readonly Term[], done: readonly Term[]) => terms.filter((term) => !done.includes(term));

/** Whether a negative would block a keyword of the group. */
function blocksOwn(view: PlanView, group: Group, text: string, match: 'exact' | 'phrase'): boolean {
  const negative = prepareNegative(text, match);
  const language = firstLanguage(view, view.snapshot.campaign.get(group.campaignId));
  return childrenOf(view.snapshot.keyword, 'groupId', group.id).some((keyword) => blocks(negative, prepareSearch(keyword.text, language)));
}

/** Exact negatives that do not stand in the group yet. */
function newOnes(view: PlanView, group: Group, texts: readonly string[]) {
  const standing = new Set(
    childrenOf(view.snapshot.negative, 'groupId', group.id).flatMap(({ text, match }) => (match === 'exact' ? [text] : [])),
  );
  return [...new Set(texts)].flatMap((text) => (standing.has(text) ? [] : [{ text, match: 'exact' as const }]));
}
