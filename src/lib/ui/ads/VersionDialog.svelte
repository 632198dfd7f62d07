<script lang="ts">
  import { compareLines } from '$lib/core/ads/line-differences';
  import { adDifferences, type Ad, type AdDifference } from '$lib/core/records/ad';
  import { differenceWords, impossibleWords } from '$lib/wording/ad-tests';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Radio from '../parts/Radio.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import Tabs from '../parts/Tabs.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import { newId } from '../state/synced-store.svelte';
  import DifferingWords from './DifferingWords.svelte';
  import { addVersions, adsUnder, draftVersion } from './versions';

  interface Props {
    planState: PlanState;
    open: boolean;
    ad: Ad;
    /** The version made in the group at hand, and its line to begin with. */
    onmade: (adId: string, lineId: string | null) => void;
  }

  let { planState, open = $bindable(), ad, onmade }: Props = $props();

  const shell = getShell();
  const mostShown = 60;
  let by = $state<AdDifference>('first-headline');
  let scope = $state<'one' | 'all'>('one');
  const group = $derived(planState.snapshot.group.get(ad.groupId));
  const pooled = $derived(open && ad.masterName !== '' ? adsUnder(planState.plan, ad.masterName) : []);
  const models = $derived(scope === 'one' ? [ad] : [ad, ...pooled.filter(({ groupId }) => groupId !== ad.groupId)]);
  const drafts = $derived(open ? models.flatMap((one) => draftVersion(planState.plan, one, by) ?? []) : []);
  const able = $derived(drafts.filter(({ version }) => version !== null));
  const scopes = $derived([
    { id: 'one' as const, name: group?.name ?? 'this group' },
    { id: 'all' as const, name: `all ${pooled.length} under ${ad.masterName}` },
  ]);

  function make() {
    const { changes, firstId, firstLineId } = addVersions(planState.plan, able, by, newId);
    if (!firstId || planState.make({ type: 'several', name: 'versions-added', changes })) return;
    shell.announce(`${countOf(able.length, 'test version')} added: ${differenceWords[by]}. Ctrl Z takes them out.`);
    open = false;
    onmade(firstId, firstLineId);
  }
</script>

<Dialog bind:open title="A test version that differs in one thing" wide>
  <div class="grid grid-cols-[210px_minmax(0,1fr)] gap-5">
    <fieldset class="flex flex-col gap-1.5">
      <legend class="pb-1 text-ink-2">It differs in</legend>
      {#each adDifferences as one (one)}
        <Radio class="flex items-center gap-1.5" name="differs" value={one} bind:group={by}>{differenceWords[one]}</Radio>
      {/each}
    </fieldset>
    <div class="min-w-0">
      {#if pooled.length > 1}<div class="w-fit pb-2">
          <Tabs label="In which groups" kind="box" tabs={scopes} value={scope} onpick={(id) => (scope = id)} />
        </div>{/if}
      <ScrollArea label="What differs" class="max-h-[44vh] border-y border-rule">
        {#each drafts.slice(0, mostShown) as { group: own, ad: model, lines, version } (model.id)}
          <section class="border-b border-rule-soft py-1.5">
            <h3 class="font-semibold">{own.name} <span class="font-normal text-ink-2">beside ad {model.name}</span></h3>
            {#if version}
              {#each compareLines(lines, version.lines) as { kind, number, pieces, fixedAt } (`${kind} ${number}`)}
                <p>
                  <span class="text-ink-2">{kind} {number}</span>
                  <DifferingWords {pieces} />{#if fixedAt[1] !== null && fixedAt[0] !== fixedAt[1]}<span class="ps-1.5 text-slate"
                      >always {['first', 'second', 'third'][fixedAt[1] - 1]}</span
                    >{/if}
                </p>
              {/each}
              {#if version.wantsWords}<p class="text-ochre">Its words are yours to finish: the cursor goes there.</p>{/if}
            {:else}<p class="text-ochre">Cannot differ so: {impossibleWords[by]}.</p>{/if}
          </section>
        {/each}
      </ScrollArea>
      <p class="pt-1.5 text-ink-2">
        In a responsive ad only fixed positions or whole sets of lines can be compared. All else stays the same in both.
      </p>
    </div>
  </div>
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={able.length === 0} onclick={make}>Add {countOf(able.length, 'test version')}</Button>
  {/snippet}
</Dialog>
