<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { blank } from '$lib/core/records/record-types';
  import { inOrder, nextPosition } from '$lib/core/store/snapshot';
  import type { Offer } from '$lib/core/records/offer';
  import { findStating, type StatedValue, type StatingLine } from '$lib/core/plan/stated-facts';
  import Button from '../parts/Button.svelte';
  import StatedNotice from './StatedNotice.svelte';
  import DateField from '../parts/DateField.svelte';
  import MoneyField from '../parts/MoneyField.svelte';
  import TextField from '../parts/TextField.svelte';
  import { enterNew, fieldAt } from '../shell/enter-new';
  import { newId } from '../state/synced-store.svelte';

  let { planState }: { planState: PlanState } = $props();

  const offers = $derived(inOrder(planState.snapshot.offer));
  /** What an offer said when the hand came to it, and the lines that go on saying it. */
  let remembered: Offer | null = null;
  let stating = $state.raw<{ id: string; lines: StatingLine[] } | null>(null);

  /** On leaving an offer whose price, end or name has changed, looks for lines that state the old one. */
  function left(id: string) {
    const [before, after] = [remembered, planState.snapshot.offer.get(id)];
    remembered = null;
    if (!before || !after || before.id !== after.id) return;
    const lines: StatingLine[] = [];
    const look = (from: StatedValue | null, to: StatedValue | null) => {
      if (from && to) lines.push(...findStating(planState.plan, from, to));
    };
    const priced = ({ priceMinor }: Offer): StatedValue | null => (priceMinor === null ? null : { kind: 'price', minor: priceMinor });
    const dated = ({ endsOn }: Offer): StatedValue | null => (endsOn === null ? null : { kind: 'date', date: endsOn });
    if (before.priceMinor !== after.priceMinor) look(priced(before), priced(after));
    if (before.endsOn !== after.endsOn) look(dated(before), dated(after));
    if (before.name !== after.name && before.name.trim() !== '' && after.name.trim() !== '')
      look({ kind: 'text', text: before.name }, { kind: 'text', text: after.name });
    stating = lines.length > 0 ? { id, lines: [...new Map(lines.map((line) => [line.id, line])).values()] } : null;
  }
  function pastePrices(id: string, amounts: readonly (number | null)[]) {
    const from = offers.findIndex((offer) => offer.id === id);
    const rows = offers.slice(from, from + amounts.length).map((offer, index) => ({ id: offer.id, priceMinor: amounts[index] ?? null }));
    planState.make({ type: 'set-each', record: 'offer', rows });
  }
  function add() {
    const id = newId();
    planState.add('offer', blank('offer', { id, position: nextPosition(offers) }));
    enterNew(fieldAt(`${id}:name`));
  }
</script>

<section aria-label="Offers" class="border-b border-rule py-2.5">
  <h2 class="pb-1">
    <span class="font-semibold">Offers</span>
    <span class="text-ink-2">fill [[offer]] and [[price]]</span>
  </h2>
  {#each offers as offer (offer.id)}
    <div
      class="grid grid-cols-[minmax(0,1fr)_132px_auto] items-start gap-2 py-1"
      onfocusin={() => (remembered ??= planState.snapshot.offer.get(offer.id) ?? null)}
      onfocusout={(event) => {
        if (!(event.currentTarget as Element).contains(event.relatedTarget as Node | null)) left(offer.id);
      }}
    >
      <TextField
        label="Offer"
        hideLabel
        class="col-span-3"
        value={offer.name}
        placeholder="what it is called"
        at={`${offer.id}:name`}
        onedit={(name, editSession) => void planState.set('offer', offer.id, { name }, editSession)}
      />
      <DateField
        label={`Until, ${offer.name}`}
        hideLabel
        value={offer.endsOn}
        locale={planState.dateLocale}
        at={`${offer.id}:endsOn`}
        onedit={(endsOn) => void planState.set('offer', offer.id, { endsOn })}
      />
      <MoneyField
        label={`Price, ${offer.name}`}
        hideLabel
        value={offer.priceMinor}
        ways={planState.amounts}
        placeholder="price"
        at={`${offer.id}:priceMinor`}
        column="offer-price"
        onedit={(priceMinor, editSession) => void planState.set('offer', offer.id, { priceMinor }, editSession)}
        onpasteblock={(amounts) => pastePrices(offer.id, amounts)}
      />
      <Button
        kind="quiet"
        label={`Take out the offer ${offer.name}`}
        onclick={() => void planState.make({ type: 'remove', record: 'offer', ids: [offer.id] })}>×</Button
      >
      {#if stating?.id === offer.id}{#key stating}<StatedNotice
            {planState}
            lines={stating.lines}
            onleave={() => (stating = null)}
          />{/key}{/if}
    </div>
  {:else}<p class="text-ink-2">None yet.</p>{/each}
  <Button kind="quiet" onclick={add}>+ Add an offer</Button>
</section>
