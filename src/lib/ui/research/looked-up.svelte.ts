import type { Find } from '$lib/core/records/find';
import type { ResultsPage } from '$lib/core/research/results-page';
import { askForLines } from '../state/ask-server';

const mostLookedUp = 300;

/** What searches show, as far as somebody asked for it. */
export class LookedUp {
  /** Results pages by text. */
  pages = $state.raw<ReadonlyMap<string, ResultsPage>>(new Map());
  /** Those that proposals stand on: only what was looked up on purpose, so that no find moves while it is looked at. */
  evidence = $state.raw<ReadonlyMap<string, ResultsPage>>(new Map());

  /** Finds left of which neither words nor a results page say anything yet. */
  readonly unclear: readonly Find[] = $derived.by(() =>
    this.unsaid().filter(({ verdict, text }) => verdict === 'open' && !this.evidence.has(text)),
  );

  /** `unsaid`: finds of which the words alone say nothing. */
  constructor(private readonly unsaid: () => readonly Find[]) {}

  /** Looks up what unclear finds show, the most searched first; answers how many. */
  async lookUpUnclear(): Promise<number> {
    const texts = [...this.unclear]
      .sort((a, b) => (b.searchesHigh ?? 0) - (a.searchesHigh ?? 0))
      .slice(0, mostLookedUp)
      .map(({ text }) => text);
    await this.askResults(texts);
    this.evidence = new Map([
      ...this.evidence,
      ...texts.flatMap((text) => {
        const page = this.pages.get(text);
        return page ? [[text, page] as const] : [];
      }),
    ]);
    return texts.length;
  }

  /** Asks what searches show, those that are not known yet. */
  async askResults(texts: readonly string[]): Promise<void> {
    const unknown = texts.filter((text) => !this.pages.has(text));
    if (unknown.length === 0) return;
    await askForLines('/api/market/results', { texts: unknown }, (line) => {
      const { pages } = line as { pages?: ResultsPage[] };
      if (pages) this.pages = new Map([...this.pages, ...pages.map((page) => [page.text, page] as const)]);
    });
  }
}
