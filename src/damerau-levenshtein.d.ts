/** Optimal string alignment; the package ships no types. */
declare module 'damerau-levenshtein' {
  export default function similarity(one: string, other: string): { steps: number; relative: number; similarity: number };
}
