import type * as z from 'zod';
import { checked, parseJson } from './read-json';

/** Each line of a text, cut off only when it is asked for. */
function* linesOf(text: string): Iterable<string> {
  for (let start = 0; start < text.length;) {
    const end = text.indexOf('\n', start);
    yield text.slice(start, end < 0 ? undefined : end);
    start = end < 0 ? text.length : end + 1;
  }
}

/** Reads a body of lines of JSON: a head, then packs, each read when it is asked for; what is wrong is refused with its line. */
export function readPackedBody<H, P>(body: string, schemas: { head: z.ZodType<H>; pack: z.ZodType<P> }): { head: H; packs: Iterable<P> } {
  const lines = linesOf(body)[Symbol.iterator]();
  const first = lines.next();
  const head = checked(schemas.head, first.done ? null : parseJson(first.value), 'line 1');
  function* packs(): Iterable<P> {
    let line = 1;
    for (let next = lines.next(); !next.done; next = lines.next()) yield checked(schemas.pack, parseJson(next.value), `line ${++line}`);
  }
  return { head, packs: packs() };
}
