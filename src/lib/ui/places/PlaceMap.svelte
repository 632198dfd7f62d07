<script lang="ts">
  import { distanceKm, radiusIn, unitOf, writeRadius, type Point } from '$lib/core/places/distance';
  import type { Place } from '$lib/core/records/place';
  import Button from '../parts/Button.svelte';
  import { fitLabels, type MapLabel } from './map-labels';
  import { circleOutline, eastOf, spotOf } from './map-view';
  import { followHand } from './follow-hand.svelte';
  import { PlaceMapView, pointOf } from './place-map.svelte';

  interface Props {
    places: readonly Place[];
    /** Places of other campaigns, with whose they are. */
    others: readonly { place: Place; whose: string }[];
    towns: readonly { name: string; latitude: number; longitude: number; people: number }[];
    onradius: (place: Place, km: number, editSession: string) => void;
    /** A country or region was clicked, by its code. */
    onarea: (code: string) => void;
  }

  let { places, others, towns, onradius, onarea }: Props = $props();

  const id = $props.id();
  const map = new PlaceMapView(() => places);
  const countries = $derived([...new Set(places.map(({ country }) => country))].sort().join(' '));
  $effect(() => void map.load(countries.split(' ').filter(Boolean)));

  const areas = $derived(
    new Map(
      places
        .filter(({ kind }) => kind === 'country' || kind === 'region')
        .map((place) => [place.kind === 'country' ? place.country : place.code, place]),
    ),
  );
  const transform = $derived(
    `translate(${map.width / 2} ${map.height / 2}) scale(${map.shown.scale}) translate(${-map.shown.x} ${-map.shown.y})`,
  );
  const spot = (point: { latitude: number; longitude: number }) => spotOf(map.shown, point, map.size);
  const circles = $derived(places.filter((place) => place.kind === 'city' && pointOf(place)));
  /** Own places first, then those of other campaigns, then towns; each name once. */
  const labels = $derived.by(() => {
    const named = new Set<string>();
    const label = (kind: MapLabel['kind'], name: string, text: string, point: Point | null): MapLabel[] => {
      if (!point || named.has(name)) return [];
      named.add(name);
      const [x, y] = spot(point);
      return [{ key: `${kind} ${name}`, text, x, y, kind }];
    };
    return fitLabels(
      [
        ...places.flatMap((place) =>
          label(place.excluded ? 'excluded' : 'included', place.name, `${place.excluded ? 'not ' : ''}${place.name}`, pointOf(place)),
        ),
        ...others.flatMap(({ place, whose }) => label('other', place.name, `${place.name}: ${whose}`, pointOf(place))),
        ...towns.flatMap((town) => label('town', town.name, town.name, town)),
      ],
      map.size,
    );
  });
  const inks = { included: 'var(--act)', excluded: 'var(--madder)', other: 'var(--slate)', town: 'var(--ink-2)' };
  const drawn = $derived(new Set(map.showsRegions ? map.regions.map(({ code }) => code.slice(0, 2)) : []));
  const country = $derived(places[0]?.country ?? '');
  const scaleBar = $derived.by(() => {
    const unit = unitOf(country);
    const most = (map.kmPerPixel * 110) / unit.km;
    const length = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000].filter((step) => step <= most).at(-1) ?? 1;
    return { text: `${length} ${unit.name}`, pixels: (length * unit.km) / map.kmPerPixel };
  });

  let pulled = $state<{ place: Place; editSession: string } | null>(null);
  /** The handle at the edge of a circle is pulled; everything else that a hand does moves the map. */
  function pull(event: PointerEvent) {
    const middle = pulled && pointOf(pulled.place);
    if (!pulled || !middle) return;
    const { left, top } = (event.currentTarget as SVGElement).ownerSVGElement!.getBoundingClientRect();
    onradius(pulled.place, distanceKm(middle, map.pointAt(event.clientX - left, event.clientY - top)), pulled.editSession);
  }
  function beginPull(event: PointerEvent, place: Place) {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    pulled = { place, editSession: `${place.id} ${Date.now()}` };
  }

  function keydown(event: KeyboardEvent) {
    if (event.target === event.currentTarget && !event.ctrlKey && !event.metaKey && map.key(event.key)) event.preventDefault();
  }

  function pullByKey(event: KeyboardEvent, place: Place) {
    const step = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[event.key];
    if (step === undefined || place.radiusKm === null) return;
    event.preventDefault();
    onradius(place, (radiusIn(place.radiusKm, place.country) + step) * unitOf(place.country).km, `${place.id} by keys`);
  }
  const fillOf = (place: Place | undefined) => (place ? (place.excluded ? `url(#${id}-out)` : 'var(--act-tint)') : 'var(--sheet)');
  const radiusText = (place: Place) => writeRadius(place.radiusKm ?? 0, place.country);
</script>

<div class="relative overflow-hidden rounded border border-rule bg-slate-tint" bind:clientWidth={map.width}>
  <!-- The list beside is the equal way; the map itself is moved with keys. -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
  <svg
    width={map.width}
    height={map.height}
    role="group"
    aria-label="Map of the places. Arrows move it, plus and minus zoom, 0 shows all."
    tabindex="0"
    class="block touch-none select-none focus-visible:outline-2 focus-visible:-outline-offset-2 focus-visible:outline-act"
    {@attach (svg: SVGSVGElement) => followHand(svg, map)}
    onkeydown={keydown}
  >
    <defs>
      <pattern
        id={`${id}-out`}
        width="7"
        height="7"
        patternUnits="userSpaceOnUse"
        patternTransform={`scale(${1 / map.shown.scale}) rotate(45)`}
      >
        <rect width="7" height="7" fill="var(--madder-tint)" />
        <rect width="2" height="7" fill="var(--madder)" fill-opacity="0.45" />
      </pattern>
    </defs>
    <g {transform}>
      {#each map.world.filter(({ code }) => !drawn.has(code)) as { code, d }, index (index)}
        <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
        <path
          {d}
          fill={fillOf(areas.get(code))}
          stroke="var(--field)"
          stroke-width="0.7"
          vector-effect="non-scaling-stroke"
          onclick={() => !map.showsRegions && code && onarea(code)}
        />
      {/each}
      {#if map.showsRegions}
        {#each map.regions as { code, d }, index (index)}
          <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
          <path
            {d}
            class="cursor-pointer hover:fill-fold"
            fill={areas.has(code) ? fillOf(areas.get(code)) : fillOf(areas.get(code.slice(0, 2)))}
            stroke="var(--field)"
            stroke-width="0.6"
            vector-effect="non-scaling-stroke"
            onclick={() => onarea(code)}
          />
        {/each}
      {/if}
      {#each others as { place, whose } (`${whose} ${place.id}`)}
        {@const middle = pointOf(place)}
        {#if middle && place.kind === 'city'}<path
            d={circleOutline(middle, place.radiusKm ?? 3)}
            class="pointer-events-none"
            fill="var(--slate)"
            fill-opacity="0.08"
            stroke="var(--slate)"
            stroke-width="1.2"
            stroke-dasharray="4 3"
            vector-effect="non-scaling-stroke"
          />{/if}
      {/each}
      {#each circles as place (place.id)}
        {@const middle = pointOf(place)}
        {#if middle}<path
            d={circleOutline(middle, place.radiusKm ?? 1)}
            class="pointer-events-none"
            fill={place.excluded ? `url(#${id}-out)` : 'var(--act)'}
            fill-opacity={place.excluded ? 0.7 : 0.16}
            stroke={place.excluded ? 'var(--madder)' : 'var(--act)'}
            stroke-width="1.6"
            vector-effect="non-scaling-stroke"
          />{/if}
      {/each}
    </g>
    <g
      class="pointer-events-none text-[11.5px] font-semibold"
      paint-order="stroke"
      stroke="var(--sheet)"
      stroke-width="3"
      stroke-linejoin="round"
    >
      {#each labels as { key, text, x, y, kind } (key)}
        <circle cx={x} cy={y} r={kind === 'town' ? 2.5 : 3.5} fill={inks[kind]} stroke="none" />
        <text x={x + 6} y={y + 4} fill={inks[kind]} class={kind === 'town' ? 'font-normal' : ''}>{text}</text>
      {/each}
    </g>
    {#each circles as place (place.id)}
      {@const middle = pointOf(place)}
      {#if middle && place.radiusKm !== null}
        {@const [x, y] = spot(eastOf(middle, place.radiusKm))}
        <g>
          <text x={x - 8} y={y + 16} text-anchor="end" class="pointer-events-none text-[11.5px] font-semibold" fill="var(--ink)"
            >{radiusText(place)}</text
          >
          <circle
            cx={x}
            cy={y}
            r="6"
            class="cursor-ew-resize focus-visible:outline-2 focus-visible:outline-ink"
            fill="var(--sheet)"
            stroke={place.excluded ? 'var(--madder)' : 'var(--act)'}
            stroke-width="2"
            role="slider"
            tabindex="0"
            aria-label={`Radius around ${place.name}`}
            aria-valuenow={radiusIn(place.radiusKm, place.country)}
            aria-valuetext={radiusText(place)}
            aria-valuemin={1}
            aria-valuemax={800}
            data-handle
            onpointerdown={(event) => beginPull(event, place)}
            onpointermove={pull}
            onpointerup={() => (pulled = null)}
            onpointercancel={() => (pulled = null)}
            onkeydown={(event) => pullByKey(event, place)}
          />
        </g>
      {/if}
    {/each}
  </svg>
  <div class="absolute start-2 top-2 flex flex-col gap-1">
    <Button label="Nearer" title="Nearer (+)" class="h-7 w-7 px-0!" onclick={() => map.zoom(1.5)}>+</Button>
    <Button label="Farther" title="Farther (−)" class="h-7 w-7 px-0!" onclick={() => map.zoom(1 / 1.5)}>−</Button>
    {#if map.view}<Button label="Show all places" title="All places (0)" class="h-7 w-7 px-0!" onclick={map.fit}>0</Button>{/if}
  </div>
  <div class="pointer-events-none absolute end-3 bottom-2 text-end text-[11px] text-ink-2">
    <svg width={scaleBar.pixels + 2} height="18" aria-hidden="true" class="ms-auto block">
      <text x={(scaleBar.pixels + 2) / 2} y="9" text-anchor="middle" font-size="11" fill="var(--ink-2)">{scaleBar.text}</text>
      <path d={`M1 12v4h${scaleBar.pixels}v-4`} fill="none" stroke="var(--ink-2)" />
    </svg>
    Natural Earth · GeoNames
  </div>
</div>
