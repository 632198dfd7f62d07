/** Words of a find that stand together: from this one on, to before that one. */
export interface Span {
  start: number;
  end: number;
}

/** Words of a negative that is not all of a find. */
export const mostWords = 4;

/**
 * The words that speak against a find, or they with their neighbours, those that the trade goes by first, until they are free to be a negative:
 * at most four of them, never all of the find. Null where they never are.
 */
export function widenUntilFree(
  words: readonly string[],
  { start, end }: Span,
  { isFree, isCoreAt }: { isFree: (run: string, span: Span) => boolean; isCoreAt: (at: number) => boolean },
): string | null {
  const isCore = (at: number) => at >= 0 && at < words.length && isCoreAt(at);
  while (end - start <= mostWords && end - start < words.length) {
    const run = words.slice(start, end).join(' ');
    if (isFree(run, { start, end })) return run;
    if (isCore(start - 1)) start--;
    else if (isCore(end)) end++;
    else if (start > 0) start--;
    else end++;
  }
  return null;
}
