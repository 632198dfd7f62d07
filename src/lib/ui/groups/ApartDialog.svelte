<script lang="ts">
  import { proposeKeeper } from '$lib/core/groups/keep-apart';
  import type { Overlap } from '$lib/core/groups/overlaps';
  import { pairKey, type PlanParting } from '$lib/core/groups/part-plan';
  import { writeKeyword } from '$lib/core/keywords/read-keyword';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Notice from '../parts/Notice.svelte';
  import Select from '../parts/Select.svelte';
  import Tabs from '../parts/Tabs.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import { addParting, takeWordsOut } from './overlap-mends';

  interface Props {
    open: boolean;
    planState: PlanState;
    campaignId: string;
    /** The group at hand, whose pairs alone may be parted. */
    groupId: string | null;
    nameOf: (groupId: string) => string;
  }

  let { open = $bindable(), planState, campaignId, groupId, nameOf }: Props = $props();

  const shell = getShell();
  const mostPairs = 60;
  const mostSame = 20;
  let scope = $state<'group' | 'campaign' | 'all'>('campaign');
  let keepers = $state.raw<ReadonlyMap<string, string>>(new Map());
  let parting = $state.raw<PlanParting | null>(null);
  const campaignOf = (id: string) => planState.snapshot.group.get(id)?.campaignId;
  const overlaps = $derived(
    (planState.reader.overlaps ?? []).filter(({ one, other }: Overlap) =>
      scope === 'group'
        ? one === groupId || other === groupId
        : scope === 'all' || campaignOf(one) === campaignId || campaignOf(other) === campaignId,
    ),
  );
  $effect(() => {
    if (!open) return;
    let isGone = false;
    parting = null;
    void planState.reader.ask('parting', { overlaps, keepers }).then((said) => {
      if (!isGone) parting = said;
    });
    return () => void (isGone = true);
  });
  const negatives = $derived(parting?.partings.reduce((sum, one) => sum + one.negatives.length, 0) ?? 0);
  const scopes = $derived([
    ...(groupId ? [{ id: 'group' as const, name: nameOf(groupId) }] : []),
    { id: 'campaign' as const, name: 'this campaign' },
    { id: 'all' as const, name: 'all campaigns' },
  ]);

  const part = () => parting && addParting(planState, shell, parting) && (open = false);
</script>

<Dialog bind:open title="Keep groups apart" wide>
  <div class="w-fit"><Tabs label="Which groups" kind="box" tabs={scopes} value={scope} onpick={(id) => (scope = id)} /></div>
  <p class="text-ink-2">
    A keyword stays with its own group. Other searches that two groups answer go to the one whose theme has more words, or to whom you say.
  </p>
  <div class="grid max-h-[50vh] grid-cols-2 gap-5 overflow-y-auto border-t border-rule pt-2">
    <section aria-label="Who keeps what both answer">
      <h3 class="pb-1 font-semibold">{countOf(overlaps.length, 'pair')} of groups</h3>
      <ul>
        {#each overlaps.slice(0, mostPairs) as overlap (pairKey(overlap))}
          {@const key = pairKey(overlap)}
          <li class="flex items-center gap-2 border-b border-rule-soft py-0.5">
            <span class="min-w-0 flex-1 truncate" title={overlap.searches.slice(0, 12).join(', ')}
              >{nameOf(overlap.one)} and {nameOf(overlap.other)} <span class="text-ink-2">{overlap.searches.length}</span></span
            >
            <Select
              class="h-[26px] max-w-32"
              aria-label={`Who keeps what ${nameOf(overlap.one)} and ${nameOf(overlap.other)} both answer`}
              value={keepers.get(key) ?? proposeKeeper(planState.plan, overlap)}
              onchange={(event) => (keepers = new Map(keepers).set(key, event.currentTarget.value))}
            >
              {#each [overlap.one, overlap.other] as id (id)}<option value={id}>{nameOf(id)}</option>{/each}
            </Select>
          </li>
        {/each}
      </ul>
      {#if overlaps.length > mostPairs}<p class="text-ink-2">and {overlaps.length - mostPairs} more, as proposed</p>{/if}
    </section>
    <section aria-label="What each group gets">
      <h3 class="pb-1 font-semibold">{parting ? countOf(negatives, 'negative') : 'Negatives'}</h3>
      {#if !parting}<Notice tone="doing">Looking for the fewest …</Notice>{:else}
        {#each parting.partings as { groupId: id, negatives: own, stuck } (id)}
          <p class="border-b border-rule-soft py-1">
            <span class="font-semibold">{nameOf(id)}</span>
            {#each own as { text, match } (`${match} ${text}`)}
              <span class="me-1 inline-block rounded-sm bg-madder-tint px-1.5 whitespace-nowrap text-madder"
                >× {writeKeyword(text, match)}</span
              >
            {/each}
            {#if stuck.length > 0}<span class="text-ochre">not parted: {stuck.join(', ')}</span>{/if}
          </p>
        {:else}
          <p class="text-ink-2">Nothing is answered twice here.</p>
        {/each}
        {#if parting.sameWords.length > 0}
          <p class="pt-2 text-ochre">
            {parting.sameWords.length} of the searches cannot be parted: two groups have the same words. Take them out of one.
          </p>
          <ul class="text-ink-2">
            {#each parting.sameWords.slice(0, mostSame) as { search, groups } (search)}
              <li>
                “{search}”:
                {#each groups as id (id)}<Button kind="link" class="me-2" onclick={() => takeWordsOut(planState, shell, id, search)}
                    >out of {nameOf(id)}</Button
                  >{/each}
              </li>
            {/each}
          </ul>
        {/if}
      {/if}
    </section>
  </div>
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={negatives === 0} onclick={part}>Add {countOf(negatives, 'negative')}</Button>
  {/snippet}
</Dialog>
