/** @typedef {readonly (readonly [number, number])[]} Ring */

/**
 * Whether a point lies within a ring of a map, by how often a line from it crosses the ring.
 * @param {Ring} ring @param {number} x @param {number} y
 */
function isInRing(ring, x, y) {
  let inside = false;
  for (let at = 0, last = ring.length - 1; at < ring.length; last = at++) {
    const [ax, ay] = ring[at] ?? [0, 0];
    const [bx, by] = ring[last] ?? [0, 0];
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  }
  return inside;
}

/**
 * Whether a point lies within the first ring and in none of the others, which are holes. Plain JavaScript, because the script that lays out
 * the place data uses it too.
 * @param {readonly Ring[]} rings @param {number} x @param {number} y
 */
export const isInPolygon = ([outer = [], ...holes], x, y) => isInRing(outer, x, y) && !holes.some((hole) => isInRing(hole, x, y));
