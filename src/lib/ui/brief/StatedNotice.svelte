<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import { mendStating, type StatingLine } from '$lib/core/plan/stated-facts';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Notice from '../parts/Notice.svelte';

  let { planState, lines, onleave }: { planState: PlanState; lines: readonly StatingLine[]; onleave: () => void } = $props();

  const chosen = $state<Record<string, boolean>>({});
  const taken = $derived(lines.filter(({ id }) => chosen[id] !== false));

  function mend() {
    const [own, masters] = [mendStating(taken, 'plan'), mendStating(taken, 'workspace')];
    if (own) planState.make(own);
    if (masters) planState.workspace.make(masters);
    onleave();
  }
</script>

<Notice tone="look" block class="col-span-full bg-transparent! py-1!">
  <p class="font-semibold">{countOf(lines.length, 'line')} still {lines.length === 1 ? 'states' : 'state'} what it was</p>
  <ul class="max-h-40 overflow-y-auto">
    {#each lines as { id, record, before, after } (id)}
      <li class="flex items-baseline gap-2 py-0.5">
        <Checkbox
          checked={chosen[id] !== false}
          label={`Change ${before}`}
          onchange={(event) => (chosen[id] = event.currentTarget.checked)}
        /><span class="min-w-0"
          ><s class="text-ink-2">{before}</s> <span class="font-semibold">{after}</span>{#if record === 'masterLine'}<span
              class="text-ink-2">, in a master</span
            >{/if}</span
        >
      </li>
    {/each}
  </ul>
  <p class="flex gap-3 pt-1">
    <Button kind="link" onclick={mend}>Mend {taken.length}</Button><Button kind="link" onclick={onleave}>Leave them</Button>
  </p>
</Notice>
