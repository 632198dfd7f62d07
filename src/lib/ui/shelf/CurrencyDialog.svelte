<script lang="ts">
  import Select from '../parts/Select.svelte';
  import Radio from '../parts/Radio.svelte';
  import { convertAmount } from '$lib/core/money/convert-amounts';
  import { amount } from '$lib/core/money/currency-amount';
  import { formatMoney, minorDigits } from '$lib/core/money/money';
  import type { Account } from '$lib/core/records/account';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import TextField from '../parts/TextField.svelte';
  import { askServer } from '../state/ask-server';
  import { getWorkspace } from '../state/workspace.svelte';
  import { currencyItems } from './currencies';
  import Notice from '../parts/Notice.svelte';

  let { account, open = $bindable() }: { account: Account; open: boolean } = $props();

  const workspace = getWorkspace();
  let currency = $state('');
  let what = $state<'convert' | 'keep' | ''>('');
  let rate = $state('');
  let failure = $state('');
  const plans = $derived([...workspace.snapshot.plan.values()].filter(({ accountId }) => accountId === account.id).length);
  const number = $derived(Number(rate.trim().replace(',', '.')));
  const isRate = $derived(rate.trim() !== '' && Number.isFinite(number) && number > 0);
  const isReady = $derived(currency !== '' && currency !== account.currency && (what === 'keep' || (what === 'convert' && isRate)));
  /** A hundred of the account's units. */
  const hundred = $derived(100 * 10 ** minorDigits(account.currency));
  const example = $derived(
    isRate && currency !== ''
      ? convertAmount(amount(hundred, account.currency), { rate: number, from: account.currency, to: currency })
      : null,
  );
  const id = $props.id();

  async function change() {
    try {
      await workspace.flush();
      await askServer(`/api/accounts/${account.id}/currency`, { currency, rate: what === 'convert' ? number : null });
      await workspace.refresh();
      open = false;
    } catch (error) {
      failure = error instanceof Error ? error.message : '';
    }
  }
</script>

<Dialog bind:open title={`Another currency than ${account.currency}`}>
  <label class="flex flex-col gap-1"
    ><span class="text-ink-2">The account’s currency</span>
    <Select class="h-[30px]" bind:value={currency}>
      <option value="">{account.currency}, as it is</option>
      {#each currencyItems as item (item.value)}{#if item.value !== account.currency}<option value={item.value}>{item.name}</option
          >{/if}{/each}
    </Select></label
  >
  <fieldset class="flex flex-col gap-1.5">
    <legend class="pb-1">What becomes of the amounts in {countOf(plans, 'plan')} of this account?</legend>
    <Radio name={id} value="convert" bind:group={what}>convert them, at a rate of your own</Radio>
    {#if what === 'convert'}
      <div class="flex items-end gap-3 ps-6">
        <TextField
          label={`1 ${account.currency} in ${currency || 'it'}`}
          class="w-32"
          value={rate}
          mono
          check={(text) => (Number(text.replace(',', '.')) > 0 ? null : 'A rate above 0.')}
          onedit={(text) => void (rate = text)}
        />
        {#if example !== null}<p class="pb-1.5 text-ink-2">
            {formatMoney(hundred, account.currency)} becomes {formatMoney(example.minor, example.currency)}
          </p>{/if}
      </div>
    {/if}
    <Radio name={id} value="keep" bind:group={what}>keep the figures: 100 stays 100</Radio>
  </fieldset>
  <p class="text-ink-2">
    Lines that state a price stay as written. Steps from before cannot be undone across it, as their amounts are of {account.currency}.
  </p>
  {#if failure}<Notice>{failure}</Notice>{/if}
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={!isReady} onclick={() => void change()}>Change the currency</Button>
  {/snippet}
</Dialog>
