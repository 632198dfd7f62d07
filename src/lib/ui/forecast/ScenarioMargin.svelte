<script lang="ts">
  import { mostScenarios } from '$lib/core/records/scenario';
  import { takeOver } from '$lib/core/forecast/plan-changes';
  import type { ScenarioEstimate } from '$lib/core/forecast/scenarios';
  import { inOrder } from '$lib/core/store/snapshot';
  import { wordMoneyRange, wordRange } from '$lib/wording/figures';
  import { first } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Table from '../parts/Table.svelte';
  import TakeOut from '../parts/TakeOut.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { ForecastPage } from './forecast-page.svelte';

  /** Scenarios beside the plan, row by row; one is taken over in one step. */
  let { page, onnew }: { page: ForecastPage; onnew: () => void } = $props();

  const shell = getShell();
  const { planState, noun } = $derived(page);
  const { currency } = $derived(planState);
  const scenarios = $derived(inOrder(planState.snapshot.scenario));
  const now = $derived(planState.forecast.summary?.plan ?? null);
  const cells = (one: Pick<ScenarioEstimate, 'total' | 'profitMinor'> | null | undefined) => [
    one ? wordRange(one.total.conversions ?? one.total.clicks) : '–',
    one?.profitMinor ? wordMoneyRange(one.profitMinor, currency) : '–',
  ];
  const counts = $derived(now?.total.conversions !== null);

  function take(id: string, name: string) {
    const scenario = planState.snapshot.scenario.get(id);
    if (scenario && page.make(takeOver(planState.plan, scenario))) shell.announce(`The plan is as in “${name}”. Ctrl Z takes it back.`);
  }
</script>

<section aria-label="Beside the plan">
  <h2 class="pb-0.5"><span class="font-semibold">Beside the plan</span> <span class="text-ink-2">what if</span></h2>
  <Table
    caption="Scenarios beside the plan"
    heads={[
      { name: 'Scenario' },
      { name: counts ? first(noun) : 'Clicks', isFigure: true },
      { name: `Profit, ${currency}`, isFigure: true },
      { name: 'Take out', isHidden: true, room: 'w-4' },
    ]}
  >
    <tr class="border-t border-rule-soft font-semibold">
      <td class="py-0.5">As it stands</td>
      {#each cells(now) as cell, at (at)}<td class="text-end font-mono text-[12px] whitespace-nowrap">{cell}</td>{/each}
      <td></td>
    </tr>
    {#each scenarios as scenario (scenario.id)}
      {@const estimate = page.scenarios.get(scenario.id)}
      <tr class="border-t border-rule-soft">
        <td class="py-0.5 [overflow-wrap:anywhere]">
          {#if estimate && !estimate.isSame}<Button
              kind="link"
              title={`Make the plan so: ${scenario.name}`}
              class="text-start whitespace-normal"
              onclick={() => take(scenario.id, scenario.name)}>{scenario.name}</Button
            >{:else}<span class="text-ink-2" title="The plan is so already, or cannot be">{scenario.name}</span>{/if}
        </td>
        {#each cells(estimate) as cell, at (at)}<td class="text-end font-mono text-[12px] whitespace-nowrap">{cell}</td>{/each}
        <td class="text-end"
          ><TakeOut
            label={`Take ${scenario.name} out`}
            onclick={() => planState.make({ type: 'remove', record: 'scenario', ids: [scenario.id] })}
          /></td
        >
      </tr>
    {/each}
  </Table>
  <p class="pt-1 text-ink-2">
    {#if scenarios.length < mostScenarios}<Button kind="link" keys="W" onclick={onnew}>Set one more beside it</Button>{:else}{mostScenarios} stand
      beside it, the most there are.{/if}
    {#if scenarios.length > 0}A name takes it over.{/if}
  </p>
</section>
