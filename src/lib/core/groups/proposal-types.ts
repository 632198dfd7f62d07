import type { Lessons } from '../cut/first-cut';
import type { CutReason } from '../cut/name-groups';

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
  /** Words that name the trade. */
  head: string[];
}

/** A row before it is joined to a group that stands. */
export type Draft = Pick<ProposedRow, 'name' | 'theme' | 'reason' | 'items'>;

/** A reason that is no theme. */
export const said = (kind: 'own-name' | 'intent' | 'page' | 'each' | 'stands' | 'offered', words: string[]): ProposalReason => ({
  kind,
  words,
  ofKind: null,
  holding: 0,
  byCompany: 0,
});
