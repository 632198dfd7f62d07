import type { FoundPlace } from '$lib/core/places/found-place';

/** A country or region by its code; undefined where there is none or the server does not answer with it. */
export async function findByCode(code: string): Promise<FoundPlace | undefined> {
  const response = await fetch(`/api/places?code=${encodeURIComponent(code)}`);
  return response.ok ? ((await response.json()) as { places: FoundPlace[] }).places[0] : undefined;
}
