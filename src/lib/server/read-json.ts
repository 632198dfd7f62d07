import type * as z from 'zod';
import { RequestRefused } from './outcome';

/** Limits of input (rules §7). */
export const bodyLimits = { planFile: 50 * 1024 * 1024, other: 1024 * 1024, bulk: 20 * 1024 * 1024, backup: 1024 * 1024 * 1024 };
const deepest = 64;

/** Reads a body up to a number of bytes, whatever its headers claim. */
export async function readBytes(request: Request, limit: number): Promise<Buffer> {
  const tooLarge = new RequestRefused(413, 'too-large', `The body is larger than ${Math.round(limit / 1024 / 1024)} MB.`);
  if (Number(request.headers.get('content-length') ?? 0) > limit) throw tooLarge;
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    size += chunk.length;
    if (size > limit) throw tooLarge;
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

function decodeUtf8(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw new RequestRefused(400, 'not-utf-8', 'The body is not UTF-8.');
  }
}

/** The text of a body within a number of bytes; UTF-8 only. */
export const readText = async (request: Request, limit: number): Promise<string> => decodeUtf8(await readBytes(request, limit));

/** The JSON of a body that has been read, whatever it holds. */
export const readAnyBody = (bytes: Uint8Array): unknown => parseJson(decodeUtf8(bytes));

/** The JSON of a body that has been read, as its schema wants it; anything else is refused with the place. */
export const readBody = <S extends z.ZodType>(bytes: Uint8Array, schema: S): z.output<S> => checked(schema, readAnyBody(bytes));

/** Refuses JSON nested deeper than the limit before it is parsed. */
function checkDepth(text: string): void {
  let depth = 0;
  let inString = false;
  for (let index = 0; index < text.length; index++) {
    const sign = text.charCodeAt(index);
    if (inString) {
      if (sign === 0x5c) index++;
      else if (sign === 0x22) inString = false;
    } else if (sign === 0x22) inString = true;
    else if (sign === 0x7b || sign === 0x5b) {
      if (++depth > deepest)
        throw new RequestRefused(400, 'too-deep', `The JSON is nested deeper than ${deepest} levels, at position ${index}.`);
    } else if (sign === 0x7d || sign === 0x5d) depth--;
  }
}

/** The JSON body of a request within the limits, whatever it holds. */
async function readAnyJson(request: Request, limit: number): Promise<unknown> {
  return parseJson(await readText(request, limit));
}

/** JSON that came from outside. */
export function parseJson(text: string): unknown {
  checkDepth(text);
  try {
    return JSON.parse(text.replace(/^\ufeff/, ''));
  } catch (error) {
    throw new RequestRefused(400, 'broken-json', `The body is no JSON: ${error instanceof Error ? error.message : ''}`);
  }
}

/** The JSON body of a request, within the limits and as its schema wants it; anything else is refused with the place. */
export async function readJson<S extends z.ZodType>(request: Request, schema: S, limit = bodyLimits.other): Promise<z.output<S>> {
  return checked(schema, await readAnyJson(request, limit));
}

/** A value as its schema wants it; anything else is refused with the place, perhaps after a word on where that is. */
export function checked<S extends z.ZodType>(schema: S, value: unknown, where = ''): z.output<S> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const issue = result.error.issues[0];
  const path = issue?.path.map(String).join('.') ?? '';
  throw new RequestRefused(422, 'not-valid', issue?.message ?? 'Not valid.', [where, path].filter(Boolean).join(', '));
}
