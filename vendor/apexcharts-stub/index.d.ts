export type ApexOptions = Record<string, unknown>;
