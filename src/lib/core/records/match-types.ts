/** How loosely a keyword or a negative keyword matches. */
export const matchTypes = ['broad', 'phrase', 'exact'] as const;
export type MatchType = (typeof matchTypes)[number];
