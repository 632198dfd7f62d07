import { select } from 'd3-selection';
import { zoom, type D3ZoomEvent } from 'd3-zoom';
import { scaleLimits, transformOf, viewOf } from './map-view';
import type { PlaceMapView } from './place-map.svelte';

/** A hand that stays within so many pixels has clicked and not dragged. */
const clickPixels = 4;

/** Moves the map by mouse, wheel and fingers. To be attached to its drawing; must be called where effects can be made. */
export function followHand(svg: SVGSVGElement, map: PlaceMapView): () => void {
  const drawing = select<SVGSVGElement, unknown>(svg);
  const hand = zoom<SVGSVGElement, unknown>()
    .scaleExtent([scaleLimits.least, scaleLimits.most])
    .extent(() => [[0, 0], [...map.size]])
    .clickDistance(clickPixels)
    // The handle of a circle is pulled, and the wheel zooms with or without Ctrl.
    .filter((event: MouseEvent) => !event.button && !(event.target as Element).hasAttribute('data-handle'))
    .on('zoom', ({ transform, sourceEvent }: D3ZoomEvent<SVGSVGElement, unknown>) => {
      if (sourceEvent) map.view = viewOf(transform, map.size);
    });
  drawing.call(hand).on('dblclick.zoom', null);
  // What keys, buttons and other places show is where the hand goes on from.
  $effect(() => void drawing.property('__zoom', transformOf(map.shown, map.size)));
  return () => drawing.on('.zoom', null);
}
