import { cutList, readForCut, type CutGroup, type Lessons, type ReadList } from '../cut/first-cut';
import { kindNames } from '../cut/cut-language';
import { isKind } from '../cut/list-words';
import { nameGroups, type CutReason } from '../cut/name-groups';
import { offerToFixed } from '../cut/offer-to-fixed';
import { holdsPhrase } from '../rules/word-lists';
import { wantOf } from '../verdicts/want-of';
import { pageOfText } from './page-of-text';

/** What groups are made by: what keywords are about, what searchers want, kinds of words, landing pages, or one for each keyword. */
export const proposalWays = ['theme', 'intent', 'kind', 'page', 'each'] as const;
export type ProposalWay = (typeof proposalWays)[number];

/** A keyword or kept find that a proposal places: plain text, and the group in which it stands; each text once. */
export interface ProposedItem {
  text: string;
  groupId: string | null;
}

/** The list, read once; steering it does not read it again. */
export interface ListAsked {
  language: string;
  offer: string;
  lessons: Lessons;
  items: readonly ProposedItem[];
  groups: readonly { id: string; name: string; isFixed: boolean }[];
  /** The client's own names, where they have a group of their own. */
  ownNames: readonly string[];
  /** Addresses of the client's pages. */
  pages: readonly string[];
}

export interface Steering {
  way: ProposalWay;
  /** Few to many, 0…1. */
  many: number;
  given: readonly string[];
  /** Least and most keywords of a group; null: as the list's length wants it, and no most. */
  least: number | null;
  largest: number | null;
  /** Whether keywords that stand in groups may move; those of fixed groups never do. */
  recuts: boolean;
}

/** Why keywords stand together. */
export type ProposalReason =
  | CutReason
  | {
      kind: 'own-name' | 'intent' | 'page' | 'each' | 'stands' | 'offered';
      words: string[];
      ofKind: null;
      holding: number;
      byCompany: number;
    };

/** A group as proposed: one that is new, or one that stands with what it holds then. */
export interface ProposedRow {
  /** The same for the same theme however often it is cut. */
  key: string;
  groupId: string | null;
  name: string;
  theme: string;
  reason: ProposalReason;
  /** Places of its items. */
  items: number[];
  /** How many stand in it now. */
  stood: number;
}

export interface Proposal {
  rows: ProposedRow[];
  /** Items in no group, and the key of the row that is their second best. */
  leftOver: { item: number; second: string | null }[];
  /** The next best row of items in rows, by item. */
  second: [item: number, key: string][];
  /** Words that name the trade. */
  head: string[];
}

/** A row before it is joined to a group that stands. */
type Draft = Pick<ProposedRow, 'name' | 'theme' | 'reason' | 'items'>;

const said = (kind: 'own-name' | 'intent' | 'page' | 'each' | 'stands' | 'offered', words: string[]): ProposalReason => ({
  kind,
  words,
  ofKind: null,
  holding: 0,
  byCompany: 0,
});

const shortest = (texts: readonly string[]) => texts.reduce((best, text) => (text.length < best.length ? text : best), texts[0] ?? '');

/** Groups by what a label says of each item; items without one are left. */
function byLabel(
  items: readonly number[],
  labelOf: (item: number) => string | null,
  kind: 'intent' | 'page' | 'each',
  texts: readonly string[],
): Draft[] {
  const drafts = new Map<string, Draft>();
  for (const item of items) {
    const label = labelOf(item);
    if (label === null) continue;
    const draft = drafts.get(label) ?? { name: '', theme: '', reason: said(kind, [label]), items: [] };
    draft.items.push(item);
    drafts.set(label, draft);
  }
  return [...drafts.values()].map((draft) => {
    const theme = shortest(draft.items.map((item) => texts[item]!));
    return { ...draft, theme, name: theme };
  });
}

/** Proposes groups for a list that has been read. */
export class Proposer {
  private readonly list: ReadList;
  private readonly texts: readonly string[];

  constructor(private readonly asked: ListAsked) {
    this.texts = asked.items.map(({ text }) => text);
    this.list = readForCut(this.texts, asked);
  }

  propose(steering: Steering): Proposal {
    const { items, groups } = this.asked;
    const placeOf = new Map(groups.map(({ id }, place) => [id, place]));
    const fixedGroups = new Set(groups.filter(({ isFixed }) => isFixed || !steering.recuts).map(({ id }) => id));
    const fixed = Int32Array.from(items, ({ groupId }) => (groupId !== null && fixedGroups.has(groupId) ? placeOf.get(groupId)! : -1));
    const own = this.findOwn(fixed);
    const offers = steering.way === 'theme' ? offerToFixed(this.list, fixed) : new Map<number, number>();
    // Only what stands nowhere is offered; the client's own names have a group of their own.
    for (const item of offers.keys()) if (items[item]!.groupId !== null || own.includes(item)) offers.delete(item);
    const taken = Int32Array.from(fixed, (place, item) => (own.includes(item) ? groups.length : (offers.get(item) ?? place)));
    const free = [...items.keys()].filter((item) => taken[item]! < 0);
    const cut = this.draft(free, taken, steering);
    const drafts: Draft[] = own.length > 0 ? [this.ownNameDraft(own), ...cut.drafts] : cut.drafts;
    return this.join(drafts, { fixed, offers, second: cut.second });
  }

  private findOwn(fixed: Int32Array): number[] {
    const { ownNames } = this.asked;
    return [...this.texts.keys()].filter((item) => fixed[item]! < 0 && ownNames.some((name) => holdsPhrase(this.texts[item]!, name)));
  }

  private ownNameDraft(own: number[]): Draft {
    const name = this.asked.ownNames.find((one) => own.some((item) => holdsPhrase(this.texts[item]!, one)))!.toLowerCase();
    return { name, theme: name, reason: said('own-name', [name]), items: own };
  }

  /** Drafts of free items by the way asked for, and the draft that is each item's second best. */
  private draft(free: readonly number[], taken: Int32Array, steering: Steering): { drafts: Draft[]; second: Map<number, number> } {
    const { texts } = this;
    const { language, pages } = this.asked;
    const none = new Map<number, number>();
    if (steering.way === 'intent')
      return { drafts: byLabel(free, (item) => wantOf(texts[item]!, language), 'intent', texts), second: none };
    if (steering.way === 'each') return { drafts: byLabel(free, (item) => texts[item]!, 'each', texts), second: none };
    if (steering.way === 'page')
      return { drafts: byLabel(free, (item) => pageOfText(texts[item]!, pages, language), 'page', texts), second: none };
    if (steering.way === 'kind') return { drafts: this.byKind(free), second: none };
    const { many, given, least, largest } = steering;
    const cut = cutList(this.list, { many, given, ...(least === null ? {} : { least }), fixed: taken });
    const groups = largest === null ? cut.groups : cut.groups.flatMap((group) => this.splitLarge(group, largest, many));
    const filled = groups.filter(({ keywords }) => keywords.length > 0);
    const drafts = nameGroups(this.list, filled).map(({ name, theme, reason, keywords }): Draft => ({
      name,
      theme,
      reason,
      items: keywords,
    }));
    const placeOf = new Map(cut.groups.map((group, place) => [place, filled.indexOf(group)]));
    const second = new Map(
      [...cut.second].flatMap((group, item): [number, number][] => {
        const draft = group < 0 ? -1 : placeOf.get(group)!;
        return draft < 0 ? [] : [[item, draft]];
      }),
    );
    return { drafts, second };
  }

  /** The first kind of word that each item holds. */
  private byKind(free: readonly number[]): Draft[] {
    const { held, forms, holders } = this.list.words;
    const byKind = new Map<number, number[]>();
    for (const item of free) {
      const kind = held[item]!.find(isKind);
      if (kind !== undefined) byKind.set(kind, [...(byKind.get(kind) ?? []), item]);
    }
    return [...byKind].map(([kind, items]) => {
      const theme = shortest(items.map((item) => this.texts[item]!));
      const reason: CutReason = {
        kind: 'kind',
        words: forms[kind]!.slice(0, 3),
        ofKind: kindNames[kind]!,
        holding: holders[kind]!.length,
        byCompany: 0,
      };
      return { name: theme, theme, reason, items };
    });
  }

  /** Parts of a group that is larger than wanted, by the themes within it. */
  private splitLarge(group: CutGroup, largest: number, many: number): CutGroup[] {
    if (group.keywords.length <= largest) return [group];
    const { words } = this.list;
    const inside = readForCut(
      group.keywords.map((item) => this.texts[item]!),
      {
        ...this.asked,
        lessons: { ...this.asked.lessons, trade: [...this.asked.lessons.trade, ...group.ids.flatMap((id) => words.forms[id]!)] },
      },
    );
    const parts = cutList(inside, { many: Math.max(many, 0.75), least: 2 }).groups;
    const idOf = new Map(words.forms.flatMap((forms, id) => forms.map((form): [string, number] => [form, id])));
    const made: CutGroup[] = [];
    const left = new Set(group.keywords);
    for (const part of parts.sort((a, b) => b.keywords.length - a.keywords.length)) {
      if (part.kind === 'general' || part.keywords.length === 0 || left.size <= largest) continue;
      const keywords = part.keywords.map((place) => group.keywords[place]!);
      for (const item of keywords) left.delete(item);
      made.push({ ...part, keywords, ids: part.ids.flatMap((id) => idOf.get(inside.words.forms[id]![0]!) ?? []) });
    }
    return [{ ...group, keywords: group.keywords.filter((item) => left.has(item)) }, ...made];
  }

  /** Joins drafts to the groups that stand: a draft is the group from which most of it comes, where that is most of either. */
  private join(
    drafts: readonly Draft[],
    { fixed, offers, second }: { fixed: Int32Array; offers: ReadonlyMap<number, number>; second: ReadonlyMap<number, number> },
  ): Proposal {
    const { items, groups } = this.asked;
    const standing = groups.map(({ id }) => [...items.keys()].filter((item) => items[item]!.groupId === id));
    const placeOf = new Map(groups.map(({ id }, place) => [id, place]));
    const groupOfDraft = matchDrafts(drafts, items, placeOf, standing);
    const rows: ProposedRow[] = [];
    const keyOfDraft = drafts.map((draft, at) => {
      const place = groupOfDraft.get(at);
      return place === undefined ? `new ${draft.reason.kind} ${draft.theme}` : groups[place]!.id;
    });
    const placed = new Set(drafts.flatMap((draft) => draft.items));
    const held = new Map<number, number[]>([...groups.keys()].map((place) => [place, []]));
    for (const [at, draft] of drafts.entries()) {
      const place = groupOfDraft.get(at);
      if (place === undefined) rows.push({ ...draft, key: keyOfDraft[at]!, groupId: null, stood: 0 });
      else held.set(place, draft.items);
    }
    groups.forEach(({ id, name }, place) => {
      const draft = [...groupOfDraft].find(([, to]) => to === place)?.[0];
      // What nothing places stays where it stands.
      const staying = standing[place]!.filter((item) => fixed[item] === place || !placed.has(item));
      const offered = [...offers].filter(([, to]) => to === place).map(([item]) => item);
      const own = [...new Set([...staying, ...held.get(place)!, ...offered])].sort((a, b) => a - b);
      const reason = draft === undefined ? (offered.length > 0 ? said('offered', []) : said('stands', [])) : drafts[draft]!.reason;
      rows.push({
        key: id,
        groupId: id,
        name,
        theme: draft === undefined ? '' : drafts[draft]!.theme,
        reason,
        items: own,
        stood: standing[place]!.length,
      });
    });
    const keys = uniqueKeys(rows);
    const inRows = new Set(rows.flatMap((row) => row.items));
    const secondKey = (item: number) => (second.has(item) ? keyOfDraft[second.get(item)!]! : null);
    return {
      rows: rows.map((row, at) => ({ ...row, key: keys[at]! })),
      leftOver: [...items.keys()].filter((item) => !inRows.has(item)).map((item) => ({ item, second: secondKey(item) })),
      second: [...inRows].flatMap((item): [number, string][] => (secondKey(item) === null ? [] : [[item, secondKey(item)!]])),
      head: [...this.list.heads.heads].map((id) => this.list.words.forms[id]![0]!).sort(),
    };
  }
}

/** Which draft is which standing group: the pairs that share most first; a pair shares most of the draft's standing items or of the group. */
function matchDrafts(
  drafts: readonly Draft[],
  items: readonly ProposedItem[],
  placeOf: ReadonlyMap<string, number>,
  standing: readonly number[][],
): Map<number, number> {
  const pairs: { draft: number; place: number; shared: number }[] = [];
  drafts.forEach((draft, at) => {
    const counts = new Map<number, number>();
    let stood = 0;
    for (const item of draft.items) {
      const place = items[item]!.groupId === null ? undefined : placeOf.get(items[item]!.groupId);
      if (place === undefined) continue;
      stood++;
      counts.set(place, (counts.get(place) ?? 0) + 1);
    }
    for (const [place, shared] of counts)
      if (shared * 2 > stood || shared * 2 > standing[place]!.length) pairs.push({ draft: at, place, shared });
  });
  pairs.sort((a, b) => b.shared - a.shared || a.draft - b.draft || a.place - b.place);
  const matched = new Map<number, number>();
  const used = new Set<number>();
  for (const { draft, place } of pairs)
    if (!matched.has(draft) && !used.has(place)) {
      matched.set(draft, place);
      used.add(place);
    }
  return matched;
}

/** Keys of rows, with a number where two would be the same. */
function uniqueKeys(rows: readonly ProposedRow[]): string[] {
  const counts = new Map<string, number>();
  return rows.map(({ key }) => {
    const count = counts.get(key) ?? 0;
    counts.set(key, count + 1);
    return count === 0 ? key : `${key} ${count + 1}`;
  });
}
