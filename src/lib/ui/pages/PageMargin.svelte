<script lang="ts">
  import { childrenOf } from '$lib/core/store/snapshot';
  import { standsAsPages } from '$lib/core/exchange/page-columns';
  import { layoutOf } from '$lib/core/layouts/layouts';
  import { lineContext } from '$lib/core/ads/slot-values';
  import { measureLine } from '$lib/core/ads/measure';
  import { units } from '$lib/core/text/text-length';
  import { countOf } from '$lib/wording/texts';
  import { ruleText } from '$lib/wording/pages';
  import Button from '../parts/Button.svelte';
  import Input from '../parts/Input.svelte';
  import type { PagesState } from './pages-state.svelte';

  let { state: pages }: { state: PagesState } = $props();

  const { planState } = $derived(pages);
  const explained = $derived(pages.explained);
  const layout = $derived(layoutOf(planState.workspace.snapshot, planState.plan.plan.layoutKey));
  const isAsPages = $derived(pages.group !== null && standsAsPages(planState.plan, pages.group, layout));
  const ad = $derived(pages.group ? (childrenOf(planState.snapshot.ad, 'groupId', pages.group.id)[0] ?? null) : null);
  const descriptions = $derived(
    ad && pages.group
      ? childrenOf(planState.snapshot.adLine, 'adId', ad.id)
          .filter(({ kind, text }) => kind === 'description' && text !== '')
          .map(({ id, text }) => ({
            id,
            text: measureLine(text, [], lineContext(planState.plan, pages.group!, ad.format, 'description')).textWithFallback,
          }))
      : [],
  );
  const limit = $derived(planState.plan.rules.formats['page-driven'].descriptions.limit);
</script>

<section aria-label="Which group takes a page">
  <h2 class="pb-1 font-semibold">Which group takes a page</h2>
  <Input class="h-[30px] font-mono text-[12.5px]!" aria-label="Address of a page" placeholder="/folder/page" bind:value={pages.typed} />
  {#if explained}
    <p class="pt-1.5" aria-live="polite" data-explained>
      {#if explained.goes === 'rule'}<b class="font-semibold text-act">{explained.rule + 1} {explained.name}:</b>
      {:else if explained.goes === 'left-out'}<b class="font-semibold text-madder">Left out, {explained.name.toLowerCase()}:</b>
      {:else}<b class="font-semibold text-ochre">Nobody’s:</b>{/if}
      {#if explained.because.length > 0}its {explained.because
          .map((part) => ruleText(part))
          .join(' and ')}.{:else if explained.goes === 'rule'}everything left goes there.{:else if explained.goes === 'nobody'}no rule holds
        it.{/if}
      {#if explained.alsoIn.length > 0}<span class="text-ink-2"
          >{explained.goes === 'left-out' ? 'Else rule' : 'Rule'}
          {explained.alsoIn.map((at) => at + 1).join(', ')} would take it{explained.goes === 'left-out' ? '' : ' too'}.</span
        >{/if}
      {#if !explained.page}<span class="text-ink-2">Nobody has read this page: judged by its address alone.</span>{/if}
    </p>
  {/if}
</section>
{#if pages.group}
  <section aria-label="Its ad" class="border-t border-rule pt-3">
    <h2 class="pb-1">
      <span class="font-semibold">Its ad</span> <span class="text-ink-2">descriptions only, the rest comes from the page</span>
    </h2>
    {#each descriptions as { id, text } (id)}
      <p class="pb-0.5">{text}</p>
      <p class="pb-1.5 text-end font-mono text-[12px] text-ink-2">{units(text)}/{limit}</p>
    {:else}
      <p class="text-ink-2">None yet.</p>
    {/each}
    <Button kind="link" href={`/plans/${planState.planId}/ads?group=${pages.group.id}`}
      >{descriptions.length > 0 ? 'Change it' : 'Write it in Ads'}</Button
    >
    {#if descriptions.length > 0 && pages.withoutAd.length > 0}<Button kind="link" class="ms-3" onclick={() => pages.copyAdToOthers()}
        >Copy it to {countOf(pages.withoutAd.length, 'group')} without</Button
      >{/if}
  </section>
{/if}
{#if isAsPages}
  <p class="border-t border-rule pt-3" data-as-pages>
    <b class="font-semibold">In the tables of “{layout.name}”</b> this rule stands as its pages, one by one: it says more than a row takes there.
  </p>
{/if}
{#if pages.overlaps.length > 0}
  <section aria-label="Answered by keywords too" class="border-t border-rule pt-3">
    <h2 class="pb-1 font-semibold">Answered by keywords too</h2>
    {#each pages.overlaps as overlap (overlap.other.id)}
      <p class="pb-1">
        {overlap.other.name}:
        <span class="text-ink-2"
          >{overlap.keywords
            .slice(0, 3)
            .map(({ text }) => `“${text}”`)
            .join(', ')}{overlap.keywords.length > 3 ? ` and ${overlap.keywords.length - 3} more` : ''}.</span
        >
        <Button kind="link" label={`Keep apart from ${overlap.other.name}`} onclick={() => pages.keepApart(overlap)}>Keep apart</Button>
      </p>
    {/each}
  </section>
{/if}
