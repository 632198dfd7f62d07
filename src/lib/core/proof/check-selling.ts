import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { findPhrase, holdsPhrase, wordListsOf } from '../rules/word-lists';
import { inOrder, type Snapshot } from '../store/snapshot';
import { briefTexts } from '../view/plan-view';
import { said } from './check-extras';
import type { FindingData, Report } from './finding';
import { named, place, type MeasuredAd } from './measured-ad';
import type { RuleId } from './rule-list';

type LineOf = MeasuredAd['lines'][number];

/** What rivals' ads say that lists from files tell of. */
interface RivalLines {
  /** By letters and digits: the line and whose it is. */
  lines: ReadonlyMap<string, { text: string; rival: string }>;
  /** Searches whose ads show a price, with whose ad does. */
  priced: ReadonlyMap<string, string>;
}

const amount = /\p{Sc}\s?\d|\d\s?(?:\p{Sc}|kr\b)|\bkr\.?\s?\d/iu;
const kept = new WeakMap<Snapshot['seenCompetitor'], RivalLines>();

function rivalLinesOf({ seenCompetitor }: Snapshot): RivalLines {
  let found = kept.get(seenCompetitor);
  if (found) return found;
  const lines = new Map<string, { text: string; rival: string }>();
  const priced = new Map<string, string>();
  for (const { name, ads } of inOrder(seenCompetitor))
    for (const { headlines, descriptions, searches } of ads) {
      const texts = [...headlines, ...descriptions];
      for (const text of texts) lines.set(said(text), { text, rival: name });
      if (texts.some((text) => amount.test(text))) for (const search of searches) priced.set(search, name);
    }
  found = { lines, priced };
  kept.set(seenCompetitor, found);
  return found;
}

class SellingReader {
  private readonly filled: readonly LineOf[];
  private readonly reports: Report[] = [];
  private readonly lists;
  private readonly language;

  constructor(private readonly ad: MeasuredAd) {
    this.filled = ad.lines.filter(({ line }) => line.text.trim() !== '');
    this.lists = wordListsOf(ad.editorial.language);
    this.language = languageWords(ad.editorial.language);
  }

  read(): Report[] {
    if (this.filled.length === 0) return [];
    this.theme();
    this.calls();
    this.offer();
    this.reason();
    this.condition();
    this.rivals();
    return this.reports;
  }

  private say(rule: RuleId, field: string, data: FindingData = {}, record: string = this.ad.ad.id): void {
    this.reports.push({ rule, record, where: place(this.ad, field), data: { ...named(this.ad), ...data } });
  }

  private stemsOf(text: string): Set<string> {
    const { stem, isStopWord } = this.language;
    return new Set(
      wordsOf(text.toLowerCase())
        .filter((word) => !isStopWord(word))
        .map(stem),
    );
  }

  /** Whether a headline reads the theme of the group, by stems: for whoever searched, or with its fallback. */
  private readsTheme({ measure }: LineOf, theme: ReadonlySet<string>): boolean {
    if (measure.hasLiveSlot && measure.fallbacks < measure.readings.length) return true;
    const read = this.stemsOf(measure.textWithFallback);
    return [...theme].some((word) => read.has(word));
  }

  private theme(): void {
    const headlines = this.filled.filter(({ line }) => line.kind === 'headline');
    if (headlines.length === 0 || this.ad.view.rules.formats[this.ad.ad.format].headlines.most === 0) return;
    const theme = this.ad.group.theme || this.ad.group.name;
    const stems = this.stemsOf(theme);
    const saying = headlines.filter((one) => this.readsTheme(one, stems));
    if (saying.length === 0) this.say('ads.no-theme', 'headlines', { theme });
    else if (this.ad.ad.format !== 'classic' && saying.every(({ line }) => line.fixedAt === 3))
      this.say('ads.third-needed', 'headlines', { theme });
  }

  /** Calls to action that begin a sentence of a line, or a choice in one, each once: what is done one after the other does not compete. */
  private callsIn(text: string): string[] {
    const joints = this.lists.orWords.map((word) => `\\s${word}\\s`).join('|');
    const parts = text.toLowerCase().split(new RegExp(`[.!?;–—]\\s*|${joints}`, 'u'));
    const begun = parts.flatMap((part) => {
      const found = this.lists.callsToAction.filter((call) => part.trim() === call || part.trim().startsWith(`${call} `));
      return found.sort((a, b) => b.length - a.length).slice(0, 1);
    });
    return [...new Set(begun)];
  }

  private calls(): void {
    if (!this.filled.some(({ measure }) => findPhrase(measure.textWithFallback, this.lists.callsToAction) !== null))
      this.say('ads.nothing-to-do', 'descriptions');
    for (const { line, measure } of this.filled) {
      const calls = this.callsIn(measure.textWithFallback);
      if (calls.length > 1) this.say('ads.calls-compete', line.kind, { text: measure.textWithFallback, calls }, line.id);
    }
  }

  /** The offer that a group was given, and that none of its lines says. */
  private offer(): void {
    const { group, view } = this.ad;
    const offer = group.offerId === null ? undefined : view.snapshot.offer.get(group.offerId);
    if (!offer || offer.name.trim() === '') return;
    const wanted = [...this.stemsOf(offer.name)];
    const isSaid = this.filled.some(({ line, measure }) => {
      if (/\[\[(?:offer|price)\b/.test(line.text) || amount.test(measure.textWithFallback)) return true;
      const read = this.stemsOf(measure.textWithFallback);
      return wanted.some((word) => read.has(word));
    });
    if (!isSaid) this.say('ads.no-offer', 'descriptions', { offer: offer.name });
  }

  /** Reasons that the brief gives, none of which a line says: of a fact half of its words are enough. */
  private reason(): void {
    const facts = [...briefTexts(this.ad.view, 'fact'), ...briefTexts(this.ad.view, 'proof')];
    if (facts.length === 0) return;
    const read = new Set(this.filled.flatMap(({ measure }) => [...this.stemsOf(measure.textWithFallback)]));
    const isSaid = facts.some((fact) => {
      const words = [...this.stemsOf(fact)];
      return words.length > 0 && words.filter((word) => read.has(word)).length * 2 >= words.length;
    });
    if (!isSaid) this.say('ads.no-reason', 'descriptions', { fact: facts[0]! });
  }

  /** Whom the client works for stands in the brief, and no line says it to those who should not click. */
  private condition(): void {
    const { serves } = this.ad.view.brief;
    if (serves === null || serves === 'both') return;
    const words = serves === 'firms' ? this.lists.forFirms : this.lists.forHomes;
    if (!this.filled.some(({ measure }) => words.some((word) => holdsPhrase(measure.textWithFallback, word))))
      this.say('ads.no-condition', 'descriptions', { serves });
  }

  private rivals(): void {
    const { lines, priced } = rivalLinesOf(this.ad.view.snapshot);
    if (lines.size === 0) return;
    for (const { line, measure } of this.filled) {
      const theirs = lines.get(said(measure.textWithFallback));
      if (theirs) this.say('ads.rival-line', line.kind, { text: measure.textWithFallback, rival: theirs.rival }, line.id);
    }
    const search = this.ad.keywords.find((keyword) => priced.has(keyword));
    if (search !== undefined && !this.filled.some(({ measure }) => amount.test(measure.textWithFallback)))
      this.say('ads.price-missing', 'descriptions', { search, rival: priced.get(search)! });
  }
}

/** What an ad lacks to sell, and to keep away whoever should not click. */
export const checkSelling = (ad: MeasuredAd): Report[] => new SellingReader(ad).read();
