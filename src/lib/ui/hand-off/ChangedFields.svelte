<script lang="ts">
  import Table from '../parts/Table.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import type { ChangedField } from '$lib/core/exchange/changed-rows';
  import { tableTitles } from '$lib/wording/tables';
  import Button from '../parts/Button.svelte';
  import type { TablesReading } from './tables-reading.svelte';

  /** Fields that come back otherwise than they stand, old beside new, to be taken one by one or all. */
  let { reading, changed }: { reading: TablesReading; changed: readonly ChangedField[] } = $props();

  const mostShown = 300;
  const isTaken = (key: string) => !reading.left.has(key);
</script>

<section aria-label="What came back otherwise" class="mt-3">
  <h2 class="flex items-baseline gap-3 pb-1">
    <span class="font-semibold">What came back otherwise</span>
    <span class="text-ink-2">{changed.length - reading.left.size} of {changed.length} taken</span>
    <Button kind="link" onclick={() => reading.takeAll()}>Take all</Button>
    <Button kind="link" onclick={() => reading.leaveAll()}>Leave all</Button>
  </h2>
  <div class="max-h-80 overflow-y-auto border-y border-rule">
    <Table
      class="table-fixed"
      sticky="paper"
      heads={[
        { name: 'Taken', room: 'w-8', isHidden: true },
        { name: 'Kind', room: 'w-32' },
        { name: 'Of' },
        { name: 'Field', room: 'w-36' },
        { name: 'Stands' },
        { name: 'Comes' },
      ]}
      >{#each changed.slice(0, mostShown) as { key, kind, name, field, before, after } (key)}
        <tr class="border-t border-rule-soft align-top">
          <td class="py-1"><Checkbox checked={isTaken(key)} label={`Take ${field} of ${name}`} onchange={() => reading.toggle(key)} /></td>
          <td class="py-1 text-ink-2">{tableTitles[kind]}</td>
          <td class="py-1 pe-2 break-words">{name}</td>
          <td class="py-1 text-ink-2">{field}</td>
          <td class="py-1 pe-2 break-words"><s class="text-ink-2">{before || 'nothing'}</s></td>
          <td class="py-1 font-semibold break-words">{after || 'nothing'}</td>
        </tr>
      {/each}
    </Table>
  </div>
  {#if changed.length > mostShown}<p class="text-ink-2">
      and {(changed.length - mostShown).toLocaleString('en-GB')} more, taken or left with the others
    </p>{/if}
</section>
