import { newNegatives } from '../groups/new-rows';
import { negativesActingOn } from '../groups/acting-negatives';
import { blocks, prepareNegative, prepareSearch, type PreparedSearch } from '../keywords/matching';
import type { Campaign } from '../records/campaign';
import type { Group } from '../records/group';
import type { Keyword } from '../records/keyword';
import type { SitePage } from '../records/site-page';
import type { SimpleChange } from '../store/changes';
import { childrenOf } from '../store/snapshot';
import { campaignsMeeting, firstLanguage, type PlanView } from '../view/plan-view';
import { isPageDriven } from './campaign-pages';

/** A group of keywords and a group of pages that answer the same searches. */
export interface PageOverlap {
  /** Driven by pages. */
  group: Group;
  other: Group;
  /** Keywords of the other whose words all stand in the title of one of the pages, and that no negative keeps away from them. */
  keywords: Keyword[];
}

/** Signs between the words of a title. */
const notOfWords = /[^\p{L}\p{M}\p{N}'’-]+/gu;

/** Which pages hold a word in their title. */
type PagesByStem = ReadonlyMap<string, ReadonlySet<number>>;

const keptTitles = new WeakMap<readonly SitePage[], Map<string, PagesByStem>>();

/** The pages by the stems in their titles; worked out once for the same list. */
function titlesByStem(pages: readonly SitePage[], language: string): PagesByStem {
  let byLanguage = keptTitles.get(pages);
  if (!byLanguage) keptTitles.set(pages, (byLanguage = new Map<string, PagesByStem>()));
  const known = byLanguage.get(language);
  if (known) return known;
  const byStem = new Map<string, Set<number>>();
  pages.forEach(({ title }, at) => {
    for (const stem of prepareSearch(title.toLowerCase().replace(notOfWords, ' ').trim(), language).stems) {
      const holding = byStem.get(stem);
      if (holding) holding.add(at);
      else byStem.set(stem, new Set([at]));
    }
  });
  byLanguage.set(language, byStem);
  return byStem;
}

/** Whether the words of a search all stand in one title of some pages. */
function standInOne(stems: readonly string[], byStem: PagesByStem, isAmong: (page: number) => boolean): boolean {
  const [fewest, ...others] = stems.map((stem) => byStem.get(stem)).sort((a, b) => (a?.size ?? 0) - (b?.size ?? 0));
  return fewest !== undefined && [...fewest].some((page) => isAmong(page) && others.every((holding) => holding?.has(page)));
}

/** A group of pages with what goes to it: `catches` are indexes of `pages`, those of its domain. */
export interface CaughtPages {
  group: Group;
  pages: readonly SitePage[];
  catches: readonly number[];
}

const keptSearches = new WeakMap<Keyword, { language: string; search: PreparedSearch }>();

function searchOf(keyword: Keyword, language: string): PreparedSearch {
  const known = keptSearches.get(keyword);
  if (known?.language === language) return known.search;
  const search = prepareSearch(keyword.text, language);
  keptSearches.set(keyword, { language, search });
  return search;
}

/**
 * Where a group of pages answers searches that keywords of its campaign, or of one that meets the same searchers, are for: the words of the keyword
 * stand in a page's title. Negatives that keep them apart are heeded.
 */
export function overlapsOf(view: PlanView, campaign: Campaign, { group, pages, catches }: CaughtPages): PageOverlap[] {
  if (catches.length === 0) return [];
  const language = firstLanguage(view, campaign);
  const others = campaignsMeeting(view, campaign).flatMap((one) =>
    childrenOf(view.snapshot.group, 'campaignId', one.id).filter((other) => !isPageDriven(other, one)),
  );
  if (others.length === 0) return [];
  const caught = new Set(catches);
  const byStem = titlesByStem(pages, language);
  const negatives = negativesActingOn(view, group).map(({ text, match }) => prepareNegative(text, match));
  return others.flatMap((other): PageOverlap[] => {
    const keywords = childrenOf(view.snapshot.keyword, 'groupId', other.id).filter((keyword) => {
      const search = searchOf(keyword, language);
      return standInOne(search.stems, byStem, (page) => caught.has(page)) && !negatives.some((negative) => blocks(negative, search));
    });
    return keywords.length > 0 ? [{ group, other, keywords }] : [];
  });
}

/** Negatives of the group of pages that leave the searches to the keywords: exact ones for exact keywords, else phrases. */
export function keepPagesApart({ snapshot }: PlanView, group: Group, keywords: readonly Keyword[], newId: () => string): SimpleChange {
  const marks = new Map(
    keywords.map(({ text, match }) => [text, { text, match: match === 'exact' ? ('exact' as const) : ('phrase' as const) }]),
  );
  return { type: 'add', record: 'negative', rows: newNegatives(snapshot, group.id, [...marks.values()], newId) };
}
