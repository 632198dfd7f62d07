<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Table from '../parts/Table.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import { inOrder } from '$lib/core/store/snapshot';
  import { houseRules, houseRulesOf, ofAllPlans } from '$lib/core/rules/house-rules';
  import { houseRuleList, type HouseRuleEntry } from '$lib/core/proof/house-rule-list';
  import { composeName } from '$lib/core/view/campaign-name';
  import type { SimpleChange } from '$lib/core/store/changes';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';
  import { setHouse } from '../state/house';

  let { planState }: { planState: PlanState } = $props();

  const { workspace } = $derived(planState);
  const all = $derived({ ...houseRules, ...workspace.snapshot.houseRule.get(ofAllPlans)?.values });
  const own = $derived(houseRulesOf(planState.whole, planState.planId));
  const ownRow = $derived(workspace.snapshot.houseRule.get(planState.planId)?.values ?? {});
  const allRow = $derived(workspace.snapshot.houseRule.get(ofAllPlans)?.values ?? {});
  let isNaming = $state(false);

  /** Plans whose own rule differs from that of all plans. */
  const differing = (entry: HouseRuleEntry) =>
    inOrder(workspace.snapshot.plan).flatMap(({ id, name }) =>
      workspace.snapshot.houseRule.get(id)?.values[entry.key] !== undefined ? [name] : [],
    );

  function put(entry: HouseRuleEntry, planId: string | null, text: string): string | null {
    if (text.trim() === '') {
      setHouse(workspace, planId, { [entry.key]: null });
      return null;
    }
    const value = entry.read(text);
    if (value === null) return 'Not a value for this.';
    setHouse(workspace, planId, { [entry.key]: value });
    return null;
  }

  /** Campaigns whose name the pattern would change, with what it would be. */
  const renamed = $derived(
    inOrder(planState.snapshot.campaign)
      .map((campaign) => ({ campaign, next: composeName(campaign, own.naming) }))
      .filter(({ campaign, next }) => campaign.name !== next && next !== ''),
  );
  const clashes = $derived(
    new Set(
      renamed
        .map(({ next }) => next)
        .filter(
          (next, index, list) => list.indexOf(next) !== index || inOrder(planState.snapshot.campaign).some(({ name }) => name === next),
        ),
    ),
  );
  let keepsTyped = $state(true);
  const chosen = $derived(renamed.filter(({ campaign, next }) => !clashes.has(next) && !(keepsTyped && campaign.nameIsTyped)));

  function applyNames() {
    const changes = chosen.map(({ campaign, next }): SimpleChange => ({
      type: 'set',
      record: 'campaign',
      ids: [campaign.id],
      fields: { name: next, nameIsTyped: false },
    }));
    if (changes.length > 0) planState.make({ type: 'several', name: 'names-applied', changes });
    isNaming = false;
  }
</script>

{#snippet field(entry: HouseRuleEntry, planId: string | null, isSet: boolean, label: string)}
  {@const values = planId === null ? all : own}
  {#if entry.choices}
    <SelectField
      {label}
      hideLabel
      value={isSet ? entry.write(values) : ''}
      items={[
        { value: '', name: `${planId === null ? 'as shipped' : 'as all'}: ${entry.write(planId === null ? houseRules : all)}` },
        ...entry.choices,
      ]}
      onedit={(text) => void put(entry, planId, text)}
    />
  {:else}
    <TextField
      {label}
      hideLabel
      mono
      commit="leave"
      value={isSet ? entry.write(values) : ''}
      placeholder={entry.write(planId === null ? houseRules : all)}
      check={(text) =>
        text.trim() === '' || entry.read(text) !== null ? null : `Such as ${entry.write(houseRules)}; empty: as it is otherwise.`}
      onedit={(text) => put(entry, planId, text)}
    />
  {/if}
{/snippet}

<div class="min-h-0 flex-1 overflow-y-auto px-[22px] py-3">
  <p class="pb-2 text-ink-2">
    Thresholds on which good practitioners differ. An empty field holds what is shown in it; findings name the rule they come from.
  </p>
  <Table
    class="table-fixed"
    caption="House rules, of all plans and of this one"
    heads={[
      { name: 'Rule, and where its default comes from' },
      { name: 'Shipped', room: 'w-28' },
      { name: 'All plans', room: 'w-48' },
      { name: 'This plan', room: 'w-48' },
      { name: 'Plans that differ', room: 'w-44' },
    ]}
    >{#each houseRuleList as entry (entry.key)}
      {@const others = differing(entry)}
      <tr id={entry.key} class="border-b border-rule-soft align-top">
        <td class="py-1.5 pe-4"><span class="font-semibold">{entry.title}</span><br /><span class="text-ink-2">{entry.source}</span></td>
        <td class="truncate py-2 font-mono text-[12px] text-ink-2" title={entry.write(houseRules)}>{entry.write(houseRules)}</td>
        <td class="py-1 pe-3">{@render field(entry, null, allRow[entry.key] !== undefined, `${entry.title}, all plans`)}</td>
        <td class="py-1 pe-3">{@render field(entry, planState.planId, ownRow[entry.key] !== undefined, `${entry.title}, this plan`)}</td>
        <td class="py-2 text-ink-2"
          >{others.length === 0 ? 'none' : others.slice(0, 3).join(', ') + (others.length > 3 ? ` and ${others.length - 3} more` : '')}</td
        >
      </tr>
    {/each}
  </Table>
  {#if renamed.length > 0}
    <p class="pt-3">
      {renamed.length === 1 ? 'One campaign is' : `${renamed.length} campaigns are`} named otherwise than the pattern would.
      <Button kind="link" onclick={() => (isNaming = true)}>See them…</Button>
    </p>
  {/if}
</div>

<Dialog bind:open={isNaming} title="Name campaigns by the pattern" wide>
  <Table class="table-fixed" caption="Names before and after" heads={[{ name: 'Now' }, { name: 'By the pattern' }]}
    >{#each renamed as { campaign, next } (campaign.id)}
      <tr class="border-b border-rule-soft">
        <td class="truncate py-1 font-mono text-[12.5px]" title={campaign.name}
          >{campaign.name}{campaign.nameIsTyped ? ' (by hand)' : ''}</td
        >
        <td class="truncate py-1 font-mono text-[12.5px]" title={next}
          >{next}{clashes.has(next) ? ': stands already' : keepsTyped && campaign.nameIsTyped ? ': stays' : ''}</td
        >
      </tr>
    {/each}
  </Table>
  <Checkbox bind:checked={keepsTyped}>Names made by hand stay</Checkbox>
  {#snippet footer()}<Button kind="act" disabled={chosen.length === 0} onclick={applyNames}>Rename {chosen.length}</Button>{/snippet}
</Dialog>
