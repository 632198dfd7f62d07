<script lang="ts">
  import { compareWithSet, setsOfClient, sharedPart, takeSet } from '$lib/core/plan/extra-sets';
  import type { ExtraSet } from '$lib/core/records/extra-set';
  import { nextPosition } from '$lib/core/store/snapshot';
  import { extrasOf, wholePlan } from '$lib/core/view/extras-shown';
  import { extraWords } from '$lib/wording/extra-findings';
  import { sayExtra } from '$lib/wording/extras';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Input from '../parts/Input.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import { newId } from '../state/synced-store.svelte';

  /** Sets of extras that all plans of the client take from; the plan keeps its own copies, so that nothing changes behind a plan that is handed off. */
  let { planState, open = $bindable() }: { planState: PlanState; open: boolean } = $props();

  const shell = getShell();
  const { workspace } = $derived(planState);
  const client = $derived(planState.plan.client);
  const sets = $derived(open ? setsOfClient(planState.plan) : []);
  const own = $derived(extrasOf(planState.snapshot, wholePlan));
  let name = $state('');
  const existing = $derived(sets.find((set) => set.name === name.trim()));

  const standingOf = (set: ExtraSet) => compareWithSet(planState.plan, set);

  function take(set: ExtraSet) {
    const changes = takeSet(planState.plan, set, newId);
    if (changes.length === 0 || planState.make({ type: 'several', name: 'extra-set-taken', changes })) return;
    shell.announce(`${set.name} stands in this plan. Ctrl Z takes it back.`);
  }

  /** What the plan’s own extras say becomes the set, and they are tied to it. */
  function share() {
    const setName = name.trim();
    const extras = own.map(sharedPart);
    if (existing) workspace.make({ type: 'set', record: 'extraSet', ids: [existing.id], fields: { extras, currency: planState.currency } });
    else
      workspace.make({
        type: 'add',
        record: 'extraSet',
        rows: [
          {
            id: newId(),
            clientId: client.id,
            name: setName,
            currency: planState.currency,
            extras,
            position: nextPosition(planState.workspace.snapshot.extraSet.values()),
          },
        ],
      });
    const loose = own.filter((extra) => extra.setName !== setName).map(({ id }) => id as string);
    if (loose.length > 0) planState.make({ type: 'set', record: 'extra', ids: loose, fields: { setName } });
    shell.announce(`${setName} is shared with all plans of ${client.name}.`);
    name = '';
  }
</script>

<Dialog bind:open title={`Extras that plans of ${client.name} share`} wide>
  <ScrollArea label="Shared sets" class="max-h-[44vh]">
    {#each sets as set (set.id)}
      {@const { isTaken, add, change, remove, withoutAmounts } = standingOf(set)}
      {@const differs = add.length + change.length + remove.length}
      <section aria-label={set.name} class="border-b border-rule py-2">
        <div class="flex items-baseline gap-3">
          <h3 class="font-semibold">{set.name}</h3>
          <span class="text-ink-2"
            >{countOf(set.extras.length, 'extra')} · {differs === 0
              ? 'as in this plan'
              : isTaken
                ? 'this plan is behind'
                : 'not in this plan'}</span
          >
          <span class="ms-auto flex gap-2">
            <Button
              kind="quiet"
              label={`Share ${set.name} no more`}
              onclick={() => void workspace.make({ type: 'remove', record: 'extraSet', ids: [set.id] })}>Share no more</Button
            >
            <Button disabled={differs === 0} label={`Take ${set.name} into this plan`} onclick={() => take(set)}
              >{isTaken ? 'Bring it over' : 'Take it into this plan'}</Button
            >
          </span>
        </div>
        <ul class="pt-1">
          {#each add as extra, at (at)}<li class="text-act">
              + {extraWords[extra.kind]}: {sayExtra(extra, planState.currency)}
            </li>{/each}
          {#each change as { extra, to } (extra.id)}<li>
              {extraWords[extra.kind]}: {sayExtra(extra, planState.currency)} → {sayExtra(to, planState.currency)}
            </li>{/each}
          {#each remove as extra (extra.id)}<li class="text-madder">
              − {extraWords[extra.kind]}: {sayExtra(extra, planState.currency)}
            </li>{/each}
        </ul>
        {#if withoutAmounts}<p class="text-ink-2">Its amounts are in {set.currency}: they are left open here.</p>{/if}
      </section>
    {:else}
      <p class="py-2 text-ink-2">No set is shared yet. What this plan shows with all its campaigns can become one.</p>
    {/each}
  </ScrollArea>
  <div class="flex items-end gap-2 pt-3">
    <label class="grid min-w-0 flex-1 gap-0.5"
      ><span class="text-ink-2">Share the {countOf(own.length, 'extra')} of the whole plan as</span><Input
        data-autofocus
        bind:value={name}
        aria-label="Name of the set"
      /></label
    >
    <Button disabled={name.trim() === '' || own.length === 0} onclick={share}>{existing ? 'Replace the set' : 'Share them'}</Button>
  </div>
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Done</Button>
  {/snippet}
</Dialog>
