<script lang="ts">
  import { putBack } from '$lib/core/forecast/plan-changes';
  import { conversionNoun } from '$lib/core/forecast/worth';
  import type { Group } from '$lib/core/records/group';
  import { childrenOf } from '$lib/core/store/snapshot';
  import { wordMoneySpan, wordRange } from '$lib/wording/figures';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import DateField from '../parts/DateField.svelte';
  import MoneyField from '../parts/MoneyField.svelte';
  import TextField from '../parts/TextField.svelte';
  import { newId } from '../state/synced-store.svelte';
  import type { PlanState } from '../state/plan-state.svelte';

  /** What a group brings at its bids, whether it is on trial, and its keywords that are parked. */
  let { planState, group }: { planState: PlanState; group: Group } = $props();

  $effect(() => planState.forecast.watch());
  const total = $derived(planState.forecast.summary?.groups.get(group.id) ?? null);
  const noun = $derived(conversionNoun(planState.plan));
  const parked = $derived(childrenOf(planState.snapshot.parkedKeyword, 'groupId', group.id));
  const set = (fields: Partial<Group>, editSession?: string) => void planState.set('group', group.id, fields, editSession);
  const trialDays = 30;

  /** A month from the campaign's start, or from today. */
  function tryOut() {
    const startsOn = planState.snapshot.campaign.get(group.campaignId)?.startsOn ?? planState.today;
    const until = new Date(`${startsOn > planState.today ? startsOn : planState.today}T12:00:00Z`);
    until.setUTCDate(until.getUTCDate() + trialDays);
    set({ trialUntil: until.toISOString().slice(0, 10) });
  }
  function back(ids: readonly string[]) {
    const change = putBack(planState.plan, ids, newId);
    if (change) planState.make(change);
  }
</script>

<section aria-label="What the group brings" class="flex flex-col gap-1.5">
  {#if total && total.clicksAsked[2] > 0}
    <p>
      At these bids <b class="font-semibold">{wordRange(total.clicks)}</b> clicks a month for {wordMoneySpan(
        total.costMinor,
        planState.currency,
      )}{total.conversions ? `, ${wordRange(total.conversions)} ${noun}` : ''}.
      <a class="text-act underline" href={`/plans/${planState.planId}/forecast?scope=group&id=${group.id}`}>What other bids buy</a>
    </p>
  {:else if total}
    <p class="text-ink-2">Nothing is known yet of what it brings.</p>
  {/if}
  {#if group.trialUntil === null}
    <p><Button kind="link" onclick={tryOut}>Put it on trial</Button> <span class="text-ink-2">too thin to learn from, on purpose</span></p>
  {:else}
    <div class="grid grid-cols-2 gap-2">
      <DateField
        label="On trial until"
        value={group.trialUntil}
        locale={planState.dateLocale}
        at={`${group.id}:trialUntil`}
        onedit={(trialUntil) => set(trialUntil === null ? { trialUntil, trialDecides: '', trialMostMinor: null } : { trialUntil })}
      />
      <MoneyField
        label="A month at most"
        value={group.trialMostMinor}
        ways={planState.amounts}
        placeholder="none"
        at={`${group.id}:trialMostMinor`}
        onedit={(trialMostMinor, editSession) => set({ trialMostMinor }, editSession)}
      />
    </div>
    <TextField
      label="What decides then"
      value={group.trialDecides}
      placeholder="one enquiry below what it may cost"
      at={`${group.id}:trialDecides`}
      onedit={(trialDecides, editSession) => set({ trialDecides }, editSession)}
    />
  {/if}
  {#if parked.length > 0}
    <details>
      <summary class="cursor-pointer font-semibold">{countOf(parked.length, 'parked keyword')}</summary>
      <ul class="pt-1">
        {#each parked as keyword (keyword.id)}
          <li class="flex gap-2">
            <span class="min-w-0 flex-1 truncate text-ink-2" title={keyword.text}>{keyword.text}</span><Button
              kind="link"
              label={`Put ${keyword.text} back`}
              onclick={() => back([keyword.id])}>back</Button
            >
          </li>
        {/each}
      </ul>
      {#if parked.length > 1}<Button kind="link" onclick={() => back(parked.map(({ id }) => id))}>Put all back</Button>{/if}
    </details>
  {/if}
</section>
