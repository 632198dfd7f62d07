<script lang="ts">
  import { modelOf } from '$lib/core/forecast/model';
  import type { MatchType } from '$lib/core/records/match-types';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Input from '../parts/Input.svelte';
  import type { MatchWish } from './groups-state.svelte';
  import type { PlanState } from '../state/plan-state.svelte';

  interface Props {
    /** What is asked for; null: nothing, and the dialog is shut. */
    wish: MatchWish | null;
    planState: PlanState;
    count: number;
    onset: (match: MatchType) => void;
    /** Adds another match type of each, its bid so many percent above or below. */
    onadd: (match: MatchType, stepPercent: number) => void;
  }

  let { wish = $bindable(), planState, count, onset, onadd }: Props = $props();

  let step = $state('10');
  const percent = $derived(/^[-−]?\d{1,3}$/.test(step.trim()) ? Number(step.trim().replace('−', '-')) : null);
  const reach = $derived(modelOf(planState.plan).reach);
  const ratio = (from: MatchType) => (reach.broad[1] / reach[from][1]).toFixed(1);

  function apply() {
    if (!wish || (wish.isAdded && percent === null)) return;
    const { match, isAdded } = wish;
    wish = null;
    if (isAdded) onadd(match, percent!);
    else onset(match);
  }
</script>

<Dialog
  bind:open={() => wish !== null, (open) => !open && (wish = null)}
  title={wish?.isAdded ? `Add ${wish.match} beside ${countOf(count, 'keyword')}` : `Set ${countOf(count, 'keyword')} to broad`}
>
  {#if wish?.isAdded}
    <label class="flex items-center gap-2"
      >Bid <Input
        class="h-[30px] w-16! text-end font-mono"
        bind:value={step}
        data-autofocus
        aria-label="Percent above the other bid"
        onkeydown={(event) => {
          if (event.key === 'Enter') apply();
        }}
      /> % above the other’s; below with a minus</label
    >
  {/if}
  {#if wish?.match === 'broad'}
    <p class="border-s-3 border-ochre ps-2.5 text-ink-2">
      Broad meets about {ratio('phrase')} times the searches of phrase and {ratio('exact')} times those of exact, many of them in other words.
      The money goes there too: look at Forecast after, and at the search terms after two weeks.
    </p>
  {/if}
  {#snippet footer()}
    <Button onclick={() => (wish = null)}>Not now</Button>
    <Button kind="act" disabled={wish?.isAdded && percent === null} onclick={apply}
      >{wish?.isAdded ? `Add ${wish.match}` : 'Set broad'}{wish?.match === 'broad' ? ', on purpose' : ''}</Button
    >
  {/snippet}
</Dialog>
