<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { matchTypes } from '$lib/core/records/match-types';
  import { childrenOf, inOrder } from '$lib/core/store/snapshot';
  import { groupBid } from '$lib/core/view/plan-view';
  import type { Group } from '$lib/core/records/group';
  import { wordRefusalCode } from '$lib/wording/refusals';
  import Button from '../parts/Button.svelte';
  import MoneyField from '../parts/MoneyField.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';

  interface Props {
    planState: PlanState;
    group: Group;
    onmerge: () => void;
    onremove: () => void;
  }

  let { planState, group, onmerge, onremove }: Props = $props();

  const inherited = $derived(groupBid(planState.plan, { ...group, defaultBidMinor: null }));
  const offers = $derived([
    { value: '', name: 'the plan’s first' },
    ...inOrder(planState.snapshot.offer).map(({ id, name }) => ({ value: id as string, name })),
  ]);
  const set = (fields: Partial<Group>, editSession?: string) => {
    const refusal = planState.set('group', group.id, fields, editSession);
    return refusal ? wordRefusalCode(refusal) : null;
  };
</script>

<section aria-label="The group" class="flex flex-col gap-2.5">
  <TextField
    label="Name of the group"
    value={group.name}
    commit="leave"
    at={`${group.id}:name`}
    onedit={(name) => (name.trim() === '' ? 'A name is needed.' : set({ name }))}
  />
  <TextField
    label="Theme words"
    value={group.theme}
    at={`${group.id}:theme`}
    placeholder={group.name.toLowerCase()}
    onedit={(theme, editSession) => set({ theme }, editSession)}
  />
  <div class="grid grid-cols-2 gap-2">
    <MoneyField
      label="Default bid"
      value={group.defaultBidMinor}
      ways={planState.amounts}
      at={`${group.id}:defaultBidMinor`}
      placeholder={inherited ?? 'none'}
      onedit={(defaultBidMinor, editSession) => set({ defaultBidMinor }, editSession)}
    />
    <SelectField
      label="Match type"
      value={group.defaultMatch}
      items={matchTypes.map((value) => ({ value, name: value }))}
      onedit={(defaultMatch) => set({ defaultMatch })}
    />
  </div>
  <TextField
    label="Landing page"
    value={group.landingPage}
    at={`${group.id}:landingPage`}
    placeholder={planState.plan.brief.landingPage || 'an address'}
    onedit={(landingPage, editSession) => set({ landingPage }, editSession)}
  />
  {#if offers.length > 1}<SelectField
      label="Offer"
      value={group.offerId ?? ''}
      items={offers}
      onedit={(value) => set({ offerId: value === '' ? null : value })}
    />{/if}
  <div class="flex gap-3">
    <Button kind="link" onclick={onmerge}>Merge into…</Button>
    <Button kind="link" onclick={onremove}>Delete the group</Button>
    <Button kind="link" class="ms-auto" href={`/plans/${planState.planId}/ads?group=${group.id}`}
      >{childrenOf(planState.snapshot.ad, 'groupId', group.id).length} ads</Button
    >
  </div>
</section>
