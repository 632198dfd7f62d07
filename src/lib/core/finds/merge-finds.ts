import type { StepName } from '../store/step-names';
import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { isKnown, noFigures, withFigures } from './find-figures';
import { childrenOf, inOrder, nextPosition } from '../store/snapshot';
import type { Change, SimpleChange } from '../store/changes';
import { firstLanguage, type PlanView } from '../view/plan-view';
import { blankFields } from '../records/record-types';
import type { Figures, Find, Verdict } from '../records/find';
import { sameValue } from '../store/same-value';
import type { WordVerdict } from '../records/word-verdict';

/** A find on its way in. */
export interface IncomingFind {
  /** Plain text. */
  text: string;
  figures: Figures | null;
  source: string;
  isMisspelling?: boolean;
  /** The term that brought it. */
  broughtBy?: string;
  /** Where it comes judged. */
  verdict?: Verdict;
}

/** How many finds come in. */
export interface IncomingCounts {
  fresh: number;
  /** Those that stand already; their sources and figures are joined. */
  known: number;
  /** Of the fresh ones, those that standing words judge at once. */
  ruled: number;
}

/** What bringing finds in does. */
export interface MergedFinds extends IncomingCounts {
  change: Change | null;
}

const mostSources = 20;
/** Letters of a source that are kept beside that of the find, as its schema has it. */
const mostOfSource = 200;

/** Judged words that stand, and which of them settles a text. */
class SettledWords {
  private readonly rules: { row: WordVerdict; stems: string; words: number }[];
  private readonly stem: (word: string) => string;

  constructor(view: PlanView) {
    const { stem } = languageWords(firstLanguage(view, undefined));
    this.stem = stem;
    this.rules = inOrder(view.snapshot.wordVerdict)
      .filter(({ stands }) => stands)
      .map((row) => ({ row, stems: wordsOf(row.words).map(stem).join(' '), words: wordsOf(row.words).length }));
  }

  /** The rule that settles a text, with the form of its words there; the first that was made. */
  find(text: string): { row: WordVerdict; form: string } | null {
    if (this.rules.length === 0) return null;
    const words = wordsOf(text);
    const stems = words.map(this.stem);
    for (const { row, stems: wanted, words: length } of this.rules)
      for (let at = 0; at + length <= words.length; at++)
        if (stems.slice(at, at + length).join(' ') === wanted) return { row, form: words.slice(at, at + length).join(' ') };
    return null;
  }
}

/** Fields of a find that stands already, with what came again. */
function joined(find: Find, { figures, source, broughtBy = '' }: IncomingFind, key: string): Partial<Find> | null {
  const isNewSource = source !== '' && source !== find.source && !find.alsoFrom.includes(source.slice(0, mostOfSource));
  const fields: Partial<Find> = {
    ...(find.broughtBy === '' && broughtBy !== '' && { broughtBy }),
    ...(isNewSource && { alsoFrom: [...find.alsoFrom, source.slice(0, mostOfSource)].slice(0, mostSources) }),
    ...(figures && isKnown(figures) && withFigures(find, figures, key)),
  };
  const isChanged = Object.entries(fields).some(([field, value]) => !sameValue(find[field as keyof Find], value));
  return isChanged ? fields : null;
}

/** A find that comes in, judged by a word that stands. Field by field, so that hundreds of thousands share one shape in memory. */
function freshFind(one: IncomingFind, rule: WordVerdict | null, { id, position }: { id: string; position: number }): Find {
  const figures = one.figures ?? noFigures;
  return {
    id,
    text: one.text,
    verdict: rule?.verdict ?? one.verdict ?? 'open',
    source: one.source,
    position,
    searchesLow: figures.searchesLow,
    searchesHigh: figures.searchesHigh,
    bidLowMinor: figures.bidLowMinor,
    bidHighMinor: figures.bidHighMinor,
    bids: figures.bids,
    months: figures.months,
    figuresOf: figures.figuresOf,
    figuresOn: figures.figuresOn,
    figuresKind: figures.figuresKind,
    figuresFrom: figures.figuresFrom,
    otherFigures: [],
    alsoFrom: [],
    broughtBy: one.broughtBy ?? '',
    reason: rule?.reason ?? null,
    wordVerdictId: rule?.id ?? null,
    proposed: '',
    swappedFrom: '',
    isMisspelling: one.isMisspelling ?? false,
  };
}

interface MergeContext {
  key: string;
  name: StepName;
  newId: () => string;
}

/** Brings finds into a plan, some after the other: the same words stand once, sources and figures are joined, standing words judge at once. */
export class FindMerger {
  private readonly existing: ReadonlyMap<string, Find>;
  private readonly rules: SettledWords;
  private position: number;
  /** Forms of standing words that earlier calls met for the first time. */
  private readonly formsMet = new Set<string>();

  constructor(
    private readonly view: PlanView,
    private readonly context: MergeContext,
  ) {
    const { find } = view.snapshot;
    this.existing = new Map([...find.values()].map((one) => [one.text, one]));
    this.rules = new SettledWords(view);
    this.position = nextPosition(find.values());
  }

  /** The change that brings finds in, one step. None of their texts came with an earlier call. */
  merge(incoming: Iterable<IncomingFind>): MergedFinds {
    const { key, name, newId } = this.context;
    const fresh = new Map<string, Find>();
    const updates = new Map<string, Partial<Find>>();
    const forms = new Map<string, string>();
    let [ruled, all] = [0, 0];
    for (const one of incoming) {
      all++;
      const known = this.existing.get(one.text);
      if (known) {
        const fields = joined({ ...known, ...updates.get(known.id) }, one, key);
        if (fields) updates.set(known.id, { ...updates.get(known.id), ...fields });
        continue;
      }
      const made = fresh.get(one.text);
      if (made) {
        fresh.set(one.text, { ...made, ...joined(made, one, key) });
        continue;
      }
      const rule = one.verdict === undefined ? this.rules.find(one.text) : null;
      if (rule) ruled++;
      if (rule?.row.verdict === 'block' && !this.formsMet.has(rule.form)) forms.set(rule.form, rule.row.id);
      fresh.set(one.text, freshFind(one, rule?.row ?? null, { id: newId(), position: this.position++ }));
    }
    for (const form of forms.keys()) this.formsMet.add(form);
    const rows = [...fresh.values()];
    const blocked = rows
      .filter(({ verdict, wordVerdictId }) => verdict === 'block' && wordVerdictId === null)
      .map(({ id }) => id as string);
    const changes: SimpleChange[] = [
      ...(rows.length > 0 ? [{ type: 'add' as const, record: 'find' as const, rows }] : []),
      ...(updates.size > 0
        ? [{ type: 'set-each' as const, record: 'find' as const, rows: [...updates].map(([id, fields]) => ({ id, ...fields })) }]
        : []),
      ...(blocked.length > 0 ? [{ type: 'judge' as const, ids: blocked, verdict: 'block' as const }] : []),
      ...negativesFor(this.view, forms, newId),
    ];
    return {
      change: changes.length === 0 ? null : { type: 'several', name, changes },
      fresh: rows.length,
      known: all - rows.length,
      ruled,
    };
  }
}

/** What bringing finds in would do. `existing` are the texts of the plan's finds. */
export function countIncoming(view: PlanView, existing: ReadonlySet<string>, incoming: Iterable<IncomingFind>): IncomingCounts {
  const rules = new SettledWords(view);
  const counts = { fresh: 0, known: 0, ruled: 0 };
  const met = new Set<string>();
  for (const { text, verdict } of incoming) {
    const isKnown = existing.has(text) || met.has(text);
    met.add(text);
    counts[isKnown ? 'known' : 'fresh']++;
    if (!isKnown && verdict === undefined && rules.find(text)) counts.ruled++;
  }
  return counts;
}

/** The change that brings finds in, one step. */
export const mergeFinds = (view: PlanView, incoming: Iterable<IncomingFind>, context: MergeContext): MergedFinds =>
  new FindMerger(view, context).merge(incoming);

/** Negatives know no stems: a form that is met for the first time is written down with its word. */
function negativesFor({ snapshot }: PlanView, forms: ReadonlyMap<string, string>, newId: () => string): SimpleChange[] {
  let position = nextPosition(snapshot.negative.values());
  const rows = [...forms]
    .filter(([text, id]) => !childrenOf(snapshot.negative, 'wordVerdictId', id).some((negative) => negative.text === text))
    .map(([text, wordVerdictId]) => ({
      id: newId(),
      ...blankFields('negative'),
      text,
      wordVerdictId,
      position: position++,
    }));
  return rows.length === 0 ? [] : [{ type: 'add', record: 'negative', rows }];
}
