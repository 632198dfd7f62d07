<script lang="ts">
  import Checkbox from '../parts/Checkbox.svelte';
  import { writeKeyword } from '$lib/core/keywords/read-keyword';
  import { dragsKeywords, takesKeywords } from './drag';
  import type { SheetState } from './sheet-state.svelte';
  import RowButton from '../parts/RowButton.svelte';

  let {
    sheet,
    current,
    onopen,
    onproblem,
  }: { sheet: SheetState; current: string; onopen: (groupId: string) => void; onproblem: (text: string) => void } = $props();
</script>

<!-- Native: whole rows that are pressed, not of a button’s shape. -->

<div class="grid min-h-0 flex-1 auto-rows-max grid-cols-[repeat(auto-fill,minmax(220px,1fr))] gap-3 overflow-y-auto px-4 py-2">
  {#each sheet.shown as { group, keywords } (group.id)}
    <section
      class={`rounded-sm border bg-sheet ${group.id === current ? 'border-madder' : 'border-rule'}`}
      aria-label={group.name}
      {@attach takesKeywords((ids) => onproblem(sheet.move(ids, group.id)))}
    >
      <h3 class="border-b border-rule-soft">
        <RowButton class="w-full justify-between px-3 py-1" onclick={() => onopen(group.id)}
          ><span class="truncate font-serif text-[15.5px]">{group.name}</span>
          <span class="font-mono text-[12px] text-ink-2">{keywords.length}</span></RowButton
        >
      </h3>
      <ul class="max-h-56 overflow-y-auto py-1">
        {#each keywords as keyword (keyword.id)}
          {@const isChosen = sheet.chosen.has(keyword.id)}
          <li {@attach dragsKeywords(() => (isChosen ? sheet.chosenIds : [keyword.id]))}>
            <Checkbox
              class={`flex items-center gap-2 px-3 py-0.5 ${isChosen ? 'bg-act-tint' : 'hover:bg-fold'}`}
              checked={isChosen}
              onclick={(event) => sheet.toggle({ kind: 'keyword', id: keyword.id, keyword, group }, { extend: event.shiftKey })}
              ><span class="truncate" title={keyword.text}>{writeKeyword(keyword.text, keyword.match)}</span></Checkbox
            >
          </li>
        {:else}<li class="px-3 py-1 text-ink-2">no keyword yet</li>{/each}
      </ul>
    </section>
  {/each}
</div>
