<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import type { LineKindOfAd } from '$lib/core/records/ad-line';
  import TextField from '../parts/TextField.svelte';
  import type { AdState } from './ad-state.svelte';
  import LineList from './LineList.svelte';
  import PathField from './PathField.svelte';
  import { pastedChange } from './pasted-change';
  import ReadingsTable from './ReadingsTable.svelte';

  let { planState, bench, index = $bindable(0) }: { planState: PlanState; bench: AdState; index: number } = $props();

  const kinds: readonly LineKindOfAd[] = ['headline', 'description'];
  const ruleFor = (kind: LineKindOfAd) => (kind === 'headline' ? bench.format.headlines : bench.format.descriptions);
  const linesFor = (kind: LineKindOfAd) => (kind === 'headline' ? bench.headlines : bench.descriptions);
  const paths = $derived(
    (['path1', 'path2'] as const).slice(0, bench.format.paths.most).map((field, at) => ({ field, at, text: bench.ad?.[field] ?? '' })),
  );
</script>

{#if bench.ad}
  {@const ad = bench.ad}
  {#each kinds as kind (kind)}
    {@const context = bench.contexts?.[kind]}
    {#if context}<LineList
        {kind}
        rule={ruleFor(kind)}
        lines={linesFor(kind)}
        measures={bench.measures}
        {context}
        canFix={ad.format === 'responsive'}
        note={kind === 'headline' ? `${bench.format.name.toLowerCase()}, rules of ${planState.plan.rules.from.slice(0, 4)}` : ''}
        onadd={() => bench.addLine(kind)}
        onedit={(id, text, editSession) => void planState.set('adLine', id, { text }, editSession)}
        onfix={(id, fixedAt) => void planState.set('adLine', id, { fixedAt })}
        onremove={(id) => void planState.make({ type: 'remove', record: 'adLine', ids: [id] })}
        onpastelines={(pasted) => void planState.make(pastedChange('adLine', { adId: ad.id }, kind, pasted))}
      />{/if}
  {/each}
  <section class="flex flex-col gap-3 py-3" aria-label="Addresses">
    <div>
      <h2 class="pb-0.5 text-ink-2">Shown address</h2>
      <div class="flex items-start gap-1.5">
        <span class="max-w-56 truncate pt-1" title={bench.domain}>{bench.domain || 'no page yet'}</span>
        {#each paths as { field, at, text } (field)}
          {#if bench.contexts}<PathField
              label={`Path ${at + 1}`}
              value={text}
              context={bench.contexts.path}
              keywords={bench.keywords}
              at={`${ad.id}:${field}`}
              onedit={(typed, editSession) => void planState.set('ad', ad.id, { [field]: typed }, editSession)}
            />{/if}
        {/each}
      </div>
    </div>
    <TextField
      label="Landing page"
      value={ad.landingPage}
      placeholder={bench.page || 'an address'}
      at={`${ad.id}:landingPage`}
      onedit={(landingPage, editSession) => void planState.set('ad', ad.id, { landingPage }, editSession)}
      hint={ad.landingPage === '' && bench.page ? 'Empty: the page of the group or the brief.' : undefined}
    />
  </section>
  <ReadingsTable {bench} bind:index />
{/if}
