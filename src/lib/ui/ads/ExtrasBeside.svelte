<script lang="ts">
  import type { ExtrasShown } from '$lib/core/view/extras-shown';
  import { sayExtra } from '$lib/wording/extras';
  import type { PlanState } from '../state/plan-state.svelte';

  /** What an ad of a group is shown with, as far as a searcher would see it. */
  let { planState, extras, isNarrow }: { planState: PlanState; extras: readonly ExtrasShown[]; isNarrow: boolean } = $props();

  const shown = $derived(new Map(extras.map((one) => [one.kind, one.extras])));
  const sitelinks = $derived((shown.get('sitelink') ?? []).filter(({ text }) => text.trim() !== '').slice(0, isNarrow ? 2 : 4));
  const inLine = $derived([
    (shown.get('callout') ?? []).map(({ text }) => text).filter((text) => text.trim() !== ''),
    ...(shown.get('listed-values') ?? []).map((extra) => [sayExtra(extra, planState.currency)]),
  ]);
  const others = $derived(
    (['dated-offer', 'price-rows', 'call', 'place'] as const).flatMap((kind) =>
      (shown.get(kind) ?? []).map((extra) => sayExtra(extra, planState.currency)).filter((text) => text !== ''),
    ),
  );
</script>

{#if shown.size > 0}
  <div class="mt-1.5 flex flex-col gap-0.5 border-t border-rule-soft pt-1.5 break-words" data-preview-extras>
    {#if sitelinks.length > 0}
      <ul class={`grid gap-x-3 ${isNarrow ? '' : 'grid-cols-2'}`}>
        {#each sitelinks as { id, text, description1, description2 } (id)}
          <li>
            <span class="text-plum">{text}</span>{#if !isNarrow && description1 !== ''}<span class="block text-[12px] leading-4 text-ink-2"
                >{description1} {description2}</span
              >{/if}
          </li>
        {/each}
      </ul>
    {/if}
    {#each inLine as texts, at (at)}{#if texts.length > 0}<p class="text-ink-2">{texts.join(' · ')}</p>{/if}{/each}
    {#each others as text (text)}<p class="text-ink-2">{text}</p>{/each}
  </div>
{/if}
