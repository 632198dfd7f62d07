<script lang="ts">
  import type { Overlap } from '$lib/core/groups/overlaps';
  import { pairKey } from '$lib/core/groups/part-plan';

  interface Props {
    overlaps: readonly (Overlap & { weight: number })[];
    nameOf: (groupId: string) => string;
    onpick: (overlap: Overlap) => void;
  }

  let { overlaps, nameOf, onpick }: Props = $props();

  const mostSides = 40;
  /** The groups that share most searches, in the order of what they share. */
  const sides = $derived.by(() => {
    const sums = new Map<string, number>();
    for (const { one, other, searches } of overlaps) for (const id of [one, other]) sums.set(id, (sums.get(id) ?? 0) + searches.length);
    return [...sums].sort((a, b) => b[1] - a[1]).map(([id]) => id);
  });
  const shown = $derived(sides.slice(0, mostSides));
  const byPair = $derived(
    new Map(overlaps.flatMap((overlap) => [[pairKey(overlap), overlap] as const, [`${overlap.other} ${overlap.one}`, overlap] as const])),
  );
  const most = $derived(Math.max(1, ...overlaps.map(({ searches }) => searches.length)));
  /** Five steps of tone, so that few and many differ at a glance. */
  const tones = ['bg-ochre/10', 'bg-ochre/20', 'bg-ochre/30', 'bg-ochre/40', 'bg-ochre/55'];
  const toneOf = ({ searches }: Overlap) =>
    tones[Math.ceil((Math.log1p(searches.length) / Math.log1p(most)) * tones.length) - 1] ?? tones[0];
</script>

<!-- Native: cells by the thousand. -->

<div class="min-h-0 flex-1 overflow-auto p-4">
  <table class="border-separate border-spacing-px text-[12px]">
    <caption class="pb-2 text-start text-[13px] text-ink-2"
      >Each cell: how many searches two groups both answer. {sides.length > mostSides
        ? `The ${mostSides} groups that share most of ${sides.length}.`
        : ''}</caption
    >
    <thead>
      <tr>
        <th><span class="sr-only">Group</span></th>
        {#each shown as id (id)}
          <th scope="col" class="h-28 w-6 align-bottom font-normal"
            ><span class="inline-block max-h-28 truncate text-start [writing-mode:sideways-lr]" title={nameOf(id)}>{nameOf(id)}</span></th
          >
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each shown as row, at (row)}
        <tr>
          <th scope="row" class="max-w-44 truncate pe-2 text-end font-normal" title={nameOf(row)}>{nameOf(row)}</th>
          {#each shown as column, over (column)}
            {@const overlap = over < at ? byPair.get(`${row} ${column}`) : undefined}
            <td class="h-5 w-6 p-0 {over < at ? 'bg-fold' : ''}"
              >{#if overlap}<button
                  type="button"
                  class="h-5 w-6 font-mono text-[11px] text-ink {toneOf(overlap)}"
                  aria-label={`${nameOf(row)} and ${nameOf(column)}: ${overlap.searches.length} searches`}
                  title={`${nameOf(row)} and ${nameOf(column)}`}
                  onclick={() => onpick(overlap)}>{overlap.searches.length}</button
                >{/if}</td
            >
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</div>
