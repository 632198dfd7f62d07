import { measureLine } from '../ads/measure';
import type { FileGroup, PlanFile } from '../exchange/plan-file';
import type { RuleSet } from '../rules/rule-set';
import { units } from '../text/text-length';
import { replacePlaceWords, withoutPlace, type PlaceWord } from './place-words';

export type FileCampaign = PlanFile['campaigns'][number];

/** What kind of text it is. */
export type TextKind = 'group' | 'theme' | 'keyword' | 'negative' | 'headline' | 'description' | 'path' | 'address' | 'extra' | 'tracking';

/** A text that names the old place, and what it becomes. */
export interface TextChange {
  /** Where it stands in the campaign of a plan file: `groups/0/keywords/2/text`. */
  path: string;
  kind: TextKind;
  /** The group it is in, or empty. */
  group: string;
  before: string;
  after: string;
  units: number;
  limit: number | null;
  /** Not part of another word, as far as can be told. */
  isSure: boolean;
  /** The same without the place, where it is too long otherwise. */
  shorter: string | null;
}

interface Spot {
  path: string;
  kind: TextKind;
  group: string;
  text: string;
  limit: number | null;
}

function* spotsOfGroup(group: FileGroup, at: string, rules: RuleSet): Iterable<Spot> {
  const spot = (path: string, kind: TextKind, text: string, limit: number | null = null): Spot => ({
    path: `${at}/${path}`,
    kind,
    group: group.name,
    text,
    limit,
  });
  yield spot('name', 'group', group.name, rules.nameLimit);
  yield spot('theme', 'theme', group.theme);
  yield spot('landingPage', 'address', group.landingPage, rules.addressLimit);
  for (const [index, { text, landingPage }] of group.keywords.entries()) {
    yield spot(`keywords/${index}/text`, 'keyword', text, rules.keyword.unitsLimit);
    yield spot(`keywords/${index}/landingPage`, 'address', landingPage, rules.addressLimit);
  }
  for (const [index, { text }] of group.negatives.entries()) yield spot(`negatives/${index}/text`, 'negative', text);
  yield* spotsOfExtras(group.extras, `${at}/`, group.name, rules);
  for (const [index, ad] of group.ads.entries()) {
    const { headlines, descriptions, paths } = rules.formats[ad.format];
    const own = `ads/${index}`;
    for (const [line, { text }] of ad.headlines.entries()) yield spot(`${own}/headlines/${line}/text`, 'headline', text, headlines.limit);
    for (const [line, { text }] of ad.descriptions.entries())
      yield spot(`${own}/descriptions/${line}/text`, 'description', text, descriptions.limit);
    yield spot(`${own}/path1`, 'path', ad.path1, paths.limit);
    yield spot(`${own}/path2`, 'path', ad.path2, paths.limit);
    yield spot(`${own}/landingPage`, 'address', ad.landingPage, rules.addressLimit);
  }
}

/** How long the text of an extra may be, by its kind; null where its text has no limit of its own. */
function textLimitOf(kind: FileCampaign['extras'][number]['kind'], rules: RuleSet): number | null {
  switch (kind) {
    case 'sitelink':
      return rules.sitelink.textLimit;
    case 'callout':
      return rules.callout.textLimit;
    case 'dated-offer':
      return rules.datedOffer.textLimit;
    case 'business-name':
      return rules.businessName.textLimit;
    default:
      return null;
  }
}

/** Every text of extras that could name the place; `at` is the path of their owner, with a slash at its end. */
function* spotsOfExtras(extras: FileCampaign['extras'], at: string, group: string, rules: RuleSet): Iterable<Spot> {
  const spot = (path: string, kind: TextKind, text: string, limit: number | null = null): Spot => ({ path, kind, group, text, limit });
  for (const [index, extra] of extras.entries()) {
    yield spot(`${at}extras/${index}/text`, 'extra', extra.text, textLimitOf(extra.kind, rules));
    yield spot(`${at}extras/${index}/description1`, 'extra', extra.description1, rules.sitelink.descriptionLimit);
    yield spot(`${at}extras/${index}/description2`, 'extra', extra.description2, rules.sitelink.descriptionLimit);
    yield spot(`${at}extras/${index}/address`, 'address', extra.address, rules.addressLimit);
    for (const [valueAt, value] of extra.values.entries())
      yield spot(`${at}extras/${index}/values/${valueAt}`, 'extra', value, rules.listedValues.textLimit);
    for (const [rowAt, row] of extra.prices.entries()) {
      yield spot(`${at}extras/${index}/prices/${rowAt}/text`, 'extra', row.text, rules.priceRows.textLimit);
      yield spot(`${at}extras/${index}/prices/${rowAt}/description`, 'extra', row.description, rules.priceRows.textLimit);
      yield spot(`${at}extras/${index}/prices/${rowAt}/address`, 'address', row.address, rules.addressLimit);
    }
  }
}

/** Every text of a campaign that could name its place. */
function* spotsOf(campaign: FileCampaign, rules: RuleSet): Iterable<Spot> {
  const spot = (path: string, kind: TextKind, text: string, limit: number | null = null): Spot => ({ path, kind, group: '', text, limit });
  for (const [index, group] of campaign.groups.entries()) yield* spotsOfGroup(group, `groups/${index}`, rules);
  for (const [index, { text }] of campaign.negatives.entries()) yield spot(`negatives/${index}/text`, 'negative', text);
  yield* spotsOfExtras(campaign.extras, '', '', rules);
  for (const [index, { value }] of campaign.tracking.entries()) yield spot(`tracking/${index}/value`, 'tracking', value);
}

/** Fixed text of a line with its fallbacks, as long as it is read without a value: what counts against the limit. */
export const unitsOf = (kind: TextKind, text: string, limit: number | null, language: string) =>
  limit !== null && text.includes('[[') ? measureLine(text, [], { limit, language, values: {} }).unitsWithFallback : units(text);

/** A path without its hyphens; any other text without the place; null where that does not help. */
function shorten(kind: TextKind, text: string, limit: number, words: readonly PlaceWord[]): string | null {
  if (kind !== 'path') return words.reduce<string | null>((found, { to }) => found ?? withoutPlace(text, to), null);
  const joined = text.replace(/-/g, '');
  return joined !== text && units(joined) <= limit ? joined : null;
}

/** Every text of a campaign that names the old place, with what it becomes. What is not listed stays as it is. */
export function findTextChanges(campaign: FileCampaign, words: readonly PlaceWord[], rules: RuleSet): TextChange[] {
  const language = campaign.languages[0] ?? 'en';
  // Paths and addresses hold no spaces.
  const joined = words.map(({ from, to }) => ({ from, to: to.trim().replace(/\s+/g, '-') }));
  const changes: TextChange[] = [];
  for (const { path, kind, group, text, limit } of spotsOf(campaign, rules)) {
    const replaced = text === '' ? null : replacePlaceWords(text, kind === 'path' || kind === 'address' ? joined : words, language);
    if (!replaced || replaced.text === text) continue;
    const length = unitsOf(kind, replaced.text, limit, language);
    const isOver = limit !== null && length > limit;
    const shorter = isOver ? shorten(kind, replaced.text, limit, words) : null;
    changes.push({ path, kind, group, before: text, after: replaced.text, units: length, limit, isSure: replaced.isSure, shorter });
  }
  return changes;
}

/** How many texts of a campaign there are: what is not changed is left untouched. */
export const countTexts = (campaign: FileCampaign, rules: RuleSet): number =>
  [...spotsOf(campaign, rules)].filter(({ text }) => text !== '').length;

/** A campaign with texts put in at paths; keywords and negatives that became the same stand once, unless each is to keep its place. */
export function withTexts(campaign: FileCampaign, texts: ReadonlyMap<string, string>, { keepsTwice = false } = {}): FileCampaign {
  const copy = structuredClone(campaign) as FileCampaign;
  for (const [path, text] of texts) {
    const keys = path.split('/');
    const last = keys.pop()!;
    const owner = keys.reduce<unknown>((value, key) => (value as Record<string, unknown> | undefined)?.[key], copy);
    if (owner && typeof owner === 'object' && last in owner) (owner as Record<string, unknown>)[last] = text;
  }
  if (keepsTwice) return copy;
  const once = <T extends { text: string; match: string }>(rows: T[]): T[] => [
    ...new Map(rows.map((row) => [`${row.match} ${row.text}`, row])).values(),
  ];
  copy.negatives = once(copy.negatives);
  for (const group of copy.groups) {
    group.keywords = once(group.keywords);
    group.negatives = once(group.negatives);
  }
  return copy;
}
