import { readRadius } from './distance';

/** A line of a pasted list of places. */
export interface PlaceLine {
  /** The line as it was, from 1. */
  line: number;
  text: string;
  name: string;
  /** What was said to tell it apart: a country or region, by name or code; empty where nothing was. */
  within: string;
  radiusKm: number | null;
  excluded: boolean;
  kind: 'place' | 'postal' | 'unread';
}

/** Postal codes as most countries write them: letters and digits with a digit among them, at most one space or hyphen. */
const postal = /^(?=[^\s]*\d)[A-Z\d]{2,5}(?:[ -]?[A-Z\d]{2,5})?$/i;

/** The most lines that are read at once. */
export const mostPlaceLines = 10_000;

/** A name and the radius after its last plus sign, or null where none follows one. */
function splitAtPlus(text: string): { name: string; radius: string } | null {
  for (let at = text.lastIndexOf('+'); at > 0; at = text.lastIndexOf('+', at - 1)) {
    const radius = text.slice(at + 1).trimStart();
    if (/^\d/.test(radius)) return { name: text.slice(0, at).trimEnd(), radius };
  }
  return null;
}

function readLine(text: string, line: number): PlaceLine {
  const excluded = /^\s*[-−–]/.test(text);
  const parts = text
    .replace(/^\s*[-−–+]\s*/, '')
    .split(/[,;\t]/)
    .map((part) => part.trim())
    .filter((part) => part !== '');
  const [name = '', ...rest] = parts;
  const plus = splitAtPlus(name);
  const said = plus ? [plus.radius, ...rest] : rest;
  const within = said.filter((part) => !/^\d/.test(part)).join(', ');
  const radiusText = said.find((part) => /^\d/.test(part));
  const radiusKm = radiusText === undefined ? null : readRadius(radiusText, /^[A-Z]{2}$/i.test(within) ? within.toUpperCase() : '');
  const isUnread = name === '' || (radiusText !== undefined && radiusKm === null);
  const kind = isUnread ? 'unread' : postal.test(name) ? 'postal' : 'place';
  return { line, text: text.trim(), name: plus?.name ?? name, within, radiusKm, excluded, kind };
}

/** Reads a pasted list: `Edinburgh`, `Perth, GB, 15 km`, `Livingston + 10 mi`, `- Fife`, postal codes. Empty lines are left out. */
export const readPlaceLines = (text: string): PlaceLine[] =>
  text
    .split(/\r?\n/)
    .map((one, index) => ({ text: one, line: index + 1 }))
    .filter(({ text: one }) => one.trim() !== '')
    .slice(0, mostPlaceLines)
    .map(({ text: one, line }) => readLine(one, line));
