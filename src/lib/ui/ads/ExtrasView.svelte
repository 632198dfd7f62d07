<script lang="ts">
  import { childrenOf, inOrder, nextPosition } from '$lib/core/plan/book';
  import type { Extra } from '$lib/core/plan/records/extra';
  import { measureLine } from '$lib/core/ads/measure';
  import Button from '../parts/Button.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';
  import { getDesk } from '../state/plan-desk.svelte';
  import { newId } from '../state/stream.svelte';
  import MeasureRule from './MeasureRule.svelte';

  const desk = getDesk();
  const { rules } = desk.plan;
  const sitelinks = $derived(childrenOf(desk.book.extra, 'kind', 'sitelink'));
  const callouts = $derived(childrenOf(desk.book.extra, 'kind', 'callout'));
  const owners = $derived([
    { value: '', name: 'all campaigns' },
    ...inOrder(desk.book.campaign).map(({ id, name }) => ({ value: id as string, name })),
  ]);

  function add(kind: Extra['kind']) {
    const position = nextPosition(desk.book.extra.values());
    desk.add('extra', {
      id: newId(),
      campaignId: null,
      kind,
      text: '',
      description1: '',
      description2: '',
      address: '',
      position,
    });
  }
  const set = (extra: Extra, fields: Partial<Extra>, sitting?: string) => void desk.set('extra', extra.id, fields, sitting);
</script>

{#snippet limited(extra: Extra, field: 'text' | 'description1' | 'description2', label: string, limit: number)}
  {@const measure = measureLine(extra[field], [], { limit, language: 'en', values: {} })}
  <div>
    <TextField
      {label}
      value={extra[field]}
      at={`${extra.id}:extra-${field}`}
      onedit={(text, sitting) => set(extra, { [field]: text }, sitting)}
      suffix={`${measure.unitsWithFallback}/${limit}`}
    />
    <div class="flex items-center gap-2 pt-0.5">
      <MeasureRule {measure} />
      {#if measure.unitsWithFallback > limit}<span class="shrink-0 font-mono text-[12px] text-madder"
          >{measure.unitsWithFallback - limit} over</span
        >{/if}
    </div>
  </div>
{/snippet}

{#snippet owner(extra: Extra)}
  <SelectField
    label="Shown with"
    value={extra.campaignId ?? ''}
    items={owners}
    onedit={(value) => set(extra, { campaignId: value === '' ? null : value })}
  />
{/snippet}

{#snippet out(extra: Extra)}
  <Button
    kind="quiet"
    label={`Take out ${extra.text || extra.kind}`}
    onclick={() => void desk.make({ type: 'remove', record: 'extra', ids: [extra.id] })}
    class="mt-5">×</Button
  >
{/snippet}

<section aria-label="Sitelinks" class="py-3">
  <h2>
    <span class="font-serif text-[17px]">Sitelinks</span>
    <span class="ms-1 text-ink-2"
      >text up to {rules.sitelink.textLimit}, two description lines up to {rules.sitelink.descriptionLimit} or none, each to a page of its own</span
    >
  </h2>
  <ul class="flex flex-col">
    {#each sitelinks as extra (extra.id)}
      <li class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_auto] items-start gap-x-4 gap-y-1.5 border-b border-rule-soft py-2.5">
        {@render limited(extra, 'text', 'Text', rules.sitelink.textLimit)}
        <TextField
          label="Address"
          value={extra.address}
          at={`${extra.id}:extra-address`}
          onedit={(address, sitting) => set(extra, { address }, sitting)}
        />
        {@render out(extra)}
        {@render limited(extra, 'description1', 'First description line', rules.sitelink.descriptionLimit)}
        {@render limited(extra, 'description2', 'Second description line', rules.sitelink.descriptionLimit)}
        <span></span>
        {@render owner(extra)}
      </li>
    {:else}
      <li class="py-2 text-ink-2">No sitelink yet. They give an ad more room and lead deeper into the site.</li>
    {/each}
  </ul>
  <Button class="mt-2" at=":extras" onclick={() => add('sitelink')}>Add a sitelink</Button>
</section>
<section aria-label="Callouts" class="border-t border-rule py-3">
  <h2>
    <span class="font-serif text-[17px]">Callouts</span>
    <span class="ms-1 text-ink-2">short facts up to {rules.callout.textLimit}</span>
  </h2>
  <ul class="flex flex-col">
    {#each callouts as extra (extra.id)}
      <li class="grid grid-cols-[1fr_1fr_auto] items-start gap-3 border-b border-rule-soft py-2">
        {@render limited(extra, 'text', 'Text', rules.callout.textLimit)}
        {@render owner(extra)}
        {@render out(extra)}
      </li>
    {:else}
      <li class="py-2 text-ink-2">No callout yet.</li>
    {/each}
  </ul>
  <Button class="mt-2" onclick={() => add('callout')}>Add a callout</Button>
</section>
