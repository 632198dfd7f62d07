<script lang="ts">
  import Table from '../parts/Table.svelte';
  import type { AdState } from './ad-state.svelte';
  import RowButton from '../parts/RowButton.svelte';

  let { bench, index = $bindable(0) }: { bench: AdState; index: number } = $props();

  const live = $derived(
    [
      ...bench.headlines.map((line, at) => ({ line, name: `headline ${at + 1}` })),
      ...bench.descriptions.map((line, at) => ({ line, name: `description ${at + 1}` })),
    ].flatMap(({ line, name }) => {
      const measure = bench.measures.get(line.id);
      return measure?.hasLiveSlot ? [{ id: line.id, name, measure }] : [];
    }),
  );
</script>

<!-- Native: whole rows that are pressed, not of a button’s shape. -->

{#if live.length > 0 && bench.keywords.length > 0}
  <section class="border-t border-rule pt-2" aria-label="Readings">
    <h2 class="pb-1">
      <span class="font-semibold">Readings</span>
      <span class="ms-1 text-ink-2">units with each keyword put in; × falls back</span>
    </h2>
    <Table class="table-fixed" heads={[{ name: 'Keyword', room: 'w-[40%]' }, ...live.map(({ name }) => ({ name }))]}>
      {#each bench.keywords as keyword, at (keyword)}
        <tr class={at === index ? 'bg-plum-tint' : 'hover:bg-fold'}>
          <td class="py-0.5"
            ><RowButton class="w-full px-1" pressed={at === index} onclick={() => (index = at)} title="Show it in the preview"
              ><span class="truncate">{keyword}</span></RowButton
            ></td
          >
          {#each live as { id, measure } (id)}
            {@const reading = measure.readings[at]}
            <td class="truncate py-0.5" title={reading?.text}>
              {#if reading}
                <span class={`inline-block w-8 font-mono text-[12.5px] ${reading.uses === 'fallback' ? 'font-semibold text-madder' : ''}`}
                  >{reading.unitsWithKeyword}{reading.uses === 'fallback' ? '×' : ''}</span
                >
                <span class="text-ink-2">{reading.text}</span>
              {/if}
            </td>
          {/each}
        </tr>
      {/each}
    </Table>
  </section>
{/if}
