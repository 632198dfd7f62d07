<script lang="ts">
  import { applyFormat, type ConvertedAd } from '$lib/core/ads/convert-format';
  import type { Ad } from '$lib/core/records/ad';
  import { formatNames, type FormatName } from '$lib/core/records/format-names';
  import { convertMeasured, measureAd, prepareGroupOfAds } from '$lib/core/proof/measured-ad';
  import { inOrder } from '$lib/core/store/snapshot';
  import { countOf, wordDate } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PlanState } from '../state/plan-state.svelte';

  /** An ad in another format, line by line, with what is lost; likewise all ads of its format. */
  let { planState, ad, open = $bindable() }: { planState: PlanState; ad: Ad; open: boolean } = $props();

  const shell = getShell();
  const { rules } = $derived(planState.plan);
  const items = $derived(formatNames.filter((name) => name !== ad.format).map((name) => ({ value: name, name: rules.formats[name].name })));
  let chosen = $derived<FormatName>(ad.format === 'responsive' ? 'three-headlines' : 'responsive');
  const alike = $derived(inOrder(planState.snapshot.ad).filter(({ format }) => format === ad.format));

  function convert(one: Ad): ConvertedAd | null {
    const group = planState.snapshot.group.get(one.groupId);
    return group ? convertMeasured(measureAd(prepareGroupOfAds(planState.plan, group), one), chosen) : null;
  }
  const converted = $derived(open ? convert(ad) : null);
  const until = $derived(rules.formats[chosen].acceptedUntil);

  function change(ads: readonly Ad[]) {
    const changes = ads.flatMap((one) => {
      const result = convert(one);
      return result ? applyFormat(one.id, result) : [];
    });
    if (planState.make({ type: 'several', name: 'format-changed', changes })) return;
    shell.announce(`${countOf(ads.length, 'ad')} in the format ${rules.formats[chosen].name}. Ctrl Z takes it back.`);
    open = false;
  }
</script>

<Dialog bind:open title={`Ad ${ad.name} in another format`} wide>
  <div class="flex items-end gap-3 pb-2">
    <SelectField label="Format" class="w-56" value={chosen} {items} onedit={(name) => (chosen = name)} />
    {#if until !== null}<p class="pb-1.5 text-ochre">
        Networks took new ones until {wordDate(until)}: for a tool that still wants them.
      </p>{/if}
  </div>
  {#if converted}
    <ScrollArea label="What becomes of each line" class="max-h-[46vh] border-y border-rule">
      {#each converted.lines as { line, kind, fixedAt, isOver } (line.id)}
        <p class="grid grid-cols-[100px_minmax(0,1fr)_190px] gap-2 border-b border-rule-soft py-1">
          <span class="text-ink-2">{line.kind}</span>
          <span class={`[overflow-wrap:anywhere] ${kind === null ? 'text-ink-3 line-through' : ''}`}>{line.text}</span>
          <span class={kind === null || isOver ? 'text-madder' : 'text-ink-2'}
            >{kind === null ? 'lost' : isOver ? 'over the limit there' : fixedAt === null ? 'stays' : `stays, fixed at ${fixedAt}`}</span
          >
        </p>
      {/each}
      {#if converted.path1 !== '' || converted.lostPaths.length > 0}
        <p class="py-1">
          <span class="inline-block w-[108px] text-ink-2">paths</span>{converted.path1}{converted.path2
            ? ` / ${converted.path2}`
            : ''}{#each converted.lostPaths as path (path)}<span class="ms-2 text-madder line-through">{path}</span>{/each}
        </p>
      {/if}
    </ScrollArea>
    {#if converted.missing.headline + converted.missing.description > 0}
      <p class="pt-2 text-ochre">
        Still to be written: {[
          converted.missing.headline > 0 ? countOf(converted.missing.headline, 'headline') : '',
          converted.missing.description > 0 ? countOf(converted.missing.description, 'description') : '',
        ]
          .filter(Boolean)
          .join(', ')}.
      </p>
    {/if}
  {/if}
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    {#if alike.length > 1}<Button onclick={() => change(alike)}>All {alike.length} {rules.formats[ad.format].name.toLowerCase()} ads</Button
      >{/if}
    <Button kind="act" onclick={() => change([ad])}>Change this ad</Button>
  {/snippet}
</Dialog>
