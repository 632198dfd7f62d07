import { idsToCompare } from '../store/patched-rows';
import type { Find } from '../records/find';
import type { WordVerdict } from '../records/word-verdict';
import type { Lexicon } from './lexicon';
import { speaksAgainst, type WordRecord } from './propose-verdict';

type Judged = 'kept' | 'blocked' | 'passed';
const outcomes: Readonly<Partial<Record<Find['verdict'], Judged>>> = { keep: 'kept', block: 'blocked', pass: 'passed' };

/**
 * What verdicts have taught of single words, kept up to date. A find is blocked for the word that speaks
 * against it, not for its others; one that a judged word settled says something of that word alone.
 */
export class VerdictHistory {
  private rows: ReadonlyMap<string, Find> = new Map();
  private readonly records = new Map<string, WordRecord>();

  /** Each find that was counted, with the words that were credited. */
  private readonly credited = new Map<string, readonly string[]>();

  constructor(private readonly lexicon: Lexicon) {}

  /** Takes the finds as they now are; answers what is known by word. */
  update(rows: ReadonlyMap<string, Find>, judged: ReadonlyMap<string, WordVerdict>): ReadonlyMap<string, WordRecord> {
    if (rows === this.rows) return this.records;
    for (const id of idsToCompare(this.rows, rows)) {
      const [before, after] = [this.rows.get(id), rows.get(id)];
      if (before === after) continue;
      if (before) this.forget(before);
      if (after) this.learn(after, judged);
    }
    this.rows = rows;
    return this.records;
  }

  private learn(find: Find, judged: ReadonlyMap<string, WordVerdict>): void {
    const outcome = outcomes[find.verdict];
    if (!outcome) return;
    const words = this.wordsBehind(find, outcome, judged);
    this.credited.set(find.id, words);
    for (const word of words) {
      let record = this.records.get(word);
      if (!record) this.records.set(word, (record = { kept: 0, blocked: 0, passed: 0 }));
      record[outcome]++;
    }
  }

  private forget(find: Find): void {
    const outcome = outcomes[find.verdict];
    if (!outcome) return;
    for (const word of this.credited.get(find.id) ?? []) this.records.get(word)![outcome]--;
    this.credited.delete(find.id);
  }

  private wordsBehind({ text, isMisspelling, wordVerdictId }: Find, outcome: Judged, judged: ReadonlyMap<string, WordVerdict>): string[] {
    const words = this.lexicon.read(text);
    const verdict = wordVerdictId === null ? undefined : judged.get(wordVerdictId);
    const settling = verdict && new Set(this.lexicon.read(verdict.words).map((word) => word.text));
    const against = outcome === 'kept' || isMisspelling ? [] : words.filter(speaksAgainst);
    const behind = settling ? words.filter((word) => settling.has(word.text)) : against.length > 0 ? against : words;
    return [...new Set(behind.filter(({ kind }) => kind !== 'core' && kind !== 'stop').map((word) => word.text))];
  }
}

/** Words for which a proposal was overruled, with how often; those of two or more are no longer proposed for. */
export function countOverruled(finds: Iterable<Find>): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { proposed, verdict } of finds) {
    if (proposed === '') continue;
    const [proposedVerdict, because = ''] = proposed.split(': ');
    if (proposedVerdict === '' || proposedVerdict === 'later' || verdict === 'open' || verdict === proposedVerdict || because === '')
      continue;
    counts.set(because, (counts.get(because) ?? 0) + 1);
  }
  return counts;
}
