import * as z from 'zod';
import { text as textField } from '$lib/core/records/fields';
import { mostPlaceLines, readPlaceLines } from '$lib/core/places/place-list';
import { tooMuch } from '../outcome';
import { mostTowns } from '../places/place-atlas';
import { reachedPlace } from '../market-routes';
import { readBody } from '../read-json';
import type { Job } from './job';

const listed = z.object({ text: z.string().max(900_000), near: z.string().max(2).default(''), zone: z.string().max(64).default('') });

/** Matches a pasted list of places: each line with the places that it may mean. */
export const matchPlacesJob: Job = ({ body }, { places }) => {
  const { text, near, zone } = readBody(body, listed);
  const lines = readPlaceLines(text).map((line) => ({
    ...line,
    found: line.kind === 'place' ? places.findNamed(line.name, line.within, { country: near, zone }) : [],
  }));
  return { lines, most: mostPlaceLines };
};

/** Kilometres of ways from the middles of circles to their largest towns, along which water is looked for. */
const mostKm = 3_000_000;
const reached = z.object({ places: z.array(reachedPlace).max(5000) });

/** People and towns that places reach. */
export const reachJob: Job = ({ body }, { atlas }) => {
  const { places } = readBody(body, reached);
  const ways = places.reduce((sum, { kind, radiusKm }) => sum + (kind === 'city' ? (radiusKm ?? 0) * mostTowns : 0), 0);
  if (ways > mostKm)
    throw tooMuch(
      `${places.length} circles are too many of such a size: their ways to ${mostTowns} towns each make ${Math.round(ways).toLocaleString('en-GB')} km, and ${mostKm.toLocaleString('en-GB')} can be looked at. Ask for fewer, or smaller ones.`,
      'places',
    );
  return atlas.reach(places);
};

/** A place of the plan, with its name. */
export const ownPlace = reachedPlace.extend({ name: textField.max(200).default('') });
const named = z.object({ words: z.array(z.string().max(80)).max(30_000), places: z.array(ownPlace).max(5000) });

/** Which words are names of places, whether they are among ours, how far from them, and which of our towns is nearest. */
export const namedPlacesJob: Job = ({ body }, { namedPlaces }) => {
  const { words, places } = readBody(body, named);
  return { places: namedPlaces.find(words, places) };
};
