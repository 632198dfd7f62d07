import type { Shortening } from '$lib/core/ads/shorten';

/** What would be done to make a line shorter, in a few words. */
export function wordShortening(what: Shortening['what']): string {
  switch (what.kind) {
    case 'dropped':
      return `without “${what.word}”`;
    case 'shorter-word':
      return `“${what.to}” for “${what.from}”`;
    case 'shorter-fallback':
      return `falls back to “${what.to}”`;
  }
}
