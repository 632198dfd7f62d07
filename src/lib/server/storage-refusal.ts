import { RequestRefused } from './outcome';

const refusals: readonly [code: RegExp, refusal: RequestRefused][] = [
  [
    /^SQLITE_(FULL|IOERR)/,
    new RequestRefused(507, 'disk-full', 'The disk is full, or fails. Free some space; what you type is kept here.'),
  ],
  [/^SQLITE_READONLY/, new RequestRefused(503, 'not-writable', 'The data file can no longer be written. Look at its rights.')],
  [/^SQLITE_(CORRUPT|NOTADB)/, new RequestRefused(503, 'file-damaged', 'The data file is damaged: a part of it cannot be read.')],
  [/^SQLITE_BUSY/, new RequestRefused(503, 'in-use', 'Another program holds the data file. End it.')],
];

/** The refusal where the data file could not be written for reasons outside the program; null for any other error. */
export function findStorageRefusal(error: unknown): RequestRefused | null {
  if (!(error instanceof Error) || !('code' in error)) return null;
  return refusals.find(([code]) => code.test(String(error.code)))?.[1] ?? null;
}
