import type { Limit } from '$lib/core/forecast/outlook';

const percentOf = (share: number) => `${Math.max(1, Math.round(share * 100))} %`;

/** The one setting that limits a campaign most, with its reason. */
export function wordLimit({ setting, leaves }: Limit): string {
  const left = percentOf(leaves);
  switch (setting) {
    case 'money':
      return `Money limits this most: it pays for ${left} of the clicks that are there.`;
    case 'hours':
      return `The hours limit this most: ${left} of the searches fall in them.`;
    case 'bid':
      return `The bid limits this most: it is ${left} of what being shown at all costs.`;
    case 'devices':
      return `The devices limit this most: ${left} of the searches are made on those that are on.`;
    case 'audiences':
      return `Aiming at audiences limits this most: about ${left} of the searchers are left.`;
    case 'searches':
      return `Searches limit this most: there are clicks for ${left} of the money. Widen the places, or spend less.`;
  }
}
