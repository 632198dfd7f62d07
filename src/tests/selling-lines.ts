import type { RuleId } from '$lib/core/proof/rule-list';

/** What is told of selling rules in lines: what the plan says, lines of an ad that raise the rule, and lines near to them that do not. */
export interface SellingLines {
  given: string;
  raises: readonly string[];
  not: readonly string[];
}

export const sellingLines = {
  'ads.no-theme': { given: 'a group on glasshouse repair', raises: ['Book a Visit'], not: ['Glasshouses Repaired'] },
  'ads.third-needed': {
    given: 'a group on piano tuning, the line fixed as third headline',
    raises: ['Piano Tuning'],
    not: ['Piano Tuning, and freed'],
  },
  'ads.nothing-to-do': { given: 'any group', raises: ['Piano Tuning in the City'], not: ['Book a Piano Tuning'] },
  'ads.calls-compete': {
    given: 'any group',
    raises: ['Book online or call the workshop', 'Ask for a price. Visit the workshop.'],
    not: [
      'Book a visit to the workshop',
      'See free evenings and book one',
      'No call-out fee: ask for a date',
      'Visits and calls in the evening',
    ],
  },
  'ads.no-offer': {
    given: 'a group whose offer is “Winter check”, £45',
    raises: ['Ask for a Date'],
    not: ['Ask for a Winter Check', 'Ask for a Date, from £45'],
  },
  'ads.no-reason': {
    given: 'a brief whose only fact is “Fixed price, told first”',
    raises: ['Ask for a Date'],
    not: ['A Fixed Price, Ask for a Date'],
  },
  'ads.no-condition': {
    given: 'a brief that says that only firms are served',
    raises: ['Ask for a Date'],
    not: ['For Schools and Venues: Ask'],
  },
  'ads.rival-line': {
    given: 'a rival whose ad says “Tuned within the week”',
    raises: ['Tuned Within the Week!'],
    not: ['Tuned This Week'],
  },
  'ads.price-missing': {
    given: 'a rival whose ad says “From £80” for a keyword of the group',
    raises: ['Ask for a Date'],
    not: ['Ask for a Date, £96'],
  },
} as const satisfies Partial<Record<RuleId, SellingLines>>;
