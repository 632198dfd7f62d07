<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { page } from '$app/state';
  import { inOrder, nextPosition } from '$lib/core/store/snapshot';
  import { compareWithSet, setsOfClient } from '$lib/core/plan/extra-sets';
  import { nameOfExtra } from '$lib/core/records/extra';
  import type { Extra, ExtraKind } from '$lib/core/records/extra';
  import { extrasOf, wholePlan, type ExtraOwner } from '$lib/core/view/extras-shown';
  import { groupsInOrder } from '$lib/core/view/plan-view';
  import { extraWords } from '$lib/wording/extra-findings';
  import Button from '../parts/Button.svelte';
  import Menu from '../parts/Menu.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import Tabs from '../parts/Tabs.svelte';
  import { enterNew, firstFieldOf } from '../shell/enter-new';
  import { newId } from '../state/synced-store.svelte';
  import { extraSections, newExtra, ownerItems, ownerKey } from './extra-sections';
  import ExtraFields from './ExtraFields.svelte';
  import ExtrasShownTable from './ExtrasShownTable.svelte';
  import PasteExtrasDialog from './PasteExtrasDialog.svelte';
  import ProposeExtrasDialog from './ProposeExtrasDialog.svelte';
  import SharedSetsDialog from './SharedSetsDialog.svelte';

  let { planState }: { planState: PlanState } = $props();

  const rules = $derived(planState.plan.rules);
  /** The owner of a choice. */
  const readOwner = (key: string): ExtraOwner => ({
    campaignId: planState.snapshot.campaign.get(key)?.id ?? null,
    groupId: planState.snapshot.group.get(key)?.id ?? null,
  });
  const owners = $derived(ownerItems(planState.plan));
  const country = $derived(inOrder(planState.snapshot.place)[0]?.country ?? '');
  /** Whose extras are written: those of what is looked for, else what was chosen. */
  const lookedFor = $derived(planState.snapshot.extra.get((page.url.searchParams.get('at') ?? '').split(':')[0] ?? ''));
  let chosen = $derived(ownerKey(lookedFor ?? wholePlan));
  const owner: ExtraOwner = $derived(readOwner(owners.some(({ value }) => value === chosen) ? chosen : ''));
  const own = $derived(extrasOf(planState.snapshot, owner));
  const of = (kind: ExtraKind) => own.filter((extra) => extra.kind === kind);
  /** A nearer level takes a kind over: said where it does. */
  const takenOver = (kind: ExtraKind): string[] => {
    if (owner.groupId !== null) return [];
    const groups = groupsInOrder(planState.plan).filter(({ campaignId }) => owner.campaignId === null || campaignId === owner.campaignId);
    const has = (one: ExtraOwner) => extrasOf(planState.snapshot, one).some((extra) => extra.kind === kind);
    const campaigns =
      owner.campaignId === null ? inOrder(planState.snapshot.campaign).filter(({ id }) => has({ campaignId: id, groupId: null })) : [];
    return [...campaigns, ...groups.filter(({ id }) => has({ campaignId: null, groupId: id }))].map(({ name }) => name);
  };

  const shows = [
    { id: 'written', name: 'Written' },
    { id: 'shown', name: 'What is shown where' },
  ] as const;
  let show = $state<(typeof shows)[number]['id']>('written');
  let dialog = $state<'' | 'paste' | 'propose' | 'sets'>('');
  const turn = (which: typeof dialog, isOpen: boolean) => {
    if (isOpen) dialog = which;
    else if (dialog === which) dialog = '';
  };
  /** Shared sets of the client that the plan is behind of. */
  const behind = $derived(
    setsOfClient(planState.plan).filter((set) => {
      const { isTaken, add, change, remove } = compareWithSet(planState.plan, set);
      return isTaken && add.length + change.length + remove.length > 0;
    }),
  );

  function add(kind: ExtraKind) {
    const position = nextPosition(planState.snapshot.extra.values());
    const id = newId();
    planState.add('extra', { id, ...owner, ...newExtra(kind, rules, country), position });
    enterNew(firstFieldOf(id));
  }
  const move = (extra: Extra, key: string) => void planState.set('extra', extra.id, { ...readOwner(key) });
</script>

<div class="flex flex-wrap items-center gap-2 border-b border-rule-soft py-2">
  <Tabs label="Show" kind="box" tabs={shows} value={show} onpick={(id) => (show = id)} />
  {#if show === 'written' && owners.length > 1}
    <SelectField label="Extras of" hideLabel class="w-52" value={ownerKey(owner)} items={owners} onedit={(key) => (chosen = key)} />
  {/if}
  <span class="ms-auto flex gap-2">
    <Button onclick={() => (dialog = 'propose')}>Propose…</Button>
    <Menu
      name="More"
      label="More for extras"
      items={[
        { name: 'Paste a block…', run: () => (dialog = 'paste') },
        { name: 'Shared sets…', run: () => (dialog = 'sets') },
      ]}
    />
  </span>
</div>
{#if behind.length > 0}
  <p class="py-1 text-ochre">
    {behind.map(({ name }) => name).join(', ')}: the shared set has changed. <Button kind="link" onclick={() => (dialog = 'sets')}
      >Look at what is new…</Button
    >
  </p>
{/if}
{#if show === 'shown'}
  <ExtrasShownTable
    {planState}
    onopen={(key) => {
      chosen = key;
      show = 'written';
    }}
  />
{:else}
  {#each extraSections(rules) as section, index (section.kind)}
    {@const over = takenOver(section.kind)}
    <section aria-label={section.title} class={`py-3 ${index > 0 ? 'border-t border-rule' : ''}`}>
      <h2>
        <span class="font-serif text-[17px]">{section.title}</span>
        <span class="ms-1 text-ink-2">{section.note}</span>
      </h2>
      {#if over.length > 0}
        <p class="text-slate">
          {over.slice(0, 3).join(', ')}{over.length > 3 ? ` and ${over.length - 3} more` : ''} show their own in place of these.
        </p>
      {/if}
      <ul class="flex flex-col">
        {#each of(section.kind) as extra (extra.id)}
          <li class="flex gap-3 border-b border-rule-soft py-2.5">
            <div class="grid min-w-0 flex-1 grid-cols-2 items-start gap-x-4 gap-y-1.5">
              <ExtraFields {planState} {extra} />
              {#if owners.length > 1}
                <SelectField label="Shown with" value={ownerKey(extra)} items={owners} onedit={(key) => move(extra, key)} />
              {/if}
              {#if extra.setName !== ''}<p class="self-end pb-1.5 text-ink-2">from the shared set “{extra.setName}”</p>{/if}
            </div>
            <Button
              kind="quiet"
              label={`Take out ${nameOfExtra(extra) || extraWords[extra.kind]}`}
              onclick={() => void planState.make({ type: 'remove', record: 'extra', ids: [extra.id] })}
              class="mt-5 self-start">×</Button
            >
          </li>
        {:else}
          <li class="py-2 text-ink-2">{section.empty}</li>
        {/each}
      </ul>
      <Button class="mt-2" at={index === 0 ? ':extras' : undefined} onclick={() => add(section.kind)}>{section.add}</Button>
    </section>
  {/each}
{/if}
<PasteExtrasDialog {planState} {owner} bind:open={() => dialog === 'paste', (open) => turn('paste', open)} />
<ProposeExtrasDialog {planState} bind:open={() => dialog === 'propose', (open) => turn('propose', open)} />
<SharedSetsDialog {planState} bind:open={() => dialog === 'sets', (open) => turn('sets', open)} />
