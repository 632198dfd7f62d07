/** The ad formats; only some are still accepted. */
export const formatNames = ['responsive', 'three-headlines', 'classic', 'page-driven'] as const;
export type FormatName = (typeof formatNames)[number];
