import { feature } from 'topojson-client';
import type { GeometryCollection, Topology } from 'topojson-specification';
import { distanceKm, type Point } from '$lib/core/places/distance';
import { isInPolygon } from './in-polygon.js';

type Ring = readonly (readonly [number, number])[];
interface Polygon {
  rings: readonly Ring[];
  west: number;
  east: number;
  south: number;
  north: number;
}

function boxed(rings: readonly Ring[]): Polygon {
  const [xs, ys] = [rings[0]!.map(([x]) => x), rings[0]!.map(([, y]) => y)];
  return { rings, west: Math.min(...xs), east: Math.max(...xs), south: Math.min(...ys), north: Math.max(...ys) };
}

/** Steps of a way along which land is looked for, and how many of them in a row must be water to be a crossing. */
const stepKm = 1;
const leastWaterKm = 3;

/** Tells land from sea by the outlines of a country's regions. */
export class LandMap {
  private readonly polygons = new Map<string, readonly Polygon[]>();

  constructor(private readonly findShape: (country: string) => string | null) {}

  private polygonsOf(country: string): readonly Polygon[] {
    let known = this.polygons.get(country);
    if (known) return known;
    const json = this.findShape(country);
    const topology = json === null ? null : (JSON.parse(json) as Topology<{ regions: GeometryCollection }>);
    const shapes = topology ? feature(topology, topology.objects.regions).features : [];
    known = shapes.flatMap(({ geometry }) => {
      if (geometry.type === 'Polygon') return [boxed(geometry.coordinates as unknown as Ring[])];
      return geometry.type === 'MultiPolygon' ? (geometry.coordinates as unknown as Ring[][]).map(boxed) : [];
    });
    this.polygons.set(country, known);
    return known;
  }

  private isLand(country: string, { latitude: y, longitude: x }: Point): boolean {
    return this.polygonsOf(country).some(
      ({ rings, west, east, south, north }) => x >= west && x <= east && y >= south && y <= north && isInPolygon(rings, x, y),
    );
  }

  /** Whether the straight way between two points of a country crosses some kilometres of water. Unknown outlines: no. */
  crossesWater(country: string, from: Point, to: Point): boolean {
    if (this.polygonsOf(country).length === 0) return false;
    const steps = Math.max(1, Math.round(distanceKm(from, to) / stepKm));
    let water = 0;
    for (let step = 0; step <= steps; step++) {
      const share = step / steps;
      const point = {
        latitude: from.latitude + (to.latitude - from.latitude) * share,
        longitude: from.longitude + (to.longitude - from.longitude) * share,
      };
      water = this.isLand(country, point) ? 0 : water + stepKm;
      if (water >= leastWaterKm && step < steps) return true;
    }
    return false;
  }
}
