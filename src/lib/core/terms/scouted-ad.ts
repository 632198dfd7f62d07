import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { escapeText } from '../ads/parse-slots';
import { pagesOfGroup } from '../pages/campaign-pages';
import type { Group } from '../records/group';
import { blank } from '../records/record-types';
import type { SitePage } from '../records/site-page';
import type { SimpleChange } from '../store/changes';
import { childrenOf } from '../store/snapshot';
import { first } from '../text/first-letter';
import { normalizeText, units } from '../text/text-length';
import { firstLanguage, type PlanView } from '../view/plan-view';

/** What a group of pages gives to keywords that it found. */
export interface ScoutedAd {
  /** The page whose title says most of the terms; null: none of its pages says a word of them. */
  page: SitePage | null;
  changes: SimpleChange[];
}

/** Signs that part a title into what it says. */
const parting = /\s*[,|–—:·;]\s*|\s+-\s+/u;

/** The page whose title holds all words of most terms, else most of their words; of equals the one with the shorter title. */
function pageOfTerms(pages: readonly SitePage[], texts: readonly string[], stem: (word: string) => string): SitePage | null {
  const wanted = texts.map((text) => wordsOf(text).map(stem));
  let best: { page: SitePage; whole: number; words: number } | null = null;
  for (const page of pages) {
    const own = new Set((page.title.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []).map(stem));
    const whole = wanted.filter((words) => words.every((word) => own.has(word))).length;
    const words = wanted.flat().filter((word) => own.has(word)).length;
    const isBetter =
      !best ||
      whole > best.whole ||
      (whole === best.whole && (words > best.words || (words === best.words && page.title.length < best.page.title.length)));
    if (words > 0 && isBetter) best = { page, whole, words };
  }
  return best?.page ?? null;
}

/**
 * The ad of keywords that a group of pages found: headlines of the theme and of what the title of the fitting page says, as far as they fit,
 * descriptions of the old group's ad, else of the page.
 */
export function scoutAd(view: PlanView, from: Group, group: Group, texts: readonly string[], newId: () => string): ScoutedAd {
  const { headlines, descriptions } = view.rules.formats.responsive;
  const { stem } = languageWords(firstLanguage(view, view.snapshot.campaign.get(group.campaignId)));
  const page = pageOfTerms(pagesOfGroup(view, from), texts, stem);
  const fit = (said: readonly string[], { most, limit }: { most: number; limit: number }) =>
    [
      ...new Map(
        said
          .map(normalizeText)
          .filter((text) => text !== '' && units(text) <= limit)
          .map((text) => [text.toLowerCase(), first(text)]),
      ).values(),
    ]
      .slice(0, most)
      .map(escapeText);
  const title = page?.title ?? '';
  const [oldAd] = childrenOf(view.snapshot.ad, 'groupId', from.id);
  const oldLines = oldAd ? childrenOf(view.snapshot.adLine, 'adId', oldAd.id).filter(({ kind }) => kind === 'description') : [];
  const id = newId();
  const line = (kind: 'headline' | 'description') => (text: string, position: number) =>
    blank('adLine', { id: newId(), adId: id, kind, text, position });
  const rows = [
    ...fit([group.theme, title, ...title.split(parting)], headlines).map(line('headline')),
    ...(oldLines.length > 0 ? oldLines.slice(0, descriptions.most).map(({ text }) => text) : fit([page?.text ?? ''], descriptions)).map(
      line('description'),
    ),
  ];
  return {
    page,
    changes: [
      { type: 'add', record: 'ad', rows: [blank('ad', { id, groupId: group.id, name: 'A', position: 0 })] },
      { type: 'add', record: 'adLine', rows },
    ],
  };
}
