<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { childrenOf, inOrder, nextPosition } from '$lib/core/store/snapshot';
  import { nameOfExtra } from '$lib/core/records/extra';
  import type { Extra, ExtraKind } from '$lib/core/records/extra';
  import { extraWords } from '$lib/wording/extra-findings';
  import Button from '../parts/Button.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import { enterNew, firstFieldOf } from '../shell/enter-new';
  import { newId } from '../state/synced-store.svelte';
  import { extraSections, newExtra } from './extra-sections';
  import ExtraFields from './ExtraFields.svelte';

  let { planState }: { planState: PlanState } = $props();

  const rules = $derived(planState.plan.rules);
  const owners = $derived([
    { value: '', name: 'all campaigns' },
    ...inOrder(planState.snapshot.campaign).map(({ id, name }) => ({ value: id as string, name })),
  ]);
  const country = $derived(inOrder(planState.snapshot.place)[0]?.country ?? '');
  const of = (kind: ExtraKind) => childrenOf(planState.snapshot.extra, 'kind', kind);

  function add(kind: ExtraKind) {
    const position = nextPosition(planState.snapshot.extra.values());
    const id = newId();
    planState.add('extra', { id, campaignId: null, ...newExtra(kind, rules, country), position });
    enterNew(firstFieldOf(id));
  }
  const own = (extra: Extra, value: string) =>
    void planState.set('extra', extra.id, { campaignId: value === '' ? null : (value as Extra['campaignId']) });
</script>

{#each extraSections(rules) as section, index (section.kind)}
  <section aria-label={section.title} class={`py-3 ${index > 0 ? 'border-t border-rule' : ''}`}>
    <h2>
      <span class="font-serif text-[17px]">{section.title}</span>
      <span class="ms-1 text-ink-2">{section.note}</span>
    </h2>
    <ul class="flex flex-col">
      {#each of(section.kind) as extra (extra.id)}
        <li class="flex gap-3 border-b border-rule-soft py-2.5">
          <div class="grid min-w-0 flex-1 grid-cols-2 items-start gap-x-4 gap-y-1.5">
            <ExtraFields {planState} {extra} />
            <SelectField label="Shown with" value={extra.campaignId ?? ''} items={owners} onedit={(value) => own(extra, value)} />
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
