/** A line of an ad or a master, as far as pasting needs it. */
interface Line {
  id: string;
  text: string;
  position: number;
}

/** What pasting several texts changes: lines that stand, with their new text and place, and lines that are added. */
export interface PastedLines {
  set: Line[];
  added: Line[];
}

/**
 * Texts pasted into a line as entries of their own: the first is what that line becomes, the next fill the empty lines right after it, the
 * rest are added there; lines after them move down. `lines`: all of one kind, in order.
 */
export function pasteLines(lines: readonly Line[], index: number, texts: readonly string[], newId: () => string): PastedLines {
  const [first = '', ...rest] = texts;
  const head = lines.slice(0, index + 1).map((line, at) => (at === index ? { ...line, text: first } : line));
  const after = lines.slice(index + 1);
  const emptyEnd = after.findIndex(({ text }) => text.trim() !== '');
  const empty = (emptyEnd < 0 ? after : after.slice(0, emptyEnd)).slice(0, rest.length);
  const filled = empty.map((line, at) => ({ ...line, text: rest[at] ?? '' }));
  const added = rest.slice(empty.length).map((text) => ({ id: newId(), text, position: 0 }));
  const order = [...head, ...filled, ...added, ...after.slice(empty.length)];
  const start = Math.min(...lines.map(({ position }) => position));
  const placed = order.map((line, at) => ({ ...line, position: start + at }));
  const isNew = new Set(added.map(({ id }) => id));
  const before = new Map(lines.map((line) => [line.id, line]));
  return {
    set: placed.filter(
      ({ id, text, position }) => !isNew.has(id) && (before.get(id)?.text !== text || before.get(id)?.position !== position),
    ),
    added: placed.filter(({ id }) => isNew.has(id)),
  };
}
