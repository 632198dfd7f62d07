import { writeTypedAmount, type AmountProblem, type AmountWays } from '$lib/core/money/typed-amount';

/** Why a text is no amount, in a sentence. */
export function wordAmountProblem(problem: AmountProblem, ways: AmountWays): string {
  const example = writeTypedAmount(160, ways);
  switch (problem) {
    case 'not-read':
      return `An amount in ${ways.currency}, such as ${example}.`;
    case 'below-nothing':
      return 'An amount cannot be below nothing.';
    case 'too-large':
      return 'That is more than Biblion counts.';
    case 'too-fine':
      return `More decimals than ${ways.currency} has.`;
    case 'badly-grouped':
      return `Decimals after “${ways.decimal}” here, such as ${example}; thousands in threes.`;
    case 'other-currency':
      return `The account is in ${ways.currency}.`;
  }
}
