/** A piece of a line: fixed text (escapes taken out) or a slot. Positions are UTF-16 indexes in the source. */
export type Segment = { kind: 'text'; text: string } | SlotSegment;

/** A slot of a line, as it is written. */
export interface SlotSegment {
  kind: 'slot';
  name: string;
  /** Null where none is written. */
  fallback: Segment[] | null;
  /** As written; whether it is a known case is checked apart. Null where none is written. */
  caseName: string | null;
  /** Where the slot begins and ends in the source. */
  at: number;
  end: number;
}

/** A line taken apart; unclosed brackets and slots nested too deep stand as literal text and are reported. */
export interface ParsedLine {
  segments: Segment[];
  problems: { code: 'unclosed-slot' | 'nested-too-deep'; at: number }[];
}

interface Token {
  kind: 'text' | 'open' | 'bar' | 'close';
  text: string;
  at: number;
  end: number;
  /** For an opening bracket: the index of the token that closes it. */
  partner?: number;
}

const deepest = 4;
const tokenPattern = /\\(?:\[\[|\]\]|\||\\)|\[\[|\]\]|\||[^\\[\]|]+|[^]/g;

const hasMarks = /\[\[|\\/;

/** Whether a line holds neither slots nor escapes, so that it stands as it is written. */
export const isPlainLine = (source: string) => !hasMarks.test(source);

/** Splits the source into text, brackets and bars; a backslash makes the next sign literal. */
function tokenize(source: string): Token[] {
  const tokens: Token[] = [];
  for (const match of source.matchAll(tokenPattern)) {
    const [text] = match;
    const kind = text === '[[' ? 'open' : text === ']]' ? 'close' : text === '|' ? 'bar' : 'text';
    const literal = text.length > 1 && text.startsWith('\\') ? text.slice(1) : text;
    tokens.push({ kind, text: literal, at: match.index, end: match.index + text.length });
  }
  return tokens;
}

/** Gives every opening bracket its partner; linear, so that hostile text costs no more than its length. */
function pairBrackets(tokens: Token[]): void {
  const open: Token[] = [];
  tokens.forEach((token, index) => {
    if (token.kind === 'open') open.push(token);
    else if (token.kind === 'close') {
      const opener = open.pop();
      if (opener) opener.partner = index;
    }
  });
}

class LineParser {
  readonly problems: ParsedLine['problems'] = [];

  constructor(
    private readonly source: string,
    private readonly tokens: Token[],
  ) {}

  /** Segments of tokens from `from` up to `to` (not included). */
  segments(from: number, to: number, depth: number): Segment[] {
    const result: Segment[] = [];
    const addText = (text: string) => {
      const last = result.at(-1);
      if (last?.kind === 'text') last.text += text;
      else result.push({ kind: 'text', text });
    };
    for (let index = from; index < to; index++) {
      const token = this.tokens[index]!;
      const slot = token.kind === 'open' ? this.slot(token, index, depth) : null;
      if (slot) {
        result.push(slot);
        index = token.partner!;
      } else addText(token.text);
    }
    return result;
  }

  private slot(token: Token, index: number, depth: number): SlotSegment | null {
    if (token.partner === undefined || depth >= deepest) {
      this.problems.push({
        code: token.partner === undefined ? 'unclosed-slot' : 'nested-too-deep',
        at: token.at,
      });
      return null;
    }
    const close = this.tokens[token.partner]!;
    const bars = this.barsOf(index, token.partner);
    const [first, second] = bars;
    const nameEnd = first === undefined ? close.at : this.tokens[first]!.at;
    const fallbackEnd = second ?? token.partner;
    const fallback = first === undefined ? null : this.segments(first + 1, fallbackEnd, depth + 1);
    const empty = !fallback || fallback.every((part) => part.kind === 'text' && part.text.trim() === '');
    const written = second === undefined ? '' : this.source.slice(this.tokens[second]!.end, close.at).trim();
    return {
      kind: 'slot',
      name: this.source.slice(token.end, nameEnd).trim(),
      fallback: empty ? null : fallback,
      caseName: written === '' ? null : written,
      at: token.at,
      end: close.end,
    };
  }

  /** The bars of a slot itself, not of slots within it. */
  private barsOf(open: number, close: number): number[] {
    const bars: number[] = [];
    for (let index = open + 1; index < close; index++) {
      const token = this.tokens[index]!;
      if (token.kind === 'open' && token.partner !== undefined) index = token.partner;
      else if (token.kind === 'bar') bars.push(index);
    }
    return bars;
  }
}

/** Takes apart the text form `[[slot|fallback|case]]`; a fallback may hold slots of its own. */
export function parseSlots(source: string): ParsedLine {
  if (isPlainLine(source)) return { segments: source === '' ? [] : [{ kind: 'text', text: source }], problems: [] };
  const tokens = tokenize(source);
  pairBrackets(tokens);
  const parser = new LineParser(source, tokens);
  const segments = parser.segments(0, tokens.length, 0);
  return { segments, problems: parser.problems.sort((a, b) => a.at - b.at) };
}

/** Fixed text in the text form: what would be read as a slot is made literal. */
export const escapeText = (text: string) => text.replace(/\\(?=\[\[|\]\]|\||\\)|\[\[|\]\]/g, '\\$&');

/** Text for a fallback in the text form: bars are made literal as well. */
export const escapeFallback = (text: string) => escapeText(text).replace(/\|/g, '\\|');

/** The text form of a slot; `fallback` is itself in the text form. */
export function writeSlot(name: string, fallback: string, caseName: string | null): string {
  if (caseName) return `[[${name}|${fallback}|${caseName}]]`;
  return fallback === '' ? `[[${name}]]` : `[[${name}|${fallback}]]`;
}

/** Segments in the text form; `writeText` makes literal what stands beside slots: of a line, or of a fallback, as within slots. */
export const writeSegments = (segments: readonly Segment[], writeText: (text: string) => string): string =>
  segments
    .map((part) =>
      part.kind === 'text' ? writeText(part.text) : writeSlot(part.name, writeSegments(part.fallback ?? [], escapeFallback), part.caseName),
    )
    .join('');
