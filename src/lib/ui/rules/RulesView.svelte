<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { onMount, untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { inOrder, nextPosition } from '$lib/core/store/snapshot';
  import { copyName } from '$lib/core/text/copy-name';
  import { allRuleSets, shippedRuleSets } from '$lib/core/rules/rule-set';
  import { wordDate } from '$lib/wording/texts';
  import ShippedOrOwn from '../parts/ShippedOrOwn.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { newId } from '../state/synced-store.svelte';
  import EffectList from './EffectList.svelte';
  import RuleSetEditor from './RuleSetEditor.svelte';
  import { RulesLook } from './rules-effect.svelte';

  let { planState }: { planState: PlanState } = $props();

  const shell = getShell();
  const { workspace } = $derived(planState);
  const used = $derived(planState.plan.plan.ruleSetKey);
  const sets = $derived(allRuleSets(inOrder(workspace.snapshot.ruleSet)));
  const set = $derived(sets.find(({ id }) => id === page.url.searchParams.get('rules')) ?? sets.find(({ id }) => id === used) ?? sets[0]!);
  const isShipped = (id: string) => shippedRuleSets.some((one) => one.id === id);
  const entries = $derived(
    sets.map(({ id, name, from }) => ({ id, name, note: `from ${wordDate(from)}${id === used ? ', this plan’s' : ''}` })),
  );
  const address = (id: string) => `?view=rules&rules=${id}`;
  const look = untrack(() => new RulesLook(planState));
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
      from: planState.today,
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

<ShippedOrOwn
  label="Rule sets"
  {entries}
  current={entries.find(({ id }) => id === set.id)!}
  {address}
  {isShipped}
  usedId={used}
  about={`What networks take and how they count, as of ${wordDate(set.from)}`}
  onuse={() => void workspace.set('plan', planState.planId, { ruleSetKey: set.id })}
  oncopy={copy}
  onremove={remove}
>
  <RuleSetEditor {planState} {set} isFixed={isShipped(set.id)} />
  {#snippet aside()}
    <aside class="min-h-0 overflow-y-auto border-s border-rule px-4 py-3" aria-label="What it would change">
      <EffectList {planState} effect={look.effect} isUsed={set.id === used} />
    </aside>
  {/snippet}
</ShippedOrOwn>
