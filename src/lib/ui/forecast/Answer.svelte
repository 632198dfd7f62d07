<script lang="ts">
  import type { Help } from '$lib/core/forecast/what-helps';
  import { limits } from '$lib/core/forecast/estimate';
  import { wordGain, wordHelp, wordVerdict } from '$lib/wording/forecast';
  import { wordLimit } from '$lib/wording/reach';
  import Button from '../parts/Button.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { ForecastPage } from './forecast-page.svelte';

  /** Whether the plan pays, what limits it most, and what would help most. */
  let { page }: { page: ForecastPage } = $props();

  const shell = getShell();
  const { planState, noun } = $derived(page);
  const mostHelps = 3;
  const said = $derived(page.curve?.said ?? null);
  const verdict = $derived(page.curve && said ? wordVerdict(said, page.curve.worth, { noun, currency: planState.currency }) : null);
  /** What comes next where several limit. */
  const next = $derived.by(() => {
    if (!said || said.limit.name === 'demand') return '';
    const others = limits
      .filter((name) => name !== said.limit.name && said.shares[name] < 0.9)
      .sort((a, b) => said.shares[a] - said.shares[b]);
    return others.length === 0
      ? ''
      : ` Next: ${others.map((name) => `${name === 'audience' ? 'aiming' : name} ${Math.round(said.shares[name] * 100)} %`).join(', ')}.`;
  });

  async function make(help: Help) {
    if (await page.apply(help)) shell.announce(`${wordHelp(help, planState.currency)[0]} is set. Ctrl Z takes it back.`);
  }
</script>

<section aria-label="Does this plan pay?" class="border-b border-rule px-[22px] py-2.5">
  {#if verdict}
    <h2 class="font-serif text-[17px] leading-6">
      <span class={`font-medium ${verdict.tone === 'yes' ? 'text-act' : verdict.tone === 'no' ? 'text-madder' : 'text-ochre'}`}
        >{verdict.answer}</span
      >
      {verdict.reason}
    </h2>
  {:else}
    <h2 class="font-serif text-[17px] leading-6">Does this plan pay?</h2>
  {/if}
  {#if said && said.total.clicksAsked[2] > 0}
    <div class="grid grid-cols-[minmax(0,14rem)_minmax(0,1fr)] gap-x-6 pt-1.5">
      <p><span class="font-semibold">{wordLimit(said.limit)}</span><span class="text-ink-2">{next}</span></p>
      <ul class="flex flex-col gap-1" aria-label="What would help">
        {#each (page.helps ?? []).slice(0, mostHelps) as help, at (help.kind)}
          {@const [name, act] = wordHelp(help, planState.currency)}
          <li class="flex items-baseline gap-3">
            <span class="w-26 shrink-0 font-semibold">{name}</span>
            <span class="min-w-0 flex-1 text-ink-2"
              >{at === 0 ? 'helps most: ' : ''}{wordGain(help.gain, { noun, currency: planState.currency })}</span
            >
            <Button kind={at === 0 ? 'act' : 'plain'} class="py-0" onclick={() => void make(help)}>{act}</Button>
          </li>
        {:else}<li class="text-ink-2">
            {page.helps ? 'No change of money, bids, hours or keywords would bring more.' : 'Reckoning what would help …'}
          </li>{/each}
      </ul>
    </div>
  {/if}
</section>
