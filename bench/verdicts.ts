import { badNegatives, isRight, isSure, labelledLists, measureList, type Measured } from '../src/tests/labelled-finds';

/**
 * What the rules gave on the lists of our own the first time they were run on them, in per cent: proposed, and of those right. The labels were
 * committed before.
 */
const firstRun: Readonly<Record<string, readonly [proposed: number, right: number]>> = {
  'own-dog-grooming': [82.5, 97.3],
  'own-garden-gates': [75.9, 98.0],
  'own-mudanzas': [84.6, 98.1],
  'own-naehkurse': [68.6, 100],
};

const percent = (part: number, whole: number) => Number(((100 * part) / Math.max(1, whole)).toFixed(1));
const least = { right: 97, proposed: 60 };

function confusionsOf(measured: readonly Measured[]): Record<string, string[]> {
  const wrong: Record<string, string[]> = {};
  for (const one of measured.filter((made) => isSure(made) && !isRight(made)))
    (wrong[one.proposal.rule!] ??= []).push(`${one.label.text}: ${one.proposal.verdict}, not ${one.label.verdict}`);
  return wrong;
}

/** How right verdicts are on labelled finds of twelve trades, how many are made, and what their negatives stop. */
export function benchVerdicts(): unknown[] {
  const lists = [...labelledLists].map(([name, list]) => ({ name, measured: measureList(list) }));
  const all = lists.flatMap(({ measured }) => measured);
  const rightOf = (measured: readonly Measured[]) => {
    const made = measured.filter(isSure);
    return percent(made.filter(isRight).length, made.length);
  };
  const proposedOf = (measured: readonly Measured[]) => percent(measured.filter(isSure).length, measured.length);
  const byList = (share: (measured: readonly Measured[]) => number) =>
    Object.fromEntries(lists.map(({ name, measured }) => [name, share(measured)]));
  const bad = lists.flatMap(({ measured }) => badNegatives(measured));
  const made = all.filter((one) => isSure(one) && one.proposal.negative);
  return [
    {
      bench: 'verdicts-right',
      percent: rightOf(all),
      goal: `at least ${least.right}`,
      met: rightOf(all) >= least.right,
      lists: byList(rightOf),
      firstRun,
      confusions: confusionsOf(all),
    },
    {
      bench: 'verdicts-proposed',
      percent: proposedOf(all),
      goal: `at least ${least.proposed}`,
      met: proposedOf(all) >= least.proposed,
      lists: byList(proposedOf),
    },
    {
      bench: 'verdict-negatives',
      made: made.length,
      exact: made.filter(({ proposal }) => proposal.negative!.match === 'exact').length,
      bad,
      goal: 'none stops a find to keep, none says nothing',
      met: bad.length === 0,
    },
  ];
}
