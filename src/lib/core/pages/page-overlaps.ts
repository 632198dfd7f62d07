import { newNegatives } from '../groups/new-rows';
import { negativesActingOn } from '../groups/acting-negatives';
import { blocks, prepareNegative, prepareSearch } from '../keywords/matching';
import type { Campaign } from '../records/campaign';
import type { Group } from '../records/group';
import type { Keyword } from '../records/keyword';
import type { SimpleChange } from '../store/changes';
import { childrenOf } from '../store/snapshot';
import { campaignsMeeting, firstLanguage, type PlanView } from '../view/plan-view';
import { campaignPages, isPageDriven } from './campaign-pages';

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

/** The places of titles by the stems in them. */
function titlesByStem(titles: readonly string[], language: string): ReadonlyMap<string, ReadonlySet<number>> {
  const byStem = new Map<string, Set<number>>();
  titles.forEach((title, at) => {
    for (const stem of prepareSearch(title.toLowerCase().replace(notOfWords, ' ').trim(), language).stems) {
      const known = byStem.get(stem);
      if (known) known.add(at);
      else byStem.set(stem, new Set([at]));
    }
  });
  return byStem;
}

/** Whether the words of a search all stand in one title. */
function standInOne(stems: readonly string[], byStem: ReadonlyMap<string, ReadonlySet<number>>): boolean {
  const [fewest, ...others] = stems.map((stem) => byStem.get(stem)).sort((a, b) => (a?.size ?? 0) - (b?.size ?? 0));
  return fewest !== undefined && [...fewest].some((at) => others.every((titles) => titles?.has(at)));
}

/**
 * Where groups of a campaign's pages answer searches that keywords of this campaign, or of one that meets the same searchers, are for: the words of
 * the keyword stand in a page's title. Negatives that keep them apart are heeded.
 */
export function pageOverlaps(view: PlanView, campaign: Campaign): PageOverlap[] {
  const { domain, groups, sorted } = campaignPages(view, campaign);
  const language = firstLanguage(view, campaign);
  const others = campaignsMeeting(view, campaign).flatMap((one) =>
    childrenOf(view.snapshot.group, 'campaignId', one.id).filter((group) => !isPageDriven(group, one)),
  );
  if (others.length === 0) return [];
  const searches = others.map((other) => ({
    other,
    keywords: childrenOf(view.snapshot.keyword, 'groupId', other.id).map((keyword) => ({
      keyword,
      search: prepareSearch(keyword.text, language),
    })),
  }));
  return groups.flatMap((group, at) => {
    const pages = sorted.rules[at]!.catches;
    if (pages.length === 0) return [];
    const byStem = titlesByStem(
      pages.map((page) => domain.pages[page]!.title),
      language,
    );
    const negatives = negativesActingOn(view, group).map(({ text, match }) => prepareNegative(text, match));
    return searches.flatMap(({ other, keywords }): PageOverlap[] => {
      const shared = keywords.filter(
        ({ search }) => standInOne(search.stems, byStem) && !negatives.some((negative) => blocks(negative, search)),
      );
      return shared.length > 0 ? [{ group, other, keywords: shared.map(({ keyword }) => keyword) }] : [];
    });
  });
}

/** Negatives of the group of pages that leave the searches to the keywords: exact ones for exact keywords, else phrases. */
export function keepPagesApart(view: PlanView, { group, keywords }: PageOverlap, newId: () => string): SimpleChange {
  const marks = new Map(
    keywords.map(({ text, match }) => [text, { text, match: match === 'exact' ? ('exact' as const) : ('phrase' as const) }]),
  );
  return { type: 'add', record: 'negative', rows: newNegatives(view.snapshot, group.id, [...marks.values()], newId) };
}
