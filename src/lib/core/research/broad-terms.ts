const mostTerms = 3;

/**
 * Broad terms to begin with, out of what is offered. Of “piano tuning, repair and restoration” a word alone is meant with the first one:
 * piano repair. Without a comma nothing tells what a word alone belongs to (“frames in ash and glass”), and it is left out.
 */
export function broadTerms(offer: string): string[] {
  const parts = offer
    .toLowerCase()
    .split(/,| and | og | und | et | y | e | en /)
    .map((part) => part.trim())
    .filter(Boolean);
  const [first = ''] = parts;
  const [head = '', ...rest] = first.split(/\s+/);
  const isList = offer.includes(',') && rest.length > 0;
  const whole = parts.flatMap((part, at) => (at === 0 || part.includes(' ') ? [part] : isList ? [`${head} ${part}`] : []));
  return [...new Set(whole)].slice(0, mostTerms);
}
