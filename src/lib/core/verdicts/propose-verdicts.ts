import { negativeOf, ProtectedRuns, type ProposedNegative } from './negatives';
import { confidenceOf, decide, type Decision, type FindKind, type RuleName } from './rules';
import { Trade, type PlaceMet, type TradeBrief } from './trade';

/** What is proposed for a find. */
export interface FindProposal {
  text: string;
  /** Null: nothing is proposed. */
  verdict: 'keep' | 'block' | 'pass' | null;
  /** 0 to 1; 0 where nothing is proposed. */
  confidence: number;
  kind: FindKind;
  rule: RuleName | null;
  because: string[];
  negative: ProposedNegative | null;
}

/** Verdicts on all finds of a client (texts as people search them), in their order. `places`: those that the finds' words name. */
export function proposeVerdicts(brief: TradeBrief, texts: readonly string[], places: readonly PlaceMet[]): FindProposal[] {
  const trade = new Trade(brief, places);
  const finds = texts.map((text) => trade.split(text));
  trade.learn(finds);
  const decisions = finds.map((find) => decide(find, trade));
  const kept = new ProtectedRuns();
  finds.forEach((find, at) => {
    const { verdict } = decisions[at]!;
    const isOnTopic = verdict === null && find.folded.some((word, index) => trade.isCore(word, find.roots[index]!));
    if (verdict === 'keep' || isOnTopic) kept.add(find);
  });
  return finds.map((find, at) => proposalOf(find.text, decisions[at]!, () => negativeOf(find, decisions[at]!, trade, kept)));
}

function proposalOf(text: string, { verdict, kind, rule, because }: Decision, negative: () => ProposedNegative): FindProposal {
  const confidence = rule === null ? 0 : confidenceOf(rule);
  return { text, verdict, confidence, kind, rule, because, negative: verdict === 'block' ? negative() : null };
}
