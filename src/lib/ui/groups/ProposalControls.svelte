<script lang="ts">
  import { proposalWays } from '$lib/core/groups/proposal-types';
  import { wayWords } from '$lib/wording/proposals';
  import Checkbox from '../parts/Checkbox.svelte';
  import ChipList from '../parts/ChipList.svelte';
  import Input from '../parts/Input.svelte';
  import Tabs from '../parts/Tabs.svelte';
  import type { ProposalState } from './proposal-state.svelte';

  let { proposal }: { proposal: ProposalState } = $props();

  const groupCount = $derived(proposal.rows.filter(({ status }) => status !== 'gone').length);
  const hasStanding = $derived((proposal.list?.groups.length ?? 0) > 0);
  const size = (typed: string) => (/^\d+$/.test(typed.trim()) && Number(typed) > 0 ? Math.min(1000, Number(typed)) : null);
  const ways = proposalWays.map((id) => ({ id, name: wayWords[id] }));
</script>

<div class="flex flex-col gap-1.5 border-b border-rule px-[22px] py-2">
  <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
    <span class="text-ink-2">Your own theme words</span>
    <ChipList
      label="Your own theme words"
      splitsAt="commas"
      items={proposal.given.map((text) => ({ id: text, text }))}
      onadd={(texts) => void (proposal.given = [...proposal.given, ...texts.map((text) => text.toLowerCase())])}
      onremove={(id) => void (proposal.given = proposal.given.filter((text) => text !== id))}
    />
    {#if proposal.given.length > 1}<span class="text-ink-2">they count first, the longest before others</span>{/if}
    {#if hasStanding}
      <Checkbox
        class="ms-auto flex items-center gap-2"
        checked={proposal.recuts}
        onchange={(event) => void (proposal.recuts = event.currentTarget.checked)}>groups that stand may change</Checkbox
      >
    {/if}
  </div>
  <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
    <Tabs label="Groups are made" kind="box" tabs={ways} value={proposal.way} onpick={(way) => void (proposal.way = way)} />
    {#if proposal.way === 'theme'}
      <label class="flex items-center gap-2 text-ink-2"
        >few <input
          type="range"
          min="0.05"
          max="0.95"
          step="0.05"
          class="w-28 accent-act"
          aria-label="Few to many groups"
          aria-valuetext={`${groupCount} groups`}
          bind:value={proposal.many}
        />
        many <span class="w-[70px] font-mono text-[12px] text-ink" role="status">{groupCount} groups</span></label
      >
    {/if}
    <span class="ms-auto flex items-center gap-2 whitespace-nowrap text-ink-2">
      <label class="flex items-center gap-1.5"
        >smallest <Input
          class="h-[28px] w-12! text-end font-mono"
          inputmode="numeric"
          value={proposal.least ?? ''}
          onchange={(event) => void (proposal.least = size(event.currentTarget.value))}
        /></label
      >
      <label class="flex items-center gap-1.5"
        >largest <Input
          class="h-[28px] w-12! text-end font-mono"
          inputmode="numeric"
          value={proposal.largest ?? ''}
          onchange={(event) => void (proposal.largest = size(event.currentTarget.value))}
        /></label
      >
    </span>
  </div>
</div>
