<script lang="ts">
  import { partAds } from '$lib/core/ads/part-ads';
  import { blank } from '$lib/core/records/record-types';
  import type { SimpleChange } from '$lib/core/store/changes';
  import { childrenOf, nextPosition } from '$lib/core/store/snapshot';
  import { units } from '$lib/core/text/text-length';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import TextArea from '../parts/TextArea.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { newId } from '../state/synced-store.svelte';
  import type { Ad } from '$lib/core/records/ad';
  import type { AdsSheetState } from './ads-sheet-state.svelte';
  import { nameBeside } from './ad-state.svelte';

  let { open = $bindable(), sheet }: { open: boolean; sheet: AdsSheetState } = $props();

  const shell = getShell();
  let text = $state('');
  const { planState } = $derived(sheet);
  const group = $derived(sheet.row?.group ?? null);
  const format = $derived(planState.plan.rules.formats.responsive);
  const ads = $derived(partAds(text, { headlines: format.headlines, descriptions: format.descriptions }));

  function add() {
    if (!group || ads.length === 0) return;
    const standing: Ad[] = [...childrenOf(planState.snapshot.ad, 'groupId', group.id)];
    const changes = ads.flatMap((parted): SimpleChange[] => {
      const id = newId();
      const { path1, path2, landingPage } = parted;
      const own = { id, groupId: group.id, name: nameBeside(standing), path1, path2, landingPage, position: nextPosition(standing) };
      const ad = blank('ad', own) as Ad;
      standing.push(ad);
      const lines = [
        ...parted.headlines.map((line) => ({ kind: 'headline' as const, text: line })),
        ...parted.descriptions.map((line) => ({ kind: 'description' as const, text: line })),
      ];
      const rows = lines.map((line, position) => blank('adLine', { id: newId(), adId: id, ...line, position }));
      return [
        { type: 'add', record: 'ad', rows: [ad] },
        { type: 'add', record: 'adLine', rows },
      ];
    });
    if (planState.make({ type: 'several', name: 'ad-added', changes })) return;
    shell.announce(`${countOf(ads.length, 'ad')} added to ${group.name}. Ctrl Z takes them out.`);
    [open, text] = [false, ''];
  }
</script>

{#snippet line(what: string, value: string, limit: number)}
  {#if value !== ''}
    <p class="grid grid-cols-[86px_minmax(0,1fr)_56px] gap-2">
      <span class="text-ink-2">{what}</span><span class="[overflow-wrap:anywhere]">{value}</span><span
        class={`text-end font-mono text-[12px] ${units(value) > limit ? 'font-semibold text-madder' : 'text-ink-2'}`}
        >{units(value)}/{limit}</span
      >
    </p>
  {/if}
{/snippet}

<Dialog bind:open title={`Whole ads into ${group?.name ?? ''}`} wide>
  <div class="grid grid-cols-2 gap-5">
    <div>
      <p class="pb-1 text-ink-2">One ad after another, an empty line between them. Lines, paths and the page are told apart.</p>
      <TextArea aria-label="Ads" class="w-full" rows={14} data-autofocus bind:value={text} />
    </div>
    <ScrollArea label="Parted into" class="max-h-[50vh]">
      {#each ads as ad, at (at)}
        <section class="border-b border-rule py-1.5" aria-label={`Ad ${at + 1}`}>
          {#each ad.headlines as text, index (index)}{@render line(`headline ${index + 1}`, text, format.headlines.limit)}{/each}
          {#each ad.descriptions as text, index (index)}{@render line(`description ${index + 1}`, text, format.descriptions.limit)}{/each}
          {@render line('path 1', ad.path1, format.paths.limit)}
          {@render line('path 2', ad.path2, format.paths.limit)}
          {@render line('page', ad.landingPage, planState.plan.rules.addressLimit)}
        </section>
      {:else}<p class="text-ink-2">Nothing yet.</p>{/each}
    </ScrollArea>
  </div>
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={ads.length === 0 || !group} onclick={add}>Add {countOf(ads.length, 'ad')}</Button>
  {/snippet}
</Dialog>
