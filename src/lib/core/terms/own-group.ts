import { measureLine } from '../ads/measure';
import { escapeText } from '../ads/parse-slots';
import { lineContext } from '../ads/slot-values';
import { campaignNegatives, planNegatives } from '../groups/acting-negatives';
import { PlanAnswers } from '../groups/plan-answers';
import { copyAds, freeGroupName, newGroup, newKeywords, newNegatives } from '../groups/new-rows';
import { isPageDriven } from '../pages/campaign-pages';
import { languageWords } from '../keywords/stems';
import { blocks, matchesSurely, prepareKeyword, prepareNegative, prepareSearch, type PreparedSearch } from '../keywords/matching';
import { NegativeIndex } from '../keywords/negative-index';
import type { Campaign } from '../records/campaign';
import type { Group } from '../records/group';
import type { Keyword } from '../records/keyword';
import type { MatchType } from '../records/match-types';
import type { Change, SimpleChange } from '../store/changes';
import { childrenOf } from '../store/snapshot';
import { wholeWords } from '../text/escape-pattern';
import { applyCase, caseThatMakes } from '../text/letter-case';
import { campaignsMeeting, firstLanguage, type PlanView } from '../view/plan-view';
import { viewAfter } from '../view/view-after';
import { judgeFinds } from './judge-finds';
import { judgeTerm, type JudgedTerm, type TermFigures } from './judge-term';
import { scoutAd } from './scouted-ad';
import { sumJudgedOn, type Term } from './read-terms';

/** What a group of its own is to be. */
export interface OwnGroupAsked {
  name: string;
  terms: readonly Term[];
  /** Whether its keywords stand as phrases too. */
  isPhraseToo: boolean;
  /** Empty: the page of the group that its ads come from. */
  landingPage: string;
}

/** What a group gives away. */
export interface KeptApart {
  group: Group;
  /** Exact negatives that it gets. */
  negatives: readonly string[];
  /** Keywords that move out of it with their match type, since they are the terms themselves. */
  moved: readonly Keyword[];
  clicksBefore: number;
  clicksAfter: number;
}

/** A group of its own before it is made: all that it would do. */
export interface OwnGroup {
  name: string;
  theme: string;
  /** The group whose settings and ads it takes over. */
  from: Group;
  terms: readonly Term[];
  keywords: readonly { text: string; match: MatchType }[];
  /** What came of its terms together. */
  sum: TermFigures;
  judged: JudgedTerm | null;
  /** Judged alone, so many of its terms are too early to tell. */
  tooEarlyAlone: number;
  /** What a click of it is worth at the low end of its rate; null where that is not known. */
  bidMinor: number | null;
  ads: number;
  /** Lines of its ads that say its own theme in place of the old one. */
  linesChanged: number;
  apart: readonly KeptApart[];
  /** Keywords of it that a negative of the plan or its campaign would block, each with the first that does. */
  blocked: readonly { text: string; negative: string }[];
  /** Words that its terms share and few others hold, and how many other terms hold one of them: these stay where they are. */
  staying: { words: readonly string[]; count: number };
  /** Terms that were not chosen and that it answers all the same: by phrases, keywords that move to it, or other forms of its words. */
  along: readonly Term[];
  change: Change;
}

/** The group that answered most of the terms’ clicks; null where no report names one of the plan’s. */
function mostAnswering(terms: readonly Term[]): Group | null {
  const clicks = new Map<Group, number>();
  for (const { inGroups } of terms)
    for (const one of inGroups) if (one.group) clicks.set(one.group, (clicks.get(one.group) ?? 0) + one.clicks);
  return [...clicks].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

function blockedInCampaign(view: PlanView, campaign: Campaign, texts: readonly string[]): OwnGroup['blocked'] {
  const language = firstLanguage(view, campaign);
  const indexes = [planNegatives(view), campaignNegatives(view, campaign.id)].map((list) => NegativeIndex.of(list));
  return texts.flatMap((text) => {
    const search = prepareSearch(text, language);
    const [negative] = indexes.flatMap((index) => index.findBlocking(search));
    return negative ? [{ text, negative: negative.text }] : [];
  });
}

/** What terms say in common, in the words of the first; the first where they share nothing. */
export function proposeName(terms: readonly Term[]): string {
  const [words = [], ...others] = terms.map(({ text }) => text.split(' '));
  const shared = words.filter((word) => others.every((other) => other.includes(word)));
  return (shared.length > 0 ? shared : words).join(' ');
}

/** The largest share of all terms that a word may stand in and still tell a group. */
const mostShare = 0.25;

function stayingBeside(
  terms: readonly Term[],
  along: readonly Term[],
  all: readonly Term[],
  isStopWord: (word: string) => boolean,
): OwnGroup['staying'] {
  const holding = (word: string, among: readonly Term[]) => among.filter(({ text }) => text.split(' ').includes(word)).length;
  const leastHeld = Math.min(2, terms.length);
  const words = [...new Set(terms.flatMap(({ text }) => text.split(' ')))].filter(
    (word) =>
      !isStopWord(word) && holding(word, terms) >= leastHeld && holding(word, all) <= Math.max(terms.length, mostShare * all.length),
  );
  const leaving = new Set([...terms, ...along]);
  const others = all.filter((term) => !leaving.has(term) && term.text.split(' ').some((word) => words.includes(word)));
  return { words, count: others.length };
}

const keptSearches = new WeakMap<readonly Term[], { language: string; searches: readonly PreparedSearch[] }>();

/** Terms as searches, prepared once for the same terms: a group of its own is planned anew at every letter of its name. */
function searchesOf(terms: readonly Term[], language: string): readonly PreparedSearch[] {
  const known = keptSearches.get(terms);
  if (known?.language === language) return known.searches;
  const searches = terms.map(({ text }) => prepareSearch(text, language));
  keptSearches.set(terms, { language, searches });
  return searches;
}

/** Terms that were not chosen and that a group answers once it is made: by phrases, by keywords that moved, by other forms of its words. */
function comingAlong(
  view: PlanView,
  group: Group,
  all: readonly Term[],
  chosen: ReadonlySet<Term>,
  { change, keywords }: { change: Change; keywords: readonly { text: string; match: MatchType }[] },
): Term[] {
  const after = viewAfter(view, change);
  if (!after) return [];
  const campaign = view.snapshot.campaign.get(group.campaignId);
  const language = firstLanguage(view, campaign);
  const prepared = keywords.map(({ text, match }) => prepareKeyword(text, match, language));
  const answers = new PlanAnswers(after, campaignsMeeting(after, campaign!));
  const searches = searchesOf(all, language);
  return all.filter(
    (term, at) =>
      !chosen.has(term) &&
      prepared.some((keyword) => matchesSurely(keyword, searches[at]!)) &&
      answers.answer(term.text).group === group.id,
  );
}

/** The negatives that a group gets so that it answers none of the terms: exact ones, and none that would block a keyword that it keeps. */
function negativesFor(view: PlanView, group: Group, texts: readonly string[], moved: ReadonlySet<Keyword>): string[] {
  const language = firstLanguage(view, view.snapshot.campaign.get(group.campaignId));
  const kept = childrenOf(view.snapshot.keyword, 'groupId', group.id).filter((keyword) => !moved.has(keyword));
  const searches = kept.map(({ text }) => prepareSearch(text, language));
  return texts.filter((text) => {
    const negative = prepareNegative(text, 'exact');
    return !searches.some((search) => blocks(negative, search));
  });
}

/**
 * The group that chosen terms would become: exact keywords, ads and settings of the group that answered them most, a bid of its own figures, and
 * every group that surely answers one of them kept apart by exact negatives, which block nothing else; keywords that are the terms themselves move
 * with their match type, so that nothing they answered is left without a keyword.
 * Terms that a group of pages found go to a campaign of keywords that meets the same searchers, with lines of the page's title. Null where no group is
 * known that answered them, or no campaign takes keywords.
 */
export function planOwnGroup(
  view: PlanView,
  all: readonly Term[],
  { name, terms, isPhraseToo, landingPage }: OwnGroupAsked,
  { affordableMinor, newId, fallback }: { affordableMinor: number | null; newId: () => string; fallback: Group | null },
): OwnGroup | null {
  const { snapshot } = view;
  const from = mostAnswering(terms) ?? fallback;
  const campaign = from && keywordCampaign(view, from);
  if (!from || !campaign || terms.length === 0) return null;
  const texts = terms.map(({ text }) => text);
  const sum = sumJudgedOn(terms);
  const isCostKnown = terms.every((term) => term.isCostKnown);
  const judged = affordableMinor !== null && isCostKnown ? judgeTerm(sum, affordableMinor) : null;
  const low = judged?.rate?.[0] ?? 0;
  const bidMinor = affordableMinor !== null && low > 0 ? Math.floor(affordableMinor * low) : null;
  const asked = name.trim() || texts[0]!;
  // Lines say the theme: a number that makes the name free is no part of it.
  const free = freeGroupName(snapshot, campaign.id, asked);
  const id = newId();
  const group: Group = {
    ...newGroup(snapshot, campaign.id, free, asked.toLowerCase(), id),
    defaultMatch: 'exact',
    defaultBidMinor: bidMinor ?? from.defaultBidMinor,
    landingPage: landingPage.trim() || from.landingPage,
    offerId: from.offerId,
  };
  const scouted = isPageDriven(from, snapshot.campaign.get(from.campaignId)) ? scoutAd(view, from, group, texts, newId) : null;
  if (scouted?.page && landingPage.trim() === '') group.landingPage = scouted.page.address;
  const keywords = texts.flatMap((text) =>
    (isPhraseToo ? (['exact', 'phrase'] as const) : (['exact'] as const)).map((match) => ({ text, match })),
  );
  const chosen = new Set(terms);
  const apart = [
    ...keepOthersApart(view, campaignsMeeting(view, campaign), texts, all, chosen),
    ...keepPagesApart(view, texts, all, chosen),
  ];
  const marks = (own: readonly string[]) => own.map((text) => ({ text, match: 'exact' as const }));
  const negatives = apart
    .flatMap(({ group: old, negatives: own }) => newNegatives(snapshot, old.id, marks(own), newId))
    .map((row, at, [first]) => ({ ...row, position: first!.position + at }));
  const ads = scouted ? { changes: scouted.changes, linesChanged: 0 } : bringAdsAlong(view, from, group, keywords, newId);
  const moved = apart.flatMap((one) => one.moved);
  const filled = fillGroup(moved, newKeywords(snapshot, id, keywords, newId), group, landingPage.trim() !== '');
  const changes: SimpleChange[] = [{ type: 'add', record: 'group', rows: [group] }, ...filled, ...ads.changes];
  if (negatives.length > 0) changes.push({ type: 'add', record: 'negative', rows: negatives });
  changes.push(...judgeFinds(snapshot, texts, 'keep'));
  const change: Change = { type: 'several', name: 'own-group-made', changes };
  const along = comingAlong(view, group, all, chosen, { change, keywords: [...moved, ...keywords] });
  return {
    name: free,
    theme: group.theme,
    from,
    terms,
    keywords,
    sum,
    judged,
    tooEarlyAlone: terms.filter(({ judged: own }) => own?.judgement === 'too-early').length,
    bidMinor,
    ads: scouted ? 1 : childrenOf(snapshot.ad, 'groupId', from.id).length,
    linesChanged: ads.linesChanged,
    apart: apart.map((one) => ({ ...one, clicksAfter: one.clicksAfter - clicksOf(along, one.group.id) })),
    blocked: blockedInCampaign(view, campaign, texts),
    staying: stayingBeside(terms, along, all, languageWords(firstLanguage(view, campaign)).isStopWord),
    along,
    change,
  };
}

/** Keywords into a group: those that move, each mark once and with the group's bid, then the new ones that do not stand there by then. */
function fillGroup(moved: readonly Keyword[], added: readonly Keyword[], { id }: Group, isPageChosen: boolean): SimpleChange[] {
  const markOf = ({ text, match }: Keyword) => `${match} ${text}`;
  const byMark = new Map(moved.toReversed().map((keyword) => [markOf(keyword), keyword]));
  const moving = moved.filter((keyword) => byMark.get(markOf(keyword)) === keyword);
  const doubles = moved.filter((keyword) => !moving.includes(keyword));
  const rows = added.filter((keyword) => !byMark.has(markOf(keyword)));
  const settings = { groupId: id, bidMinor: null, ...(isPageChosen ? { landingPage: '' } : {}) };
  const moves = moving.map((keyword, at) => ({ id: keyword.id, ...settings, position: added.length + at }));
  return [
    ...(doubles.length > 0 ? [{ type: 'remove' as const, record: 'keyword' as const, ids: doubles.map((one) => one.id) }] : []),
    ...(moves.length > 0 ? [{ type: 'set-each' as const, record: 'keyword' as const, rows: moves }] : []),
    ...(rows.length > 0 ? [{ type: 'add' as const, record: 'keyword' as const, rows }] : []),
  ];
}

/** The campaign that keywords of a group's terms stand in: its own, or where pages drive that one, one of keywords that meets it. */
function keywordCampaign(view: PlanView, from: Group): Campaign | null {
  const own = view.snapshot.campaign.get(from.campaignId) ?? null;
  if (own?.drivenBy !== 'pages') return own;
  return campaignsMeeting(view, own).find(({ drivenBy }) => drivenBy === 'keywords') ?? null;
}

/** Groups of pages that reports name for the terms: they get exact negatives, as no keyword of theirs could be blocked. */
function keepPagesApart(view: PlanView, texts: readonly string[], all: readonly Term[], chosen: ReadonlySet<Term>): KeptApart[] {
  const groups = new Set([...chosen].flatMap(({ inGroups }) => inGroups.flatMap(({ group }) => group ?? [])));
  return [...groups]
    .filter((group) => isPageDriven(group, view.snapshot.campaign.get(group.campaignId)))
    .map((group) => {
      const clicksBefore = clicksOf(all, group.id);
      return { group, negatives: texts, moved: [], clicksBefore, clicksAfter: clicksBefore - clicksOf([...chosen], group.id) };
    });
}

/** The clicks of terms that a group answered. */
const clicksOf = (terms: readonly Term[], groupId: string): number =>
  terms.reduce((sum, { inGroups }) => sum + inGroups.reduce((own, one) => own + (one.group?.id === groupId ? one.clicks : 0), 0), 0);

/** Ads of the old group for the new one: where a line says the old theme it says the new one, if it fits. */
function bringAdsAlong(
  view: PlanView,
  from: Group,
  group: Group,
  keywords: readonly { text: string }[],
  newId: () => string,
): { changes: SimpleChange[]; linesChanged: number } {
  const language = firstLanguage(view, view.snapshot.campaign.get(group.campaignId));
  const texts = [...new Set(keywords.map(({ text }) => text))];
  const theme = from.theme.trim();
  if (theme === '') return { changes: copyAds(view.snapshot, from.id, group.id, newId), linesChanged: 0 };
  const pattern = wholeWords(theme, 'giu');
  let linesChanged = 0;
  const changes = copyAds(view.snapshot, from.id, group.id, newId, (line, ad) => {
    const text = line.text.replace(pattern, (found) => {
      const letterCase = caseThatMakes(found, theme, language);
      return letterCase === undefined ? found : escapeText(applyCase(group.theme, letterCase, language));
    });
    if (text === line.text || measureLine(text, texts, lineContext(view, group, ad.format, line.kind)).problems.length > 0)
      return line.text;
    linesChanged++;
    return text;
  });
  return { changes, linesChanged };
}

function keepOthersApart(
  view: PlanView,
  campaigns: Parameters<typeof campaignsMeeting>[1][],
  texts: readonly string[],
  all: readonly Term[],
  chosen: ReadonlySet<Term>,
): KeptApart[] {
  const answers = new PlanAnswers(view, campaigns);
  const shared = new Map<string, string[]>();
  for (const text of texts) {
    const { group, also } = answers.answer(text);
    for (const id of group === null ? also : [group, ...also]) shared.set(id, [...(shared.get(id) ?? []), text]);
  }
  return [...shared].map(([groupId, own]) => {
    const group = view.snapshot.group.get(groupId)!;
    const moved = childrenOf(view.snapshot.keyword, 'groupId', groupId).filter(({ text }) => own.includes(text));
    const clicksBefore = clicksOf(all, groupId);
    return {
      group,
      negatives: negativesFor(view, group, own, new Set(moved)),
      moved,
      clicksBefore,
      clicksAfter: clicksBefore - clicksOf([...chosen], groupId),
    };
  });
}
