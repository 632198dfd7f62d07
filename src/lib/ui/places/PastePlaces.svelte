<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import TextArea from '../parts/TextArea.svelte';
  import type { FoundPlace } from '$lib/core/places/found-place';
  import type { PlaceLine } from '$lib/core/places/place-list';
  import { childrenOf, inOrder, nextPosition } from '$lib/core/store/snapshot';
  import type { Place } from '$lib/core/records/place';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import { askServer } from '../state/ask-server';
  import { placeRow, postalRow } from './place-row';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import Notice from '../parts/Notice.svelte';

  let { planState, campaignId, open = $bindable() }: { planState: PlanState; campaignId: string | null; open: boolean } = $props();

  type Line = PlaceLine & { found: FoundPlace[] };
  const near = $derived(inOrder(planState.snapshot.place)[0]?.country ?? '');
  let text = $state('');
  let lines = $state.raw<Line[] | null>(null);
  let failure = $state('');
  /** Which of several places of one name is meant, by the name as written. */
  let chosen = $state<Record<string, number>>({});

  const keyOf = ({ name, within }: Line) => `${name.toLowerCase()} ${within.toLowerCase()}`;
  const matched = $derived((lines ?? []).filter(({ found }) => found.length > 0));
  const unknown = $derived((lines ?? []).filter(({ kind, found }) => kind === 'unread' || (kind === 'place' && found.length === 0)));
  const postal = $derived((lines ?? []).filter(({ kind }) => kind === 'postal'));
  /** Each name that several places bear, once. */
  const ambiguous = $derived([...new Map(matched.filter(({ found }) => found.length > 1).map((line) => [keyOf(line), line])).values()]);
  const nameOf = ({ name, region, countryName, kind, people }: FoundPlace) =>
    `${name}, ${[region, countryName].filter(Boolean).join(', ')}${kind === 'city' ? `, ${people.toLocaleString('en-GB')} people` : `, ${kind}`}`;

  async function match() {
    try {
      lines = (await askServer<{ lines: Line[] }>('/api/places/match', { text, near, zone: planState.plan.account.timeZone })).lines;
      failure = '';
    } catch (error) {
      failure = error instanceof Error ? error.message : '';
    }
  }

  function add() {
    const existing = childrenOf(planState.snapshot.place, 'campaignId', campaignId);
    const keyOfPlace = ({ kind, country, code, name }: Pick<Place, 'kind' | 'country' | 'code' | 'name'>) =>
      [kind, country, code, name].join('|');
    const known = new Set(existing.map(keyOfPlace));
    const first = nextPosition(existing);
    const rows: Place[] = [];
    for (const line of lines ?? []) {
      const place = line.found[chosen[keyOf(line)] ?? 0];
      const own = {
        campaignId: campaignId as Place['campaignId'],
        position: first + rows.length,
        radiusKm: line.radiusKm,
        excluded: line.excluded,
      };
      const row = place ? placeRow(place, own) : line.kind === 'postal' && near ? postalRow(line.name, near, own) : null;
      if (!row || known.has(keyOfPlace(row))) continue;
      known.add(keyOfPlace(row));
      rows.push(row);
    }
    if (rows.length > 0) planState.make({ type: 'several', name: 'places-pasted', changes: [{ type: 'add', record: 'place', rows }] });
    open = false;
  }
</script>

<Dialog bind:open title="Paste a list of places" wide>
  <label class="block">
    <span class="text-ink-2"
      >One a line: <code>Edinburgh</code>, <code>Perth, GB, 15 km</code>, <code>- Fife</code> to exclude, or postal codes</span
    >
    <TextArea class="mt-1 h-36 w-full px-2.5 py-1.5 font-mono text-[12.5px]" bind:value={text} oninput={() => (lines = null)} />
  </label>
  {#if failure}<Notice>{failure}</Notice>{/if}
  {#if lines}
    <p role="status">
      {countOf(matched.length, 'place')} found{postal.length > 0
        ? `, ${countOf(postal.length, 'postal code')} carried through without a place on the map`
        : ''}{unknown.length > 0 ? `, ${countOf(unknown.length, 'line')} not known` : ''}.
    </p>
    {#if ambiguous.length > 0}
      <fieldset class="flex max-h-52 flex-col gap-1.5 overflow-y-auto">
        <legend class="pb-1 font-semibold">Which one is meant?</legend>
        {#each ambiguous as line (keyOf(line))}
          <SelectField
            label={line.name}
            value={String(chosen[keyOf(line)] ?? 0)}
            items={line.found.map((place, index) => ({ value: String(index), name: nameOf(place) }))}
            onedit={(value) => (chosen[keyOf(line)] = Number(value))}
          />
        {/each}
      </fieldset>
    {/if}
    {#if unknown.length > 0}
      <div>
        <h3 class="font-semibold">Not known</h3>
        <ScrollArea label="Lines that are not known" class="max-h-28 text-ink-2"
          ><ul>
            {#each unknown.slice(0, 200) as line (line.line)}<li>Line {line.line}: {line.text}</li>{/each}
          </ul></ScrollArea
        >
      </div>
    {/if}
  {/if}
  {#snippet footer()}
    {#if lines}
      <Button kind="act" disabled={matched.length + (near ? postal.length : 0) === 0} onclick={add}
        >Add {countOf(matched.length + (near ? postal.length : 0), 'place')}</Button
      >
    {:else}
      <Button kind="act" disabled={text.trim() === ''} onclick={() => void match()}>Find them</Button>
    {/if}
  {/snippet}
</Dialog>
