<script lang="ts">
  import { inOrder, nextPosition } from '$lib/core/plan/book';
  import Button from '../parts/Button.svelte';
  import MoneyField from '../parts/MoneyField.svelte';
  import TextField from '../parts/TextField.svelte';
  import { getDesk } from '../state/plan-desk.svelte';
  import { newId } from '../state/stream.svelte';

  const desk = getDesk();
  const offers = $derived(inOrder(desk.book.offer));
  const add = () =>
    void desk.add('offer', {
      id: newId(),
      name: '',
      priceMinor: null,
      endsOn: null,
      position: nextPosition(offers),
    });
</script>

<section aria-label="Offers" class="border-b border-rule py-2.5">
  <h2 class="pb-1">
    <span class="font-semibold">Offers</span>
    <span class="text-ink-2">fill [[offer]] and [[price]]</span>
  </h2>
  {#each offers as offer (offer.id)}
    <div class="grid grid-cols-[minmax(0,1fr)_132px_auto] items-start gap-2 py-1">
      <TextField
        label="Offer"
        hideLabel
        class="col-span-3"
        value={offer.name}
        placeholder="what it is called"
        at={`${offer.id}:name`}
        onedit={(name, sitting) => void desk.set('offer', offer.id, { name }, sitting)}
      />
      <TextField
        label={`Until, ${offer.name}`}
        hideLabel
        type="date"
        value={offer.endsOn ?? ''}
        at={`${offer.id}:endsOn`}
        onedit={(text) => void desk.set('offer', offer.id, { endsOn: text === '' ? null : text })}
      />
      <MoneyField
        label={`Price, ${offer.name}`}
        hideLabel
        value={offer.priceMinor}
        currency={desk.currency}
        placeholder="price"
        at={`${offer.id}:priceMinor`}
        onedit={(priceMinor, sitting) => void desk.set('offer', offer.id, { priceMinor }, sitting)}
      />
      <Button
        kind="quiet"
        label={`Take out the offer ${offer.name}`}
        onclick={() => void desk.make({ type: 'remove', record: 'offer', ids: [offer.id] })}>×</Button
      >
    </div>
  {:else}<p class="text-ink-2">None yet.</p>{/each}
  <Button kind="quiet" onclick={add}>+ Add an offer</Button>
</section>
