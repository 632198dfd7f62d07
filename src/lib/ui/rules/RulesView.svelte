<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { inOrder, nextPosition } from '$lib/core/store/snapshot';
  import { copyName } from '$lib/core/text/copy-name';
  import { allRuleSets, shippedRuleSets } from '$lib/core/rules/rule-set';
  import { wordDate } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { getPlanState } from '../state/plan-state.svelte';
  import { newId } from '../state/synced-store.svelte';
  import EffectList from './EffectList.svelte';
  import RuleSetEditor from './RuleSetEditor.svelte';
  import { RulesLook } from './rules-effect.svelte';

  const desk = getPlanState();
  const shell = getShell();
  const { workspace } = desk;
  const used = $derived(desk.plan.plan.ruleSetKey);
  const sets = $derived(allRuleSets(inOrder(workspace.snapshot.ruleSet)));
  const set = $derived(sets.find(({ id }) => id === page.url.searchParams.get('rules')) ?? sets.find(({ id }) => id === used) ?? sets[0]!);
  const isShipped = $derived(shippedRuleSets.some(({ id }) => id === set.id));
  const address = (id: string) => `?view=rules&rules=${id}`;
  const look = new RulesLook(desk);
  onMount(() => () => look.close());
  $effect(() => {
    const rules = set;
    untrack(() => look.look(rules));
  });

  function copy() {
    const names = new Set(sets.map(({ name }) => name));
    const row = {
      ...set,
      id: newId(),
      name: copyName(set.name, names),
      from: desk.today,
      position: nextPosition(inOrder(workspace.snapshot.ruleSet)),
    };
    if (!workspace.add('ruleSet', row)) void goto(address(row.id));
  }

  function remove() {
    workspace.make({ type: 'remove', record: 'ruleSet', ids: [set.id] });
    shell.announce(`${set.name} removed. The Shelf’s undo brings it back.`);
    void goto('?view=rules');
  }
</script>

<div class="grid min-h-0 flex-1 grid-cols-[216px_minmax(0,1fr)_300px]">
  <nav class="flex min-h-0 flex-col gap-px overflow-y-auto border-e border-rule py-2" aria-label="Rule sets">
    {#each sets as one (one.id)}
      <a
        href={address(one.id)}
        aria-current={one.id === set.id ? 'true' : undefined}
        class={`block px-4 py-1.5 -outline-offset-2 ${one.id === set.id ? 'bg-fold font-semibold' : 'hover:bg-fold'}`}
        ><span class="block break-words">{one.name}</span><span class="text-[12px] font-normal text-ink-2"
          >from {wordDate(one.from)}{one.id === used ? ', this plan’s' : ''}</span
        ></a
      >
    {/each}
  </nav>
  <div class="min-h-0 overflow-y-auto px-[22px] py-3">
    <div class="flex items-center gap-2">
      <h2 class="min-w-0 flex-1 truncate font-serif text-[17px]" title={set.name}>{set.name}</h2>
      {#if set.id !== used}<Button onclick={() => void workspace.set('plan', desk.planId, { ruleSetKey: set.id })}>Use for this plan</Button
        >{/if}
      <Button kind={isShipped ? 'act' : 'plain'} onclick={copy}>Copy</Button>
      {#if !isShipped}<Button onclick={remove}>Remove</Button>{/if}
    </div>
    <p class="pb-3 text-ink-2">
      What networks take and how they count, as of {wordDate(set.from)}.{isShipped ? ' It ships as it is; copy it to change the copy.' : ''}
    </p>
    {#key set.id}<RuleSetEditor {set} isFixed={isShipped} />{/key}
  </div>
  <aside class="min-h-0 overflow-y-auto border-s border-rule px-4 py-3" aria-label="What it would change">
    <EffectList effect={look.effect} isUsed={set.id === used} />
  </aside>
</div>
