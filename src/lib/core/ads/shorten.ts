import { languageWords, type LanguageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { applyCase } from '../text/letter-case';
import { measureLine, type Measure } from './measure';
import { liveSlot, liveSlotOf, type FillContext } from './fill-slots';
import { escapeFallback, parseSlots, writeSlot, type SlotSegment } from './parse-slots';

/** One way to make a line shorter: what it would be, and what was done. */
export interface Shortening {
  text: string;
  /** The line's longest reading then, in units. */
  units: number;
  fits: boolean;
  what: { kind: 'shorter-word'; from: string; to: string } | { kind: 'dropped'; word: string } | { kind: 'shorter-fallback'; to: string };
}

const mostWays = 3;

/** Positions of words in fixed text, as they stand in the source. */
function wordsWithPlaces(source: string): { word: string; from: number; to: number }[] {
  const slots = parseSlots(source).segments.filter((part): part is SlotSegment => part.kind === 'slot');
  return [...source.matchAll(/[^\s[\]|\\]+/gu)].flatMap((match) => {
    const [from, to] = [match.index, match.index + match[0].length];
    return slots.some(({ at, end }) => from < end && to > at) ? [] : [{ word: match[0], from, to }];
  });
}

const bare = (word: string) => word.replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu, '');
const cut = (source: string, from: number, to: number, put = '') =>
  `${source.slice(0, from)}${put}${source.slice(to)}`.replace(/\s{2,}/g, ' ').trim();

/** A word in the letters of another: raised where that one is. */
const like = (model: string, word: string, language: string) => applyCase(word, /^\p{Lu}/u.test(model) ? 'sentence' : null, language);

class Shortener {
  private readonly ways: Shortening[] = [];
  private readonly now: number;
  private readonly language: LanguageWords;

  constructor(
    private readonly source: string,
    private readonly keywords: readonly string[],
    private readonly context: FillContext,
    private readonly planWords: readonly string[],
    private readonly shorterFallbacks: readonly string[],
  ) {
    this.language = languageWords(context.language);
    this.now = this.lengthOf(measureLine(source, keywords, context));
  }

  private lengthOf = (measure: Measure) => Math.max(measure.unitsWithFallback, measure.units.longest);

  private take(text: string, what: Shortening['what']): void {
    if (text === '' || this.ways.some((way) => way.text === text)) return;
    const units = this.lengthOf(measureLine(text, this.keywords, this.context));
    if (units < this.now) this.ways.push({ text, units, fits: units <= this.context.limit, what });
  }

  private shorterWords(): void {
    const { stem } = this.language;
    for (const { word, from, to } of wordsWithPlaces(this.source)) {
      const own = bare(word).toLowerCase();
      if (own === '') continue;
      for (const other of this.planWords)
        if (other.length < own.length && other !== own && stem(other) === stem(own))
          this.take(
            cut(
              this.source,
              from,
              to,
              word.replace(bare(word), () => like(bare(word), other, this.context.language)),
            ),
            {
              kind: 'shorter-word',
              from: bare(word),
              to: other,
            },
          );
    }
  }

  /** Small words first, which say least, then short ones. */
  private droppedWords(): void {
    const places = wordsWithPlaces(this.source);
    if (places.length < 2) return;
    const isSmall = ({ word }: { word: string }) => this.language.isStopWord(bare(word).toLowerCase());
    for (const { word, from, to } of places.sort((a, b) => Number(isSmall(b)) - Number(isSmall(a)) || a.word.length - b.word.length))
      this.take(cut(this.source, from, to), { kind: 'dropped', word: bare(word) || word });
  }

  private fallbacks(): void {
    const slot = liveSlotOf(this.source);
    if (!slot) return;
    for (const fallback of this.shorterFallbacks) {
      const text = `${this.source.slice(0, slot.at)}${writeSlot(liveSlot, escapeFallback(fallback), slot.caseName)}${this.source.slice(slot.end)}`;
      this.take(text, { kind: 'shorter-fallback', to: fallback });
    }
  }

  find(): Shortening[] {
    this.fallbacks();
    this.shorterWords();
    this.droppedWords();
    const order = { 'shorter-fallback': 0, 'shorter-word': 1, dropped: 2 };
    return this.ways.sort((a, b) => Number(b.fits) - Number(a.fits) || order[a.what.kind] - order[b.what.kind]).slice(0, mostWays);
  }
}

/**
 * The three most useful ways to make a line shorter, each with its length; those that fit first. `planWords`: words that the plan itself writes;
 * `shorterFallbacks`: what a live slot could fall back to.
 */
export const shortenLine = (
  source: string,
  keywords: readonly string[],
  context: FillContext,
  { planWords, shorterFallbacks }: { planWords: readonly string[]; shorterFallbacks: readonly string[] },
): Shortening[] => new Shortener(source, keywords, context, planWords, shorterFallbacks).find();

/** Words of some texts, each once. */
export const wordsOfTexts = (texts: readonly string[]): string[] => [...new Set(texts.flatMap((text) => wordsOf(text.toLowerCase())))];
