<script lang="ts">
  import { addressOnClick } from '$lib/core/ads/tracking';
  import type { PlanState } from '../state/plan-state.svelte';
  import TextField from '../parts/TextField.svelte';
  import type { AdState } from './ad-state.svelte';
  import type { GroupAnswered } from '$lib/core/proof/answered';
  import AnsweredStrip from './AnsweredStrip.svelte';
  import CombinationsPanel from './CombinationsPanel.svelte';
  import AdLines from './AdLines.svelte';
  import MasterTie from './MasterTie.svelte';
  import PathField from './PathField.svelte';
  import TestStrip from './TestStrip.svelte';
  import ReadingsTable from './ReadingsTable.svelte';

  interface Props {
    planState: PlanState;
    bench: AdState;
    /** What the group’s ads answer; null until it is read. */
    answered: GroupAnswered | null;
    index: number;
  }

  let { planState, bench, answered, index = $bindable(0) }: Props = $props();

  /** The ad that a test version is compared with: the first of its group that is none. */
  const against = $derived(
    bench.ad && bench.ad.differsIn !== '' ? (bench.ads.find(({ id, differsIn }) => id !== bench.ad?.id && differsIn === '') ?? null) : null,
  );
  const shares = $derived(answered?.ads.find(({ adId }) => adId === bench.ad?.id) ?? null);
  const onClick = $derived(bench.group && bench.ad ? addressOnClick(planState.plan, bench.group, bench.ad, bench.keywords[0] ?? '') : null);
  const isByPages = $derived(bench.isByPages);
  const paths = $derived(
    (['path1', 'path2'] as const).slice(0, bench.format.paths.most).map((field, at) => ({ field, at, text: bench.ad?.[field] ?? '' })),
  );
</script>

{#if bench.ad}
  {@const ad = bench.ad}
  {#if shares && bench.keywords.length > 0}<div class="border-b border-rule-soft py-1">
      <AnsweredStrip {shares} of={bench.keywords.length > 0 && answered?.hasSearches ? 'searches' : 'keywords'} />
    </div>{/if}
  {#if ad.masterName}<MasterTie {planState} {ad} />{/if}
  <AdLines {planState} {bench} note={`${bench.format.name.toLowerCase()}, rules of ${planState.plan.rules.from.slice(0, 4)}`} />
  <section class="flex flex-col gap-3 py-3" aria-label="Addresses">
    {#if isByPages}<p class="text-ink-2">
        Headline, shown address and the page that is opened come from the page that answers a search.
      </p>{/if}
    {#if !isByPages || ad.landingPage !== ''}<div>
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
      />{/if}
    <TextField
      label="Counting address"
      value={ad.countingAddress}
      placeholder="none: the page itself is opened"
      at={`${ad.id}:countingAddress`}
      onedit={(countingAddress, editSession) => void planState.set('ad', ad.id, { countingAddress }, editSession)}
      hint={ad.countingAddress === '' ? undefined : 'Opened on the click in place of the page, to which it has to lead.'}
    />
    {#if onClick}<p class="text-[12px] [overflow-wrap:anywhere] text-ink-2" data-on-click>
        <span class="font-semibold">On the click, with {bench.keywords[0] ? `“${bench.keywords[0]}”` : 'its keyword'}:</span>
        <span class="font-mono">{onClick}</span>
      </p>{/if}
  </section>
  <ReadingsTable {bench} bind:index />
  {#if !isByPages}<CombinationsPanel {planState} adId={ad.id} />{/if}
  {#if against}<TestStrip {planState} version={ad} {against} />{/if}
{/if}
