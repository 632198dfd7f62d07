import type { Ad } from '../records/ad';
import { lineKinds, type AdLine } from '../records/ad-line';
import type { Group } from '../records/group';
import fallbackData from '../rules/slot-fallbacks.json';
import { childrenOf } from '../store/snapshot';
import { baseLanguage } from '../text/base-language';
import { wholeWords } from '../text/escape-pattern';
import { applyCase, caseThatMakes, type LetterCase } from '../text/letter-case';
import type { PlanView } from '../view/plan-view';
import { joinValue, type FillContext } from './fill-slots';
import { measureLine } from './measure';
import { escapeFallback, escapeText, parseSlots, writeSlot, type SlotSegment } from './parse-slots';
import { keywordTexts, lineContext } from './slot-values';

/** A line of an ad as a master would have it. */
export interface SlottedLine {
  line: AdLine;
  /** In the text form, with slots for what is the group's own; as it stands where there is nothing of the kind. */
  text: string;
  /** The slots that were put in. */
  slots: string[];
}

/** What an ad would be as a master, proposed. */
export interface SlottedAd {
  lines: SlottedLine[];
  path1: string;
  path2: string;
}

/** In the order in which they are looked for: what is longest and surest first. */
const slotOrder = ['offer', 'price', 'client', 'place', 'group'] as const;
type ProposedSlot = (typeof slotOrder)[number];

interface PlaceFallback {
  placeAfter: readonly string[];
  place: string;
  placeAlone: string;
}
const placeFallbacks: Record<string, PlaceFallback> = fallbackData;

class Slotter {
  constructor(
    private readonly context: FillContext,
    /** What the group is about, for groups whose theme finds no room. */
    private readonly general: string,
  ) {}

  /** What stands in for a value elsewhere; empty: nothing may, since it would say what is not so. */
  private fallbackFor(slot: ProposedSlot, found: string, before: string, letterCase: LetterCase | null): string {
    const { language } = this.context;
    if (slot === 'group') return this.general === '' ? found : applyCase(this.general, letterCase, language);
    if (slot !== 'place') return '';
    const known = placeFallbacks[baseLanguage(language)];
    if (!known) return found;
    const [last = ''] = before.trimEnd().split(/\s+/).slice(-1);
    return known.placeAfter.includes(last.toLowerCase()) ? known.place : known.placeAlone;
  }

  private replaceIn(text: string, slot: ProposedSlot): { before: string; slot: string; after: string } | null {
    const value = this.context.values[slot]?.trim() ?? '';
    if (value === '') return null;
    const match = wholeWords(value, 'iu').exec(text);
    if (!match) return null;
    const letterCase = caseThatMakes(match[0], value, this.context.language);
    if (letterCase === undefined) return null;
    const before = text.slice(0, match.index);
    const fallback = this.fallbackFor(slot, match[0], before, letterCase);
    return { before, slot: writeSlot(slot, escapeFallback(fallback), letterCase), after: text.slice(match.index + match[0].length) };
  }

  /** A piece of fixed text in the text form, with slots for what is the group's own, each once. */
  private slotText(text: string, taken: string[], escape = escapeText): string {
    for (const slot of slotOrder) {
      const found = taken.includes(slot) ? null : this.replaceIn(text, slot);
      if (!found) continue;
      taken.push(slot);
      return this.slotText(found.before, taken, escape) + found.slot + this.slotText(found.after, taken, escape);
    }
    return escape(text);
  }

  /** A live slot's fallback that says the group's own becomes a slot within it; any other slot stands as it was typed. */
  private slotWithin({ name, fallback, caseName, at, end }: SlotSegment, source: string, taken: string[]): string {
    const [only, ...more] = fallback ?? [];
    if (name !== 'keyword' || only?.kind !== 'text' || more.length > 0) return source.slice(at, end);
    return writeSlot(name, this.slotText(only.text, taken, escapeFallback), caseName);
  }

  line(source: string): { text: string; slots: string[] } {
    const taken: string[] = [];
    const text = parseSlots(source)
      .segments.map((part) => (part.kind === 'text' ? this.slotText(part.text, taken) : this.slotWithin(part, source, taken)))
      .join('');
    return taken.length > 0 ? { text, slots: taken } : { text: source, slots: [] };
  }

  /** A path that is a value, joined, becomes its slot. */
  path(path: string): string {
    const { values, language } = this.context;
    for (const slot of slotOrder) {
      const value = values[slot]?.trim() ?? '';
      if (value === '' || slot === 'price') continue;
      const letterCase = ([null, 'lower', 'title'] as const).find(
        (one) => joinValue(applyCase(value, one, language), this.context) === path,
      );
      if (letterCase !== undefined) return writeSlot(slot, slot === 'group' ? joinValue(this.general, this.context) : '', letterCase);
    }
    return path;
  }
}

/**
 * An ad as a master: its group's theme, place, price, offer and client found in its lines and proposed as slots. A line is slotted only where it
 * reads in this group as it did before.
 */
export function slotAd(view: PlanView, group: Group, ad: Ad): SlottedAd {
  const keywords = keywordTexts(view, group.id);
  const general = view.snapshot.campaign.get(group.campaignId)?.themeWord.trim() || view.brief.offer.trim().toLowerCase();
  const written = childrenOf(view.snapshot.adLine, 'adId', ad.id).filter(({ text }) => text.trim() !== '');
  const inOrder = lineKinds.flatMap((kind) => written.filter((line) => line.kind === kind));
  const lines = inOrder.map((line): SlottedLine => {
    const context = lineContext(view, group, ad.format, line.kind);
    const { text, slots } = new Slotter(context, general).line(line.text);
    const reads = (source: string) => measureLine(source, keywords, context).textWithFallback;
    return slots.length > 0 && reads(text) === reads(line.text) ? { line, text, slots } : { line, text: line.text, slots: [] };
  });
  const paths = new Slotter(lineContext(view, group, ad.format, 'path'), general);
  return { lines, path1: paths.path(ad.path1), path2: paths.path(ad.path2) };
}
