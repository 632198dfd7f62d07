<script lang="ts">
  import { offWords } from '$lib/wording/pages';
  import Button from '../parts/Button.svelte';
  import type { PagesState } from './pages-state.svelte';
  import RulePieces from './RulePieces.svelte';

  let { state: pages }: { state: PagesState } = $props();

  const nameOf = (when: string) => pages.proposedOff.find((one) => one.when === when);
</script>

<div class="grid min-h-0 grid-cols-2 border-b border-rule">
  <section aria-label="Pages left out" class="max-h-[140px] overflow-y-auto border-e border-rule py-1.5 ps-[22px] pe-3">
    <h2 class="flex items-baseline gap-2">
      <span class="font-semibold">Left out</span><b class="font-mono font-semibold">{pages.counts.out.toLocaleString('en-GB')}</b>
      {#if pages.newOff.length > 0}<Button kind="link" class="ms-auto" onclick={() => pages.leaveOutProposed()}
          >Leave out all that is proposed</Button
        >{/if}
    </h2>
    {#each pages.sorted?.off ?? [] as { name, when, pages: own } (when)}
      {@const known = nameOf(when)}
      <p class="flex items-baseline gap-2 border-t border-rule-soft py-0.5">
        <input
          type="checkbox"
          checked
          class="size-4 self-center rounded-sm border-field bg-sheet text-act focus:ring-0"
          aria-label={`${name}: left out`}
          onchange={() => pages.setOff(pages.pagesOff.filter((one) => one.when !== when))}
        />
        <span class="w-36 shrink-0 truncate" title={name}>{name}</span>
        <span class="min-w-0 flex-1 truncate text-ink-2" title={when}
          >{#if known}{offWords[known.reason].how}{:else}<RulePieces {when} />{/if}</span
        >
        <span class="font-mono">{own.length.toLocaleString('en-GB')}</span>
      </p>
    {/each}
    {#each pages.newOff as { reason, when, pages: own } (when)}
      <p class="flex items-baseline gap-2 border-t border-rule-soft py-0.5 text-ink-2">
        <input
          type="checkbox"
          class="size-4 self-center rounded-sm border-field bg-sheet text-act focus:ring-0"
          aria-label={`${offWords[reason].name}: leave out`}
          onchange={() => pages.leaveOut(offWords[reason].name, when)}
        />
        <span class="w-36 shrink-0 truncate">{offWords[reason].name}</span>
        <span class="min-w-0 flex-1 truncate" title={when}>{offWords[reason].how}, proposed</span>
        <span class="font-mono">{own.length.toLocaleString('en-GB')}</span>
      </p>
    {/each}
  </section>
  <section aria-label="Nobody’s pages" class="max-h-[140px] overflow-y-auto py-1.5 ps-3.5 pe-[18px]">
    <h2>
      <span class="font-semibold">Nobody’s</span> <b class="font-mono font-semibold">{pages.counts.nobody.toLocaleString('en-GB')}</b>
      <span class="text-ink-2">by folder, no rule holds them</span>
    </h2>
    {#each pages.foldersOfNobody as { path, count } (path)}
      <p class="flex items-baseline gap-3 border-t border-rule-soft py-0.5">
        <span class="min-w-0 flex-1 truncate font-mono text-[12.5px]">{path}</span>
        <span class="font-mono">{count.toLocaleString('en-GB')}</span>
        <span class="flex w-44 justify-end gap-3"
          ><Button kind="link" label={`Make a rule of ${path}`} onclick={() => pages.addFolder(path)}>make a rule</Button>
          {#if path !== '/'}<Button kind="link" label={`Leave ${path} out`} onclick={() => pages.leaveOutFolder(path)}>leave out</Button
            >{/if}</span
        >
      </p>
    {/each}
  </section>
</div>
