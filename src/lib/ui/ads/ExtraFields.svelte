<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { readHours, sayHours } from '$lib/core/view/hours';
  import type { Extra } from '$lib/core/records/extra';
  import { countryItems } from '../parts/countries';
  import { wordHoursProblem } from '$lib/wording/hours';
  import Button from '../parts/Button.svelte';
  import DateField from '../parts/DateField.svelte';
  import MoneyField from '../parts/MoneyField.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';
  import { enterNew, fieldAt } from '../shell/enter-new';
  import { fillDown, withFields, withoutRow, withRow } from '../parts/lists';
  import { withPriceRow } from './extra-sections';
  import LimitedField from './LimitedField.svelte';

  let { planState, extra }: { planState: PlanState; extra: Extra } = $props();

  const rules = $derived(planState.plan.rules);
  const set = (fields: Partial<Extra>, editSession?: string) => void planState.set('extra', extra.id, fields, editSession);
  const at = (field: string) => `${extra.id}:extra-${field}`;
  function addValue() {
    const index = extra.values.length;
    set({ values: [...extra.values, ''] });
    enterNew(fieldAt(at(`value${index}`)));
  }
  function addPriceRow() {
    const index = extra.prices.length;
    set({ prices: withPriceRow(extra.prices) });
    enterNew(fieldAt(at(`price${index}-text`)));
  }
  const headers = (known: readonly string[]) =>
    [...new Set([...known, extra.header])].map((value) => ({ value, name: value === '' ? 'choose…' : value }));
</script>

{#snippet limited(field: 'text' | 'description1' | 'description2' | 'code', label: string, limit: number)}
  <LimitedField {label} value={extra[field]} {limit} at={at(field)} onedit={(text, editSession) => set({ [field]: text }, editSession)} />
{/snippet}
{#snippet address(label = 'Address')}
  <TextField {label} value={extra.address} at={at('address')} onedit={(text, editSession) => set({ address: text }, editSession)} />
{/snippet}
{#snippet header(known: readonly string[])}
  <SelectField label="Header" value={extra.header} items={headers(known)} at={at('header')} onedit={(value) => set({ header: value })} />
{/snippet}
{#snippet date(field: 'startsOn' | 'endsOn', label: string)}
  <DateField {label} value={extra[field]} locale={planState.dateLocale} at={at(field)} onedit={(day) => set({ [field]: day })} />
{/snippet}

{#if extra.kind === 'sitelink'}
  {@render limited('text', 'Text', rules.sitelink.textLimit)}
  {@render address()}
  {@render limited('description1', 'First description line', rules.sitelink.descriptionLimit)}
  {@render limited('description2', 'Second description line', rules.sitelink.descriptionLimit)}
{:else if extra.kind === 'callout'}
  {@render limited('text', 'Text', rules.callout.textLimit)}
{:else if extra.kind === 'dated-offer'}
  {@render limited('text', 'What is offered', rules.datedOffer.textLimit)}
  {@render address('Page')}
  {@render date('startsOn', 'From')}
  {@render date('endsOn', 'Until')}
  {@render limited('code', 'Code, as it is typed', rules.offerCode.textLimit)}
  <MoneyField
    label="Least order"
    value={extra.leastMinor}
    ways={planState.amounts}
    placeholder="any"
    at={at('leastMinor')}
    onedit={(leastMinor, editSession) => set({ leastMinor }, editSession)}
  />
{:else if extra.kind === 'place'}
  {@render limited('text', 'Address, as it is shown', rules.nameLimit)}
{:else if extra.kind === 'business-name'}
  {@render limited('text', 'Name', rules.businessName.textLimit)}
{:else if extra.kind === 'call'}
  <TextField label="Number" value={extra.phone} at={at('phone')} onedit={(phone, editSession) => set({ phone }, editSession)} />
  <SelectField
    label="Country of the number"
    value={extra.phoneCountry}
    items={countryItems}
    onedit={(phoneCountry) => set({ phoneCountry })}
  />
  <TextField
    label="Answered"
    value={sayHours(extra.hours)}
    placeholder="at all hours"
    hint="Such as Mon–Fri 8–18, Sat 9–12."
    check={wordHoursProblem}
    commit="leave"
    at={at('hours')}
    onedit={(text) => set({ hours: readHours(text) ?? extra.hours })}
  />
{:else if extra.kind === 'listed-values'}
  {@render header(rules.listedValues.headers)}
  <div class="col-span-2 grid grid-cols-3 gap-x-4 gap-y-1.5">
    {#each extra.values as value, index (index)}
      <div class="flex gap-1">
        <div class="min-w-0 flex-1">
          <LimitedField
            label={`Value ${index + 1}`}
            {value}
            limit={rules.listedValues.textLimit}
            at={at(`value${index}`)}
            onedit={(text, editSession) => set({ values: withRow(extra.values, index, text) }, editSession)}
            onpasteentries={(texts) => set({ values: [...extra.values.slice(0, index), ...texts, ...extra.values.slice(index + 1)] })}
          />
        </div>
        <Button
          kind="quiet"
          class="mt-5"
          label={`Take out value ${index + 1}`}
          onclick={() => set({ values: withoutRow(extra.values, index) })}>×</Button
        >
      </div>
    {/each}
    {#if extra.values.length < rules.listedValues.most}<div class="pt-5">
        <Button onclick={addValue}>Add a value</Button>
      </div>{/if}
  </div>
{:else}
  {@render header(rules.priceRows.headers)}
  <div class="col-span-2 flex flex-col gap-1.5">
    {#each extra.prices as row, index (index)}
      {@const change = (fields: Partial<typeof row>, editSession?: string) =>
        set({ prices: withFields(extra.prices, index, fields) }, editSession)}
      <div class="grid grid-cols-[1fr_1fr_130px_1fr_auto] gap-x-3">
        <LimitedField
          label={`What, row ${index + 1}`}
          value={row.text}
          limit={rules.priceRows.textLimit}
          at={at(`price${index}-text`)}
          onedit={(text, editSession) => change({ text }, editSession)}
        />
        <LimitedField
          label="More about it"
          value={row.description}
          limit={rules.priceRows.textLimit}
          at={at(`price${index}-description`)}
          onedit={(description, editSession) => change({ description }, editSession)}
        />
        <MoneyField
          label="Price"
          value={row.priceMinor}
          ways={planState.amounts}
          at={at(`price${index}-price`)}
          column={`price-rows-${extra.id}`}
          onedit={(priceMinor, editSession) => change({ priceMinor }, editSession)}
          onpasteblock={(amounts) => set({ prices: fillDown(extra.prices, index, amounts, (one, priceMinor) => ({ ...one, priceMinor })) })}
        />
        <TextField
          label="Page"
          value={row.address}
          at={at(`price${index}-address`)}
          onedit={(text, editSession) => change({ address: text }, editSession)}
        />
        <Button
          kind="quiet"
          class="mt-5"
          label={`Take out price row ${index + 1}`}
          onclick={() => set({ prices: withoutRow(extra.prices, index) })}>×</Button
        >
      </div>
    {/each}
    {#if extra.prices.length < rules.priceRows.most}<div>
        <Button onclick={addPriceRow}>Add a price row</Button>
      </div>{/if}
  </div>
{/if}
