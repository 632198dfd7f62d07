import type { PlanView } from '../view/plan-view';
import { inOrder } from '../store/snapshot';
import type { Find } from '../records/find';
import { areNearEqual, Letters } from '../text/near-equal';

/** An ad of a rival, as it was seen. */
export interface CompetitorAd {
  headlines: string[];
  descriptions: string[];
  /** How many days it was shown: what runs long, pays. */
  days: number;
  /** Searches it was shown for. */
  searches: string[];
}

/** Who competes for the same searches. */
export interface Competitor {
  name: string;
  domain: string;
  /** Of the searches asked about, the shares bought and won for free. */
  paidShare: number;
  freeShare: number;
  /** Of twelve months, in how much of each it advertises, 0 to 1. */
  months: number[];
  ads: CompetitorAd[];
  /** Searches it buys, of those asked about and of others around them. */
  buys: string[];
  /** Searches it wins for free, where these are told one by one. */
  wins?: string[];
  /** The files that tell of it; empty or missing: the market. */
  source?: string;
}

/** How a rival stands against the finds that are kept. */
export interface CompetitorMeasure {
  /** Kept finds that it buys, and the share of all searches behind kept finds that they are. */
  overlap: number;
  overlapShare: number;
  /** Of the searches behind kept finds, the share it is there for over the year: what it buys, less the months it rests. */
  strength: number;
  /** Of the kept finds, the share it wins for free. */
  freeShare: number;
}

/** Measures a rival against the kept finds, by what these are searched; finds without figures count as searched ten times. */
export function measureCompetitor({ buys, months, ...competitor }: Competitor, kept: readonly Find[]): CompetitorMeasure {
  const bought = new Set(buys);
  const weight = ({ searchesHigh }: Find) => searchesHigh ?? unknownSearches;
  const sum = (finds: readonly Find[]) => finds.reduce((all, find) => all + weight(find), 0);
  const shared = kept.filter(({ text }) => bought.has(text));
  const overlapShare = kept.length === 0 ? 0 : sum(shared) / Math.max(1, sum(kept));
  const activity = months.length === 0 ? 1 : months.reduce((all, share) => all + share, 0) / months.length;
  const won = competitor.wins && new Set(competitor.wins);
  const freeShare = won ? kept.filter(({ text }) => won.has(text)).length / Math.max(1, kept.length) : competitor.freeShare;
  return { overlap: shared.length, overlapShare, strength: overlapShare * activity, freeShare };
}
const unknownSearches = 10;

/** What the market tells of a plan's competition. */
export interface Competition {
  rivals: Competitor[];
  /** Searches that the client's own site wins for free, of those asked about. */
  ownFree: string[];
}

/** Searches a rival buys that the plan neither keeps nor has judged. */
export const boughtByThemAlone = (competitor: Competitor, finds: Iterable<Find>): string[] => {
  const known = new Set([...finds].map(({ text }) => text));
  return competitor.buys.filter((text) => !known.has(text));
};

/** Months in which a rival advertises less than half as much as in its strongest: a season; none: all year round. */
export const isSeasonal = ({ months }: Pick<Competitor, 'months'>): boolean =>
  months.length > 0 && Math.min(...months) < Math.max(...months) / 2;

/** A line of ours that reads as one of a rival. */
export interface SameLine {
  adId: string;
  ours: string;
  theirs: string;
  rival: string;
}

/** Lines of the plan's ads that read the same as lines of rivals' ads. */
export function findSameLines({ snapshot }: Pick<PlanView, 'snapshot'>, competitors: readonly Competitor[]): SameLine[] {
  const theirs = competitors.flatMap(({ name, ads }) =>
    ads.flatMap(({ headlines, descriptions }) =>
      [...headlines, ...descriptions].map((text) => ({ name, text, letters: new Letters(text) })),
    ),
  );
  return inOrder(snapshot.adLine).flatMap(({ adId, text }) => {
    const letters = new Letters(text);
    const same = letters.length === 0 ? undefined : theirs.find((line) => areNearEqual(line.letters, letters));
    return same ? [{ adId, ours: text, theirs: same.text, rival: same.name }] : [];
  });
}
