import { cutList, readForCut, type CutGroup, type ReadList } from '../cut/first-cut';
import { kindNames } from '../cut/cut-language';
import { isKind } from '../cut/list-words';
import { headWords, nameGroups, type CutReason } from '../cut/name-groups';
import { joinDrafts } from './join-drafts';
import { said, type Draft, type ListAsked, type Proposal, type Steering } from './proposal-types';
import { offerToFixed } from '../cut/offer-to-fixed';
import { holdsPhrase } from '../rules/word-lists';
import { wantOf } from '../verdicts/want-of';
import { pageOfText } from './page-of-text';

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
    for (const item of offers.keys()) if (items[item]!.groupId !== null || own.has(item)) offers.delete(item);
    const taken = Int32Array.from(fixed, (place, item) => (own.has(item) ? groups.length : (offers.get(item) ?? place)));
    const free = [...items.keys()].filter((item) => taken[item]! < 0);
    const cut = this.draft(free, taken, steering);
    const drafts: Draft[] = own.size > 0 ? [this.ownNameDraft([...own]), ...cut.drafts] : cut.drafts;
    return {
      ...joinDrafts(drafts, this.asked, { fixed, offers, second: cut.second }),
      head: headWords(this.list),
    };
  }

  private findOwn(fixed: Int32Array): Set<number> {
    const { ownNames } = this.asked;
    return new Set(
      [...this.texts.keys()].filter((item) => fixed[item]! < 0 && ownNames.some((name) => holdsPhrase(this.texts[item]!, name))),
    );
  }

  private ownNameDraft(own: number[]): Draft {
    const name = this.asked.ownNames.find((one) => own.some((item) => holdsPhrase(this.texts[item]!, one)))!.toLowerCase();
    return { name, theme: name, reason: said('own-name', [name]), items: own };
  }

  /** Drafts of free items by the way asked for, and the draft that is each item's second best. */
  private draft(free: readonly number[], taken: Int32Array, steering: Steering): { drafts: Draft[]; second: Map<number, Draft> } {
    const { texts } = this;
    const { language, pages } = this.asked;
    const none = new Map<number, Draft>();
    if (steering.way === 'intent')
      return { drafts: byLabel(free, (item) => wantOf(texts[item]!, language), 'intent', texts), second: none };
    if (steering.way === 'each') return { drafts: byLabel(free, (item) => texts[item]!, 'each', texts), second: none };
    if (steering.way === 'page')
      return { drafts: byLabel(free, (item) => pageOfText(texts[item]!, pages, language), 'page', texts), second: none };
    if (steering.way === 'kind') return { drafts: this.byKind(free), second: none };
    const { many, given, least, largest } = steering;
    const cut = cutList(this.list, { many, given, ...(least === null ? {} : { least }), fixed: taken });
    const parts = cut.groups.map((group) => (largest === null ? [group] : this.splitLarge(group, largest, many)));
    const filled = parts.flat().filter(({ keywords }) => keywords.length > 0);
    const drafts = nameGroups(this.list, filled).map(({ name, theme, reason, keywords }): Draft => ({
      name,
      theme,
      reason,
      items: keywords,
    }));
    const draftOf = new Map(filled.map((group, at) => [group, drafts[at]!]));
    const second = new Map<number, Draft>();
    cut.second.forEach((group, item) => {
      // What was split off a group is another theme: the second best is what is left of it.
      const draft = group < 0 ? undefined : draftOf.get(parts[group]![0]!);
      if (draft) second.set(item, draft);
    });
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
}
