const lineBreak = /[\n\v\f\r\u0085\u2028\u2029]+/;
const lineBreakOrComma = /[\n\v\f\r\u0085\u2028\u2029,;]+/;

/**
 * The entries of a text typed or pasted into a list: one a line, and where `at` says so one a comma or semicolon too (names and negatives;
 * never facts or lines, which hold commas of their own). Trimmed, empty ones left out.
 */
export function splitEntries(text: string, at: 'lines' | 'commas'): string[] {
  const parts = text.split(at === 'commas' ? lineBreakOrComma : lineBreak).map((part) => part.replace(/\t+/g, ' ').trim());
  return parts.filter((part) => part !== '');
}
