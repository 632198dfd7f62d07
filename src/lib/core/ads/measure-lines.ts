import type { LineKindOfAd } from '../records/ad-line';
import type { FillContext } from './fill-slots';
import { measureLine, type Measure } from './measure';

interface Line {
  id: string;
  kind: LineKindOfAd;
  text: string;
}

interface Kept {
  text: string;
  keywords: readonly string[];
  context: string;
  measure: Measure;
}

/** Measures the lines of an ad again and again: after a keystroke only the line that changed is measured. */
export class LineMeasures {
  private kept = new Map<string, Kept>();

  /** The measure of every line by its id. `keywords` is taken to be unchanged as long as it is the same list. */
  measure(
    lines: readonly Line[],
    keywords: readonly string[],
    contexts: Readonly<Record<LineKindOfAd, FillContext>>,
  ): ReadonlyMap<string, Measure> {
    const written = { headline: JSON.stringify(contexts.headline), description: JSON.stringify(contexts.description) };
    const next = new Map<string, Kept>();
    for (const { id, kind, text } of lines) {
      const kept = this.kept.get(id);
      const context = written[kind];
      const stands = kept && kept.text === text && kept.keywords === keywords && kept.context === context;
      next.set(id, stands ? kept : { text, keywords, context, measure: measureLine(text, keywords, contexts[kind]) });
    }
    this.kept = next;
    return new Map([...next].map(([id, { measure }]) => [id, measure]));
  }
}
