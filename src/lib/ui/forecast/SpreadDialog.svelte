<script lang="ts">
  import type { Spread } from '$lib/core/forecast/spread';
  import { writeTypedAmount } from '$lib/core/money/typed-amount';
  import { formatMoney } from '$lib/core/money/money';
  import { wordMoneySpan, wordRange } from '$lib/wording/figures';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import Table from '../parts/Table.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { ForecastPage } from './forecast-page.svelte';

  /** Bids and money as they would bring most, beside today's, before they are set. */
  let { page, open = $bindable() }: { page: ForecastPage; open: boolean } = $props();

  const shell = getShell();
  const { planState, noun } = $derived(page);
  const { currency, amounts } = $derived(planState);
  let spread = $state.raw<Spread | null | undefined>(undefined);
  $effect(() => {
    void planState.forecast.version;
    let isGone = false;
    void planState.forecast.ask('spread', {}).then((answer) => {
      if (!isGone) spread = answer;
    });
    return () => (isGone = true);
  });
  const money = (minor: number | null) => (minor === null ? '–' : formatMoney(minor, currency, { whole: true }));
  const bid = (minor: number | null) => (minor === null ? 'differ' : writeTypedAmount(minor, amounts));

  function take() {
    if (!spread || !page.make(spread.change)) return;
    open = false;
    shell.announce('Bids and money are spread by what they bring. Ctrl Z takes it back.');
  }
</script>

<Dialog bind:open title="Spread by what it brings" wide>
  {#if spread === undefined}
    <p class="text-ink-2">Looking for the bids that bring most …</p>
  {:else if spread === null}
    <p>Bids by hand, money and figures of the keywords are needed to spread anything.</p>
  {:else}
    <p class="text-ink-2">
      One bid a group, and for each campaign the money that these bids ask for; what is left over is shared alike. Keywords’ own bids go.
    </p>
    <Table
      caption="The plan now and then"
      heads={[
        { name: 'A month' },
        { name: 'Clicks', isFigure: true },
        { name: noun, isFigure: true },
        { name: 'Spend', isFigure: true },
        { name: 'Profit', isFigure: true },
      ]}
    >
      {#each [['now', spread.now, spread.nowProfitMinor], ['then', spread.then, spread.thenProfitMinor]] as const as [name, total, profit] (name)}
        <tr class="border-t border-rule-soft">
          <th scope="row" class="py-0.5 text-start font-normal">{name}</th>
          <td class="text-end font-mono text-[12.5px]">{wordRange(total.clicks)}</td>
          <td class="text-end font-mono text-[12.5px]">{total.conversions ? wordRange(total.conversions) : '–'}</td>
          <td class="text-end font-mono text-[12.5px]">{wordMoneySpan(total.costMinor, currency)}</td>
          <td class="text-end font-mono text-[12.5px]">{profit ? wordMoneySpan(profit, currency) : '–'}</td>
        </tr>
      {/each}
    </Table>
    <ScrollArea label="Bids and money" class="max-h-72 border-y border-rule">
      <Table sticky="sheet" heads={[{ name: 'Campaign or group' }, { name: 'Now', isFigure: true }, { name: 'Then', isFigure: true }]}>
        {#each spread.campaigns as campaign (campaign.id)}
          <tr class="border-t border-rule font-semibold">
            <td class="py-0.5">{campaign.name}, money</td>
            <td class="text-end font-mono text-[12.5px]">{money(campaign.nowMinor)}</td>
            <td class="text-end font-mono text-[12.5px]">{money(campaign.moneyMinor)}</td>
          </tr>
          {#each spread.groups.filter(({ campaignId }) => campaignId === campaign.id) as group (group.id)}
            <tr class="border-t border-rule-soft">
              <td class="py-0.5 ps-4">{group.name}</td>
              <td class="text-end font-mono text-[12.5px]">{bid(group.nowMinor)}</td>
              <td class={`text-end font-mono text-[12.5px] ${group.bidMinor === group.nowMinor ? 'text-ink-2' : ''}`}
                >{bid(group.bidMinor)}</td
              >
            </tr>
          {/each}
        {/each}
      </Table>
    </ScrollArea>
  {/if}
  {#snippet footer()}
    {#if spread?.change}<Button kind="act" onclick={take}>Set these bids and this money</Button>{/if}
    <Button onclick={() => (open = false)}>Close</Button>
  {/snippet}
</Dialog>
