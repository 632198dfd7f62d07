import type { Topology } from 'topojson-specification';
import type { Point } from '$lib/core/places/distance';
import type { Place } from '$lib/core/records/place';
import { fitted, kmPerPixel, kmShown, moved, pointAt, regionOutlines, worldOutlines, zoomed, type MapView, type Outline } from './map-view';

const outlines = new Map<string, Promise<Outline[]>>();

/** Outlines of a country's regions, or of the `world`; fetched once. None where there are none. */
function loadOutlines(country: string): Promise<Outline[]> {
  let known = outlines.get(country);
  if (!known) {
    known = fetch(`/api/places/shapes/${encodeURIComponent(country)}`)
      .then((response) => (response.ok ? (response.json() as Promise<Topology>) : null))
      .then((topology) => (topology ? (country === 'world' ? worldOutlines(topology) : regionOutlines(topology)) : []))
      .catch(() => (outlines.delete(country), []));
    outlines.set(country, known);
  }
  return known;
}

/** From how many pixels a world unit regions are shown rather than whole countries. */
const regionScale = 0.03;
const stepPixels = 60;
const zoomStep = 1.5;

/** Where a place lies. */
export const pointOf = ({ latitude, longitude }: Place): Point | null =>
  latitude === null || longitude === null ? null : { latitude, longitude };

/** What the map of a campaign's places shows, and how it is moved. */
export class PlaceMapView {
  width = $state(0);
  height = 270;
  view = $state.raw<MapView | null>(null);
  world = $state.raw<Outline[]>([]);
  regions = $state.raw<Outline[]>([]);
  readonly size: [number, number] = $derived.by(() => [this.width, this.height]);
  /** All that is there, until the map is moved by hand. */
  readonly shown: MapView = $derived.by(() => this.view ?? fitted(this.circles(), this.size));
  readonly showsRegions: boolean = $derived.by(() => this.shown.scale >= regionScale);
  readonly kmPerPixel: number = $derived.by(() => (this.width > 0 ? kmPerPixel(this.shown, this.size) : 1));

  constructor(private readonly places: () => readonly Place[]) {}

  private circles() {
    return this.places().flatMap((place) => {
      const point = pointOf(place);
      return point ? [{ point, km: kmShown(place) }] : [];
    });
  }

  /** Fetches the outlines of the world and of the countries that places lie in. */
  async load(countries: readonly string[]): Promise<void> {
    this.world = await loadOutlines('world');
    this.regions = (await Promise.all(countries.map(loadOutlines))).flat();
  }

  move = (right: number, down: number) => (this.view = moved(this.shown, right, down));
  zoom = (factor: number, at: readonly [number, number] = [this.width / 2, this.height / 2]) =>
    (this.view = zoomed(this.shown, factor, at, this.size));
  /** Back to all that is there. */
  fit = () => (this.view = null);
  pointAt = (left: number, top: number): Point => pointAt(this.shown, [left, top], this.size);

  /** Moves the map by a key; answers whether it was one for that. */
  key(key: string): boolean {
    const moves: Record<string, () => unknown> = {
      ArrowLeft: () => this.move(stepPixels, 0),
      ArrowRight: () => this.move(-stepPixels, 0),
      ArrowUp: () => this.move(0, stepPixels),
      ArrowDown: () => this.move(0, -stepPixels),
      '+': () => this.zoom(zoomStep),
      '=': () => this.zoom(zoomStep),
      '-': () => this.zoom(1 / zoomStep),
      '0': () => this.fit(),
    };
    moves[key]?.();
    return key in moves;
  }
}
