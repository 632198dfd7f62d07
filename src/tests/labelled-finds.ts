import { proposeVerdicts, type FindProposal } from '$lib/core/verdicts/propose-verdicts';
import type { RuleName } from '$lib/core/verdicts/rules';
import type { PlaceMet, TradeBrief } from '$lib/core/verdicts/trade';

/** Finds of one trade as people search them, with what a careful practitioner does with each. */
export interface LabelledFinds {
  brief: Omit<TradeBrief, 'ownNames'> & { name: string; ownName: string };
  named: PlaceMet[];
  finds: { text: string; verdict: 'keep' | 'block' | 'pass'; kind: string; negative?: string }[];
}

/** From so sure on a proposal is accepted without a look. */
export const sure = 0.9;

const files = import.meta.glob<LabelledFinds>('./finds/*.json', { eager: true, import: 'default' });
/** All lists, by their files' names. Those that begin with “own” were written before anything was run on them. */
export const labelledLists: ReadonlyMap<string, LabelledFinds> = new Map(
  Object.entries(files).map(([path, list]) => [path.replace(/^.*\/(.*)\.json$/, '$1'), list]),
);

/** A proposal beside its label. */
export interface Measured {
  proposal: FindProposal;
  label: LabelledFinds['finds'][number];
}

/** Proposals of a list beside their labels. */
export function measureList({ brief, named, finds }: LabelledFinds): Measured[] {
  const proposals = proposeVerdicts(
    { ...brief, ownNames: [brief.ownName] },
    finds.map(({ text }) => text),
    named,
  );
  return finds.map((label, at) => ({ label, proposal: proposals[at]! }));
}

export const isSure = ({ proposal }: Measured) => proposal.verdict !== null && proposal.confidence >= sure;
export const isRight = ({ proposal, label }: Measured) => proposal.verdict === label.verdict;

/** Negatives of sure blocks that would stop a find to keep, or that say nothing. */
export function badNegatives(measured: readonly Measured[]): string[] {
  const kept = measured.flatMap(({ label }) => (label.verdict === 'keep' ? [` ${label.text.toLowerCase()} `] : []));
  return measured.filter(isSure).flatMap(({ proposal: { negative } }) => {
    if (!negative || negative.match === 'exact') return [];
    return kept.some((text) => text.includes(` ${negative.text} `)) || /^[\p{N}.,]+$|^.$/u.test(negative.text) ? [negative.text] : [];
  });
}

const leastOfList = 10;
/** No rule is surer: some hundred cases cannot tell more. */
const mostSure = 0.99;

/** How sure each rule is: right of made over all lists, or over the list where it does worst, of those where it speaks ten times or more. */
export function measureRules(): Record<string, number> {
  const lists = [...labelledLists.values()].map((list) => measureList(list).filter(({ proposal }) => proposal.rule !== null));
  const rules = [...new Set(lists.flat().map(({ proposal }) => proposal.rule!))].sort();
  const share = (measured: readonly Measured[]) => measured.filter(isRight).length / measured.length;
  return Object.fromEntries(
    rules.map((rule: RuleName) => {
      const own = lists.map((list) => list.filter(({ proposal }) => proposal.rule === rule));
      const worst = Math.min(share(own.flat()), ...own.filter(({ length }) => length >= leastOfList).map(share));
      return [rule, Math.min(mostSure, Math.floor(worst * 1000) / 1000)];
    }),
  );
}
