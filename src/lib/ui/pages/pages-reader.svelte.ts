import type { PagesSorted, RuleInWords } from '$lib/core/pages/campaign-pages';
import type { OffProposal } from '$lib/core/pages/propose-left-out';
import type { PageGroupProposal, PartedBy } from '$lib/core/pages/propose-page-groups';
import type { PagesOff } from '$lib/core/records/campaign';
import type { SitePage } from '$lib/core/records/site-page';
import type { PagesAnswer, PagesRequest } from '$lib/workers/pages.worker';

/** Where pages go, and what is proposed for them, worked out off the thread that draws. */
export class PagesReader {
  /** Where pages go by the rules that were told last, with the pages that were sorted; null before the first answer. */
  sorted = $state.raw<(PagesSorted & { pages: readonly SitePage[] }) | null>(null);
  private readonly worker = new Worker(new URL('../../workers/pages.worker.ts', import.meta.url), { type: 'module' });
  private readonly takers: ((answer: PagesAnswer) => void)[] = [];
  private pages: readonly SitePage[] = [];
  private sorting = 0;

  constructor() {
    this.worker.onmessage = ({ data }: MessageEvent<PagesAnswer>) => this.takers.shift()?.(data);
  }

  /** The pages that all later questions are about. */
  tell(pages: readonly SitePage[], domain: string, digits: number): void {
    this.pages = pages;
    void this.ask({ ask: 'pages', pages, domain, digits });
  }

  /** Sorts the pages; of answers that overtake each other the last stands. */
  sort(rules: readonly RuleInWords[], pagesOff: readonly PagesOff[]): void {
    const [question, { pages }] = [++this.sorting, this];
    void this.ask({ ask: 'sort', rules: [...rules], pagesOff: pagesOff.map((one) => ({ ...one })) }).then((answer) => {
      if ('sorted' in answer && question === this.sorting) this.sorted = { ...answer.sorted, pages };
    });
  }

  async leftOut(): Promise<OffProposal[]> {
    const answer = await this.ask({ ask: 'left-out' });
    return 'leftOut' in answer ? answer.leftOut : [];
  }

  async groups(by: PartedBy, wanted: number, open: readonly number[], languages: readonly string[]): Promise<PageGroupProposal[]> {
    const answer = await this.ask({ ask: 'groups', by, wanted, open, languages: [...languages] });
    return 'groups' in answer ? answer.groups : [];
  }

  /** Ends the worker. */
  close(): void {
    this.worker.terminate();
  }

  private ask(request: PagesRequest): Promise<PagesAnswer> {
    return new Promise((resolve) => {
      this.takers.push(resolve);
      this.worker.postMessage(request);
    });
  }
}
