import { misspell } from '$lib/core/keywords/misspell';
import { marketFigures } from '$lib/core/finds/find-figures';
import type { FindDepth, MarketFigures } from '$lib/core/market/figures';
import type { PlanFile } from '$lib/core/exchange/plan-file';
import type { ReadPage } from '$lib/core/pages/page-text';
import { firstLanguage, groupsInOrder } from '$lib/core/view/plan-view';
import type { BroughtIn } from '$lib/core/finds/incoming-finds';
import { countIncoming, type IncomingCounts, type IncomingFind } from '$lib/core/finds/merge-finds';
import { findsOfPage } from '$lib/core/research/page-finds';
import { TermFinder } from '$lib/core/research/term-finder';
import { broadTerms } from '$lib/core/research/broad-terms';
import { combineLists } from '$lib/core/research/patterns';
import { askServer } from '../state/ask-server';
import { MarketAsking } from '../state/market-asking.svelte';
import { marketName } from './find-figures.svelte';
import { linesOf, PatternWords } from './pattern-words.svelte';
import type { ResearchState } from './research-state.svelte';

/** Where finds can come from. */
export const sourceNames = ['market', 'themes', 'long', 'related', 'patterns', 'misspelt', 'page', 'plan'] as const;
export type SourceName = (typeof sourceNames)[number];

/** A theme that is asked about by itself, and what came of it. */
export interface ThemeAsked {
  theme: string;
  state: 'waits' | 'asked' | 'done' | 'left out';
  found: number;
  fresh: number;
}

const mostTerms = 10;
const mostMisspelt = 200;
/** Finds on their way in: asked for, made of patterns, read off a page or taken from another plan, before they are brought in. */
export class FindSources {
  source = $state<SourceName>('market');
  terms = $state('');
  things = $state('');
  /** What people add to what is sold. */
  readonly pattern: PatternWords;
  placeNames = $state('');
  everyOrder = $state(false);
  address = $state('');
  /** A page's HTML, pasted; in the stead of an address. */
  html = $state('');
  planId = $state('');
  /** What came of themes so far, by theme. */
  private outcomes = $state.raw<ReadonlyMap<string, Partial<ThemeAsked>>>(new Map());
  /** Themes as they show up in the finds; asked with the first broad term, so that they stay what the plan is about. */
  readonly themes: readonly ThemeAsked[] = $derived.by(() =>
    this.research.reader.answer.themes.map((shown): ThemeAsked => {
      const theme = `${this.thing} ${shown}`.trim();
      return { theme, state: 'waits', found: 0, fresh: 0, ...this.outcomes.get(theme) };
    }),
  );
  private readonly thing: string;
  incoming = $state.raw<readonly IncomingFind[]>([]);
  failure = $state('');
  isBusy = $state(false);
  readonly asking = new MarketAsking();
  private isStopped = false;

  readonly termList: readonly string[] = $derived.by(() => linesOf(this.terms).slice(0, mostTerms));
  readonly tooMany = $derived(linesOf(this.terms).length > mostTerms);
  /** What bringing them in would do. */
  readonly counts: IncomingCounts | null = $derived.by(() =>
    this.incoming.length === 0 ? null : countIncoming(this.research.planState.plan, this.research.texts, this.incoming),
  );

  constructor(private readonly research: ResearchState) {
    const { plan } = research.planState;
    const offer = plan.brief.offer.toLowerCase();
    this.terms = broadTerms(offer).join('\n');
    this.things = linesOf([...groupsInOrder(plan).map(({ theme }) => theme.toLowerCase()), this.terms].join('\n'))
      .slice(0, 30)
      .join('\n');
    this.pattern = new PatternWords(research.planState);
    this.placeNames = linesOf(
      research.figures.places
        .flatMap(({ excluded, kind, name }) => (excluded || kind === 'country' ? [] : [name.toLowerCase()]))
        .join('\n'),
    ).join('\n');
    this.address = plan.brief.landingPage || plan.client.site;
    this.thing = this.termList[0] ?? '';
  }

  /** Leaves what was gathered, for another source. */
  choose(source: SourceName): void {
    this.stop();
    this.source = source;
    this.incoming = [];
    this.failure = '';
  }

  stop(): void {
    this.isStopped = true;
    this.asking.stop();
  }

  leaveOut(theme: string): void {
    const isOut = this.outcomes.get(theme)?.state === 'left out';
    this.outcomes = new Map(this.outcomes).set(theme, { state: isOut ? 'waits' : 'left out' });
  }

  /** Gathers from the chosen source; what a stopped second pass has found so far stays. */
  async gather(): Promise<void> {
    this.isBusy = true;
    this.isStopped = false;
    this.failure = '';
    this.incoming = [];
    try {
      await this.gatherers[this.source]();
    } catch (error) {
      this.failure = error instanceof Error ? error.message : '';
    }
    this.failure ||= this.asking.failure;
    this.isBusy = false;
  }

  private readonly gatherers: Readonly<Record<SourceName, () => Promise<void> | void>> = {
    market: async () => {
      const found = await this.ask(this.termList);
      if (found) this.incoming = found;
    },
    themes: () => this.askThemes(),
    long: async () => {
      this.incoming = (await this.ask(this.termList, 'long')) ?? [];
    },
    related: async () => {
      this.incoming = (await this.ask(this.termList, 'related')) ?? [];
    },
    patterns: () => {
      const lists = { things: linesOf(this.things), added: this.pattern.list, places: linesOf(this.placeNames) };
      const texts = combineLists(lists, this.research.planState.plan.rules.refusedKeywordSigns, this.everyOrder);
      this.incoming = texts.map((text) => ({ text, figures: null, source: 'pattern' }));
    },
    misspelt: () => {
      const kept = this.research.list.all
        .filter(({ verdict, isMisspelling }) => verdict === 'keep' && !isMisspelling)
        .sort((a, b) => (b.searchesHigh ?? 0) - (a.searchesHigh ?? 0))
        .slice(0, mostMisspelt);
      this.incoming = kept.flatMap(({ text }) =>
        misspell(text, 2).map((wrong) => ({ text: wrong, figures: null, source: 'misspelling', isMisspelling: true })),
      );
      if (this.incoming.length === 0) this.failure = 'Keep some finds first: their longest words are misspelt by rule.';
    },
    page: async () => {
      const isPasted = this.html.trim() !== '';
      const page = await askServer<ReadPage>('/api/pages', isPasted ? { html: this.html } : { address: this.address });
      const texts = findsOfPage(page, this.research.planState.plan.rules.refusedKeywordSigns);
      const source = isPasted ? 'pasted page' : page.address.slice(0, 200);
      this.incoming = texts.map((text) => ({ text, figures: null, source }));
      if (texts.length === 0) this.failure = 'The page says nothing that could be a find.';
    },
    plan: async () => {
      const response = await fetch(`/api/plans/${encodeURIComponent(this.planId)}`);
      if (!response.ok) throw new Error('That plan is no longer on the Shelf.');
      const file = (await response.json()) as PlanFile;
      const kept = file.finds.filter(({ verdict }) => verdict === 'keep').map(({ text }) => text);
      const keywords = file.campaigns.flatMap(({ groups }) => groups.flatMap((group) => group.keywords.map(({ text }) => text)));
      this.incoming = [...new Set([...kept, ...keywords])].map((text) => ({
        text,
        figures: null,
        source: `plan ${file.name}`.slice(0, 200),
      }));
    },
  };

  private async ask(terms: readonly string[], depth: FindDepth = 'broad'): Promise<IncomingFind[] | null> {
    const { planState, figures } = this.research;
    const answered = await this.asking.finds(
      terms,
      {
        places: figures.places,
        languages: planState.plan.brief.languages,
        currency: planState.currency,
      },
      depth,
    );
    const byTerm = new TermFinder(terms, firstLanguage(planState.plan, undefined));
    return answered && answered.map((one) => this.incomingOf(one, byTerm.find(one.text)));
  }

  private incomingOf(one: MarketFigures, broughtBy: string): IncomingFind {
    const { planState, figures } = this.research;
    return {
      text: one.text,
      source: marketName,
      figures: marketFigures(one, { key: figures.key, on: planState.today, from: marketName }),
      isMisspelling: one.isMisspelling ?? false,
      broughtBy,
    };
  }

  /** Asks again for each theme by itself, one after the other. */
  private async askThemes(): Promise<void> {
    const known = new Set(this.research.texts);
    const mark = (theme: string, fields: Partial<ThemeAsked>) =>
      (this.outcomes = new Map(this.outcomes).set(theme, { ...this.outcomes.get(theme), ...fields }));
    for (const { theme, state } of this.themes) {
      if (state !== 'waits' || this.isStopped) continue;
      mark(theme, { state: 'asked' });
      const found = await this.ask([theme]);
      if (!found) {
        mark(theme, { state: 'waits' });
        return;
      }
      const fresh = found.filter(({ text }) => !known.has(text));
      for (const { text } of fresh) known.add(text);
      mark(theme, { state: 'done', found: found.length, fresh: fresh.length });
      this.incoming = [...this.incoming, ...found];
    }
  }

  /** Brings in what was gathered; answers what that did, or null where nothing came of it. */
  async take(): Promise<BroughtIn | null> {
    if (this.incoming.length === 0 || this.isBusy) return null;
    this.isBusy = true;
    this.failure = '';
    try {
      const brought = await this.research.bringIn(this.incoming);
      this.incoming = [];
      return brought;
    } catch (error) {
      this.failure = error instanceof Error ? error.message : String(error);
      return null;
    } finally {
      this.isBusy = false;
    }
  }
}
