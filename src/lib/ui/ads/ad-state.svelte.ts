import { shortenLine, wordsOfTexts, type Shortening } from '$lib/core/ads/shorten';
import { applyCase, casesOf } from '$lib/core/text/letter-case';
import { nextAdName } from '$lib/core/ads/next-ad-name';
import type { Measure } from '$lib/core/ads/measure';
import { LineMeasures } from '$lib/core/ads/measure-lines';
import type { FillContext } from '$lib/core/ads/fill-slots';
import { keywordTexts, lineContext } from '$lib/core/ads/slot-values';
import { isPageDriven, pagesOfGroup } from '$lib/core/pages/campaign-pages';
import type { FormatName } from '$lib/core/records/format-names';
import { childrenOf, nextPosition } from '$lib/core/store/snapshot';
import { domainOf, landingPageOf } from '$lib/core/view/plan-view';
import { blank, blankFields } from '$lib/core/records/record-types';
import type { Ad } from '$lib/core/records/ad';
import type { AdLine, LineKindOfAd } from '$lib/core/records/ad-line';
import type { Group } from '$lib/core/records/group';
import type { SitePage } from '$lib/core/records/site-page';
import { units } from '$lib/core/text/text-length';
import { newId } from '../state/synced-store.svelte';
import type { PlanState } from '../state/plan-state.svelte';

/** One ad on the bench: its lines measured against every keyword of its group. */
export class AdState {
  readonly group: Group | null = $derived.by(() => this.planState.snapshot.group.get(this.groupId()) ?? null);
  readonly ads: readonly Ad[] = $derived.by(() => (this.group ? childrenOf(this.planState.snapshot.ad, 'groupId', this.group.id) : []));
  readonly ad: Ad | null = $derived.by(() => this.ads.find(({ id }) => id === this.adId()) ?? this.ads[0] ?? null);
  readonly lines: readonly AdLine[] = $derived.by(() => (this.ad ? childrenOf(this.planState.snapshot.adLine, 'adId', this.ad.id) : []));
  readonly headlines = $derived(this.lines.filter(({ kind }) => kind === 'headline'));
  readonly descriptions = $derived(this.lines.filter(({ kind }) => kind === 'description'));
  readonly keywords: readonly string[] = $derived.by(() => (this.group ? keywordTexts(this.planState.plan, this.group.id) : []));
  /** What slots are filled with, by where they stand; null without an ad. */
  readonly contexts: Readonly<Record<LineKindOfAd | 'path', FillContext>> | null = $derived.by(() => {
    const { group, ad, planState } = this;
    if (!group || !ad) return null;
    const contextOf = (kind: LineKindOfAd | 'path') => lineContext(planState.plan, group, ad.format, kind);
    return { headline: contextOf('headline'), description: contextOf('description'), path: contextOf('path') };
  });
  readonly format = $derived.by(() => this.planState.plan.rules.formats[this.ad?.format ?? 'responsive']);
  readonly measures: ReadonlyMap<string, Measure> = $derived.by(() =>
    this.contexts ? this.cachedMeasures.measure(this.lines, this.keywords, this.contexts) : new Map(),
  );
  readonly page: string = $derived.by(() => (this.ad ? landingPageOf(this.planState.plan, this.ad) : ''));
  /** Whether pages drive it: its headline and where it leads are the network's. */
  readonly isByPages: boolean = $derived.by(() => this.ad?.format === 'page-driven');
  /** Where the ad says what pages do not: those of its group; none where a page of its own is led to. */
  readonly pages: readonly SitePage[] = $derived.by(() =>
    this.group && this.isByPages ? pagesOfGroup(this.planState.plan, this.group) : [],
  );
  readonly domain: string = $derived.by(() => (this.ad ? domainOf(this.planState.plan, this.ad) : ''));

  /** What the plan proposes as a fallback of a live slot: the group's theme, the campaign's, the offer, in the letters of a title. */
  readonly fallbacks: readonly string[] = $derived.by(() => {
    const { group, contexts, planState } = this;
    if (!group || !contexts) return [];
    return proposeFallbacks(
      [group.theme, planState.snapshot.campaign.get(group.campaignId)?.themeWord ?? '', planState.plan.brief.offer],
      contexts.headline,
    );
  });

  private readonly cachedMeasures = new LineMeasures();

  constructor(
    readonly planState: PlanState,
    private readonly groupId: () => string,
    private readonly adId: () => string,
  ) {}

  /** Ways to make a line of the ad shorter: by the plan's own words, small words left out, a shorter fallback. */
  shorten(kind: LineKindOfAd, text: string): Shortening[] {
    const { group, contexts, planState } = this;
    if (!group || !contexts) return [];
    const { plan } = planState;
    return shortenLine(text, this.keywords, contexts[kind], {
      planWords: wordsOfTexts([...this.keywords, group.theme, plan.brief.offer]),
      shorterFallbacks: this.fallbacks,
    });
  }

  /** Adds a line at the end, empty unless a text is given; answers its id. */
  addLine(kind: LineKindOfAd, text = ''): string {
    const id = newId();
    if (this.ad) this.planState.add('adLine', blank('adLine', { id, adId: this.ad.id, kind, text, position: nextPosition(this.lines) }));
    return id;
  }
}

/** Texts as fallbacks of a line: in the letters of a title where the language has them, each once, those that fit. */
export function proposeFallbacks(texts: readonly string[], { language, limit }: FillContext): string[] {
  const letterCase = casesOf(language).includes('title') ? 'title' : 'sentence';
  const cased = texts.map((text) => applyCase(text.trim(), letterCase, language)).filter((text) => text !== '' && units(text) <= limit);
  return [...new Set(cased)];
}

/** The name of the next ad beside some of its group. */
export const nameBeside = (ads: readonly Ad[]): string => nextAdName((name) => ads.some((ad) => ad.name === name));

/** Adds an ad to a group, empty with the least lines, or with the lines of another one to differ from. */
export function addAd(planState: PlanState, groupId: string, model: Ad | null): string {
  const { snapshot } = planState;
  const id = newId();
  const ads = childrenOf(snapshot.ad, 'groupId', groupId);
  const group = snapshot.group.get(groupId);
  const isByPages = group !== undefined && isPageDriven(group, snapshot.campaign.get(group.campaignId));
  const format: FormatName = model?.format ?? (isByPages ? 'page-driven' : 'responsive');
  const { headlines, descriptions } = planState.plan.rules.formats[format];
  const start = model
    ? childrenOf(snapshot.adLine, 'adId', model.id).map(({ kind, text, fixedAt, masterLineId, masterText }) => ({
        kind,
        text,
        fixedAt,
        masterLineId,
        masterText,
      }))
    : [
        ...Array.from({ length: headlines.least }, () => ({ ...blankFields('adLine'), kind: 'headline' as const })),
        ...Array.from({ length: descriptions.least }, () => ({ ...blankFields('adLine'), kind: 'description' as const })),
      ];
  const { masterName, masterPaths, path1, path2, landingPage } = model ?? blankFields('ad');
  const own = { masterName, masterPaths, path1, path2, landingPage };
  const ad = blank('ad', { id, groupId, name: nameBeside(ads), format, ...own, position: nextPosition(ads) });
  const rows = start.map((line, position) => ({ id: newId(), adId: id, ...line, position }));
  planState.make({
    type: 'several',
    name: 'ad-added',
    changes: [
      { type: 'add', record: 'ad', rows: [ad] },
      { type: 'add', record: 'adLine', rows },
    ],
  });
  return id;
}
