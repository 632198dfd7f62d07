<script lang="ts">
  import { untrack } from 'svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import { formatMoney } from '$lib/core/money/money';
  import { checkPage, proposeFacts } from '$lib/core/pages/propose-facts';
  import type { FactProposal, ReadPage } from '$lib/core/pages/page-text';
  import type { FoundPlace } from '$lib/core/places/found-place';
  import { childrenOf, inOrder, nextPosition } from '$lib/core/store/snapshot';
  import type { SimpleChange } from '$lib/core/store/changes';
  import { pageNotes } from '$lib/wording/reach';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import TextField from '../parts/TextField.svelte';
  import { placeRow } from '../places/place-row';
  import { askServer } from '../state/ask-server';
  import { newId } from '../state/synced-store.svelte';
  import Notice from '../parts/Notice.svelte';

  let { planState, open = $bindable() }: { planState: PlanState; open: boolean } = $props();

  let address = $state(untrack(() => planState.plan.brief.landingPage || planState.plan.client.site));
  let page = $state.raw<ReadPage | null>(null);
  let asked = $state('');
  let failure = $state('');
  let isReading = $state(false);
  let left = $state.raw<ReadonlySet<string>>(new Set());
  const kinds: Record<FactProposal['kind'], string> = { offer: 'offer', fact: 'fact', place: 'place', 'not-offered': 'not offered' };
  const keyOf = ({ kind, text }: FactProposal) => `${kind} ${text.toLowerCase()}`;
  const existing = $derived(
    new Set([
      ...inOrder(planState.snapshot.offer).map(({ name }) => `offer ${name.toLowerCase()}`),
      ...inOrder(planState.snapshot.briefItem).map(({ kind, text }) => `${kind} ${text.toLowerCase()}`),
      ...childrenOf(planState.snapshot.place, 'campaignId', null).map(({ name }) => `place ${name.toLowerCase()}`),
    ]),
  );
  const proposals = $derived(page ? proposeFacts(page, planState.currency) : []);
  const fresh = $derived(proposals.filter((proposal) => !existing.has(keyOf(proposal))));
  const taken = $derived(fresh.filter((proposal) => !left.has(keyOf(proposal))));
  /** Prices and offers that lines state, as they are read. */
  const stated = $derived.by(() => {
    const lines = inOrder(planState.snapshot.adLine).map(({ text }) => text);
    const offers = inOrder(planState.snapshot.offer);
    const label = (text: string) => lines.some((line) => line.includes(text));
    return {
      prices: offers.flatMap(({ priceMinor }) => {
        const text = priceMinor === null ? '' : formatMoney(priceMinor, planState.currency, { whole: true });
        return text !== '' && label(text) ? [text] : [];
      }),
      offers: offers.flatMap(({ name }) => (name !== '' && label(name) ? [name] : [])),
    };
  });
  const notes = $derived(page ? checkPage(page, asked, stated) : []);

  async function read() {
    isReading = true;
    failure = '';
    try {
      asked = /^https?:/i.test(address.trim()) ? address.trim() : `https://${address.trim()}`;
      page = await askServer<ReadPage>('/api/pages', { address });
      left = new Set();
    } catch (error) {
      page = null;
      failure = error instanceof Error ? error.message : '';
    }
    isReading = false;
  }

  function toggle(key: string) {
    const next = new Set(left);
    if (!next.delete(key)) next.add(key);
    left = next;
  }

  async function take() {
    const changes: SimpleChange[] = [];
    const offers = taken.filter(({ kind }) => kind === 'offer');
    const firstOffer = nextPosition(planState.snapshot.offer.values());
    if (offers.length > 0)
      changes.push({
        type: 'add',
        record: 'offer',
        rows: offers.map(({ text, priceMinor }, index) => ({
          id: newId(),
          name: text,
          priceMinor,
          endsOn: null,
          position: firstOffer + index,
        })),
      });
    const stands = new Set([...planState.snapshot.briefItem.values()].map(({ kind, text }) => `${kind} ${text}`));
    const items = taken.filter(
      ({ kind, text }) => (kind === 'fact' || kind === 'not-offered') && !stands.has(`${kind} ${text}`) && stands.add(`${kind} ${text}`),
    );
    const firstItem = nextPosition(planState.snapshot.briefItem.values());
    if (items.length > 0)
      changes.push({
        type: 'add',
        record: 'briefItem',
        rows: items.map(({ kind, text }, index) => ({ id: newId(), kind, text, position: firstItem + index })),
      });
    const names = taken.filter(({ kind }) => kind === 'place').map(({ text }) => text);
    if (names.length > 0) {
      const own = childrenOf(planState.snapshot.place, 'campaignId', null);
      const near = inOrder(planState.snapshot.place)[0]?.country ?? '';
      const { lines } = await askServer<{ lines: { found: FoundPlace[] }[] }>('/api/places/match', {
        text: names.join('\n'),
        near,
        zone: planState.plan.account.timeZone,
      });
      const found = lines.flatMap((line) => line.found[0] ?? []);
      const rows = found.map((place, index) => placeRow(place, { campaignId: null, position: nextPosition(own) + index }));
      if (rows.length > 0) changes.push({ type: 'add', record: 'place', rows });
    }
    if (changes.length > 0) planState.make({ type: 'several', name: 'page-read', changes });
    open = false;
  }
</script>

<Dialog bind:open title="Read a page" wide>
  <form
    class="flex items-end gap-2"
    onsubmit={(event) => {
      event.preventDefault();
      void read();
    }}
  >
    <TextField label="Address of the page" class="flex-1" value={address} onedit={(text) => void (address = text)} />
    <Button kind={page ? 'plain' : 'act'} disabled={isReading} onclick={() => void read()}>{isReading ? 'Reading…' : 'Read it'}</Button>
  </form>
  <p class="text-ink-2">
    Addresses that end in .example are read from the practice site; any other one from the web: public http and https pages only, 2 MB and
    10 seconds at most, robots respected.
  </p>
  {#if failure}<Notice>{failure}</Notice>{/if}
  {#if page}
    {#if notes.length > 0}
      <ul class="border-s-3 border-ochre ps-2.5" aria-label="About the page">
        {#each notes as note (`${note.code} ${note.text}`)}<li>{pageNotes[note.code](note.text)}</li>{/each}
      </ul>
    {/if}
    {#if fresh.length === 0}
      <p>{proposals.length === 0 ? 'Nothing on it that the brief could take.' : 'All that it proposes stands in the brief already.'}</p>
    {:else}
      <ul class="max-h-80 overflow-y-auto" aria-label="Proposed for the brief">
        {#each fresh as proposal (keyOf(proposal))}
          <li class="grid grid-cols-[24px_90px_minmax(0,1fr)_110px] items-baseline border-b border-rule-soft py-1">
            <Checkbox checked={!left.has(keyOf(proposal))} label={`Take ${proposal.text}`} onchange={() => toggle(keyOf(proposal))} />
            <span class="text-ink-2">{kinds[proposal.kind]}</span>
            <span
              >{proposal.text}{#if proposal.priceMinor !== null}<span class="ms-2 font-mono text-[12.5px]"
                  >{formatMoney(proposal.priceMinor, planState.currency)}</span
                >{/if}</span
            >
            <span class="text-end text-ink-2">{proposal.where}</span>
          </li>
        {/each}
      </ul>
    {/if}
  {/if}
  {#snippet footer()}
    {#if page}<Button kind="act" disabled={taken.length === 0} onclick={() => void take()}>Take {countOf(taken.length, 'thing')}</Button
      >{/if}
  {/snippet}
</Dialog>
