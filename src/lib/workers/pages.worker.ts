import { DomainPages, type PagesSorted, type RuleInWords } from '$lib/core/pages/campaign-pages';
import { proposeLeftOut, type OffProposal } from '$lib/core/pages/propose-left-out';
import { proposePageGroups, type PageGroupProposal, type PartedBy } from '$lib/core/pages/propose-page-groups';
import type { PagesOff } from '$lib/core/records/campaign';
import type { SitePage } from '$lib/core/records/site-page';

/** What the worker is asked: pages are sent when they change, all else is about those sent last. */
export type PagesRequest =
  | { ask: 'pages'; pages: readonly SitePage[]; domain: string; digits: number }
  | { ask: 'sort'; rules: readonly RuleInWords[]; pagesOff: readonly PagesOff[] }
  | { ask: 'left-out' }
  | { ask: 'groups'; by: PartedBy; wanted: number; open: readonly number[]; languages: readonly string[] };

/** What it answers, in the order of the questions. */
export type PagesAnswer = { sorted: PagesSorted } | { leftOut: OffProposal[] } | { groups: PageGroupProposal[] } | { taken: number };

let domain = new DomainPages([], '', 2);

function answer(request: PagesRequest): PagesAnswer {
  switch (request.ask) {
    case 'pages':
      domain = new DomainPages(request.pages, request.domain, request.digits);
      return { taken: request.pages.length };
    case 'sort':
      return { sorted: domain.sort(request.rules, request.pagesOff) };
    case 'left-out':
      return { leftOut: proposeLeftOut(domain) };
    case 'groups':
      return { groups: proposePageGroups(domain, request) };
  }
}

onmessage = ({ data }: MessageEvent<PagesRequest>) => postMessage(answer(data));
