import { zoomIdentity, type ZoomTransform } from 'd3-zoom';
import { geoCircle, geoMercator, geoPath, type GeoPermissibleObjects } from 'd3-geo';
import { feature } from 'topojson-client';
import type { GeometryCollection, Topology } from 'topojson-specification';
import type { Point } from '$lib/core/places/distance';
import type { Place } from '$lib/core/records/place';

/** The world is this wide in the units that outlines are drawn in: wide enough for whole numbers at the largest zoom. */
const worldWidth = 100_000;
const projection = geoMercator()
  .scale(worldWidth / (2 * Math.PI))
  .translate([worldWidth / 2, worldWidth / 2]);
const path = geoPath(projection).digits(1);
const kmPerDegree = 111.195;

/** An outline to be drawn, with what it stands for. */
export interface Outline {
  code: string;
  d: string;
}

/** What of the world is in sight: the middle in world units, and pixels a unit. */
export interface MapView {
  x: number;
  y: number;
  scale: number;
}

export const scaleLimits = { least: 0.002, most: 3 } as const;
const clampScale = (scale: number) => Math.min(scaleLimits.most, Math.max(scaleLimits.least, scale));

/** Outlines of a topology's shapes, by their id. */
function outlinesOf(topology: Topology, name: string): Outline[] {
  const { features } = feature(topology, topology.objects[name] as GeometryCollection);
  return features.flatMap((shape) => {
    const d = path(shape as GeoPermissibleObjects);
    return d ? [{ code: String(shape.id ?? ''), d }] : [];
  });
}

/** Countries by their code (ISO 3166-1 alpha-2). */
export const worldOutlines = (topology: Topology): Outline[] => outlinesOf(topology, 'countries');
/** First-level regions of a country. */
export const regionOutlines = (topology: Topology): Outline[] => outlinesOf(topology, 'regions');

/** How far around a place is shown: a town with the towns beside it, a circle with what lies just outside. */
export const kmShown = ({ kind, radiusKm }: Pick<Place, 'kind' | 'radiusKm'>) =>
  kind === 'country' ? 450 : kind === 'region' ? 150 : Math.max(25, radiusKm ?? 0);

/** Where a point lies in world units. */
export const worldPoint = ({ latitude, longitude }: Point): [number, number] => projection([longitude, latitude]) ?? [0, 0];

/** The circle of so many kilometres around a point, as it lies on the map. */
export const circleOutline = ({ latitude, longitude }: Point, km: number): string =>
  path(
    geoCircle()
      .center([longitude, latitude])
      .radius(km / kmPerDegree)
      .precision(4)(),
  ) ?? '';

/** Where the point lies that is so far east of another: the handle of its circle. */
export const eastOf = ({ latitude, longitude }: Point, km: number): Point => ({
  latitude,
  longitude: longitude + km / (kmPerDegree * Math.cos((latitude * Math.PI) / 180)),
});

/** Where a spot of the screen lies in the world. */
export function pointAt(view: MapView, [left, top]: readonly [number, number], [width, height]: readonly [number, number]): Point {
  const [longitude, latitude] = projection.invert?.([
    view.x + (left - width / 2) / view.scale,
    view.y + (top - height / 2) / view.scale,
  ]) ?? [0, 0];
  return { latitude, longitude };
}

/** Where a point of the world lies on the screen. */
export function spotOf(view: MapView, point: Point, [width, height]: readonly [number, number]): [number, number] {
  const [x, y] = worldPoint(point);
  return [(x - view.x) * view.scale + width / 2, (y - view.y) * view.scale + height / 2];
}

/** A view as the move and zoom of the drawing that show it, which d3-zoom reckons with. */
export const transformOf = ({ x, y, scale }: MapView, [width, height]: readonly [number, number]): ZoomTransform =>
  zoomIdentity.translate(width / 2 - x * scale, height / 2 - y * scale).scale(scale);

/** The view that such a move and zoom show. */
export const viewOf = ({ x, y, k }: ZoomTransform, [width, height]: readonly [number, number]): MapView => ({
  x: (width / 2 - x) / k,
  y: (height / 2 - y) / k,
  scale: k,
});

/** The view moved by so many pixels. */
export const moved = (view: MapView, right: number, down: number): MapView => ({
  ...view,
  x: view.x - right / view.scale,
  y: view.y - down / view.scale,
});

/** The view nearer or farther by a factor; the spot of the screen stays where it is. */
export function zoomed(
  view: MapView,
  factor: number,
  [left, top]: readonly [number, number],
  [width, height]: readonly [number, number],
): MapView {
  const scale = clampScale(view.scale * factor);
  const [right, down] = [left - width / 2, top - height / 2];
  return { x: view.x + right / view.scale - right / scale, y: view.y + down / view.scale - down / scale, scale };
}

/** The view that holds all of some circles; the whole world where there are none. */
export function fitted(circles: readonly { point: Point; km: number }[], [width, height]: readonly [number, number]): MapView {
  if (circles.length === 0) return { x: worldWidth / 2, y: worldWidth * 0.42, scale: Math.max(scaleLimits.least, width / worldWidth) };
  const corners = circles.flatMap(({ point, km }) => {
    const east = eastOf(point, km);
    const [x, y] = worldPoint(point);
    const reach = worldPoint(east)[0] - x;
    return [
      [x - reach, y - reach],
      [x + reach, y + reach],
    ] as const;
  });
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  const [west, east, north, south] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = Math.min(width / (east - west || 1), height / (south - north || 1)) * 0.82;
  return { x: (west + east) / 2, y: (north + south) / 2, scale: clampScale(scale) };
}

/** Kilometres a pixel in the middle of the view. */
export function kmPerPixel(view: MapView, size: readonly [number, number]): number {
  const middle = pointAt(view, [size[0] / 2, size[1] / 2], size);
  return (360 * kmPerDegree * Math.cos((middle.latitude * Math.PI) / 180)) / worldWidth / view.scale;
}
