/** An estimate: somewhere between two values. */
export interface Range {
  low: number;
  high: number;
}
