import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import type { LineKindOfAd } from '../records/ad-line';
import { findPhrase, wordListsOf } from '../rules/word-lists';
import { escapePattern } from '../text/escape-pattern';
import { normalizeText, units } from '../text/text-length';
import { escapeText } from './parse-slots';

/** What was taken out of a rival's line, and why: its name, a claim to be best or first, or a figure that is the rival's own. */
export interface TakenOut {
  why: 'name' | 'claim' | 'figure';
  text: string;
}

/** A line of a rival's ad as a draft would have it. */
export interface DraftedLine {
  kind: LineKindOfAd;
  theirs: string;
  /** In the text form; empty: nothing of it is left. */
  text: string;
  out: TakenOut[];
  /** Words that neither the group nor the brief bears out: whether they are true of the client is asked. */
  unknown: string[];
  isOver: boolean;
}

export interface RivalDraft {
  headlines: readonly string[];
  descriptions: readonly string[];
}

/** What a rival's ad is read by. */
export interface DraftingContext {
  language: string;
  /** Every name of this rival and of others, and their domains. */
  names: readonly string[];
  /** What is known to be true: keywords, theme, facts, proofs, offers. */
  known: readonly string[];
  limits: Readonly<Record<LineKindOfAd, number>>;
}

const clauseEnd = /(?<=[.!?;:·|,–—])\s*|\s+[-–—|·]\s+/u;
const figure = /\p{Sc}|\d/u;

class RivalReader {
  private readonly known: ReadonlySet<string>;
  private readonly claims: readonly string[];

  constructor(private readonly by: DraftingContext) {
    const lists = wordListsOf(by.language);
    this.claims = lists.bestClaims;
    this.known = new Set([...by.known, ...lists.callsToAction].flatMap((text) => this.stems(text)));
  }

  private stems(text: string): string[] {
    const { stem, isStopWord } = languageWords(this.by.language);
    return wordsOf(text.toLowerCase())
      .map((word) => word.replace(/[^\p{L}\p{N}'’-]/gu, ''))
      .filter((word) => word !== '' && !isStopWord(word))
      .map(stem);
  }

  /** A clause without the names in it; a possessive goes with its name. */
  private withoutNames(clause: string, out: TakenOut[]): string {
    return this.by.names.reduce((text, name) => {
      if (name.trim() === '') return text;
      const pattern = new RegExp(
        `(?<![\\p{L}\\p{N}])(?:(?:by|from|at|with|von|bei|av|hos|fra)\\s+)?${escapePattern(name.trim())}(?:['’]s?)?(?![\\p{L}\\p{N}])`,
        'giu',
      );
      return text.replace(pattern, (found) => {
        out.push({ why: 'name', text: found.trim() });
        return ' ';
      });
    }, clause);
  }

  private readClause(clause: string, out: TakenOut[]): string {
    const claim = findPhrase(clause, this.claims);
    if (claim !== null || figure.test(clause)) {
      out.push({ why: claim === null ? 'figure' : 'claim', text: normalizeText(clause).replace(/[\s.,;:·|–—-]+$/u, '') });
      return '';
    }
    const left = normalizeText(this.withoutNames(clause, out)).replace(/^[\s.,;:·|–—-]+/u, '');
    return this.stems(left).length === 0 ? '' : left;
  }

  read(kind: LineKindOfAd, theirs: string): DraftedLine {
    const out: TakenOut[] = [];
    const kept = theirs
      .split(clauseEnd)
      .map((clause) => this.readClause(clause, out))
      .filter((clause) => clause !== '');
    const joined = normalizeText(kept.join(' '));
    // What stood before a clause that went is not left hanging.
    const plain = out.length > 0 ? joined.replace(/\s+(?=[.,;:!?])/gu, '').replace(/[,;:·|–—-]+$/u, '') : joined;
    const raised = plain.replace(/^\p{Ll}/u, (letter) => (/^\p{Lu}/u.test(theirs) ? letter.toUpperCase() : letter));
    const words = wordsOf(raised).map((word) => word.replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu, ''));
    const unknown = [...new Set(words)].filter((word) => this.stems(word).some((stem) => !this.known.has(stem)));
    return { kind, theirs, text: escapeText(raised), out, unknown, isOver: units(raised) > this.by.limits[kind] };
  }
}

/**
 * A rival's ad as the start of one's own: its names, its claims to be best and its figures are taken out of every line; what is left and neither the
 * group nor the brief bears out is named, so that nothing is promised that another promised.
 */
export function draftFromRival({ headlines, descriptions }: RivalDraft, by: DraftingContext): DraftedLine[] {
  const reader = new RivalReader(by);
  return [...headlines.map((text) => reader.read('headline', text)), ...descriptions.map((text) => reader.read('description', text))];
}
