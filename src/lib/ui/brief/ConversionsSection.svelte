<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import type { Conversion } from '$lib/core/records/brief';
  import Button from '../parts/Button.svelte';
  import { fillDown, withFields, withoutRow } from '../parts/lists';
  import MoneyField from '../parts/MoneyField.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';
  import { enterNew, fieldAt } from '../shell/enter-new';

  let { planState }: { planState: PlanState } = $props();

  const brief = $derived(planState.plan.brief);
  const ways = [
    { value: 'once' as const, name: 'once a click' },
    { value: 'every' as const, name: 'every time' },
  ];

  /** What is tried and steers is what bidding can learn from. */
  function put(conversions: Conversion[], editSession?: string) {
    const countsConversions = conversions.some(({ tried, steers }) => tried && steers);
    planState.set('brief', brief.id, { conversions, countsConversions }, editSession);
  }
  const set = (index: number, fields: Partial<Conversion>, editSession?: string) =>
    put(withFields(brief.conversions, index, fields), editSession);
  const nameAt = (index: number) => `:conversions${index || ''}`;
  function add() {
    const index = brief.conversions.length;
    put([...brief.conversions, { name: '', valueMinor: null, counted: 'once', where: '', tried: false, steers: true }]);
    enterNew(fieldAt(nameAt(index)));
  }
</script>

<section aria-label="Conversions" class="flex flex-col gap-2 border-b border-rule py-2.5">
  <h2 class="font-semibold">Conversions</h2>
  {#each brief.conversions as conversion, index (index)}
    {@const name = conversion.name || `conversion ${index + 1}`}
    <div class="grid grid-cols-[minmax(0,1fr)_120px_130px_auto] items-end gap-x-2 gap-y-1 border-b border-rule-soft pb-2">
      <TextField
        label="What they do"
        value={conversion.name}
        placeholder="an enquiry by form"
        at={nameAt(index)}
        onedit={(text, editSession) => set(index, { name: text }, editSession)}
      />
      <MoneyField
        label="Worth"
        value={conversion.valueMinor}
        ways={planState.amounts}
        column="conversion-worth"
        onedit={(valueMinor, editSession) => set(index, { valueMinor }, editSession)}
        onpasteblock={(amounts) => put(fillDown(brief.conversions, index, amounts, (row, valueMinor) => ({ ...row, valueMinor })))}
      />
      <SelectField label="Counted" value={conversion.counted} items={ways} onedit={(counted) => set(index, { counted })} />
      <Button kind="quiet" label={`Take out ${name}`} onclick={() => put(withoutRow(brief.conversions, index))}>×</Button>
      <TextField
        label="Where it is counted"
        value={conversion.where}
        placeholder="the thank-you page"
        onedit={(where, editSession) => set(index, { where }, editSession)}
      />
      <Checkbox
        class="flex items-center gap-2 pb-1"
        checked={conversion.tried}
        label={`${name}: tried`}
        onchange={(event) => set(index, { tried: event.currentTarget.checked })}
      >
        tried</Checkbox
      >
      <Checkbox
        class="flex items-center gap-2 pb-1"
        checked={conversion.steers}
        label={`${name}: steers bidding`}
        onchange={(event) => set(index, { steers: event.currentTarget.checked })}
      >
        steers bidding</Checkbox
      >
    </div>
  {/each}
  {#if brief.conversions.length === 0}
    <Checkbox
      class="flex items-center gap-2"
      checked={brief.countsConversions}
      data-at=":countsConversions"
      onchange={(event) => void planState.set('brief', brief.id, { countsConversions: event.currentTarget.checked })}
    >
      Conversions are counted, and that was tried</Checkbox
    >
  {/if}
  <div><Button onclick={add}>Add a conversion</Button></div>
</section>
