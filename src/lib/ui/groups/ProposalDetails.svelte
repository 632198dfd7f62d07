<script lang="ts">
  import { wordProposalReason } from '$lib/wording/proposals';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Input from '../parts/Input.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import type { ProposalState } from './proposal-state.svelte';

  let { proposal, onmove }: { proposal: ProposalState; onmove: (text: string) => void } = $props();

  const row = $derived(proposal.current);
  const nameOf = (groupId: string | null) =>
    groupId === null ? 'kept since' : (proposal.planState.snapshot.group.get(groupId)?.name ?? '');
  const fewShown = 40;
  let showsAll = $state(false);
  const leftOver = $derived(showsAll ? proposal.leftOver : proposal.leftOver.slice(0, fewShown));
</script>

{#if row}
  {#key row.key}
    <div class="relative">
      <Input
        class="h-[30px] pe-10 font-serif font-semibold"
        aria-label="Name of the group"
        value={row.name}
        onchange={(event) => {
          const name = event.currentTarget.value.trim();
          if (name !== '') proposal.rename(row.key, name);
        }}
      />
      <span class="absolute end-1.5 top-1.5"><KeyCap keys="F2" /></span>
    </div>
  {/key}
  <p class="py-1 text-ink-2">
    {wordProposalReason(row.reason, row.items.length)}.
    {#if row.groupId !== null}
      {@const fixed = proposal.planState.snapshot.group.get(row.groupId)?.isFixed === true}
      <Button kind="link" keys="F" onclick={() => proposal.fix(row.groupId!)}
        >{fixed ? 'It may change' : 'Leave it as it stands, always'}</Button
      >
    {/if}
  </p>
  <ul aria-label={`Keywords of ${row.name}`}>
    {#each row.items as item (item)}
      {@const text = proposal.text(item)}
      {@const isOn = row.ticked.includes(item)}
      <li
        class={`group flex items-center gap-2 border-b border-rule-soft py-0.5 ${proposal.currentText === text ? 'bg-sheet font-semibold' : ''}`}
        data-text={text}
      >
        <Checkbox label={`Take ${text}`} checked={isOn} disabled={!row.isOn} onchange={() => proposal.toggleText(text)} />
        <span class={`min-w-0 flex-1 [overflow-wrap:anywhere] ${isOn ? '' : 'text-ink-2 line-through'}`}>{text}</span>
        <Button
          kind="link"
          class="opacity-0 group-hover:opacity-100 focus:opacity-100"
          title={`Put ${text} somewhere`}
          onclick={() => onmove(text)}>to…</Button
        >
        {#if proposal.from(item) !== row.groupId || row.groupId === null}
          <span class="max-w-[40%] truncate text-ink-2" title={nameOf(proposal.from(item))}>{nameOf(proposal.from(item))}</span>
        {/if}
      </li>
    {:else}
      <li class="py-1 text-ink-2">Nothing is left in it.</li>
    {/each}
  </ul>
{/if}
{#if proposal.leftOver.length > 0}
  <p class="pt-3 pb-1">
    <span class="font-semibold">Left over</span> <span class="font-mono text-[12px] font-semibold">{proposal.leftOver.length}</span>
    <span class="text-ink-2">words that too few share; they stay kept</span>
  </p>
  <ul aria-label="Left over">
    {#each leftOver as { text, second } (text)}
      <li
        class={`flex items-center gap-2 border-b border-rule-soft py-0.5 ${proposal.currentText === text ? 'bg-sheet font-semibold' : ''}`}
        data-text={text}
      >
        <span class="min-w-0 flex-1 [overflow-wrap:anywhere]">{text}</span>
        {#if second}<Button kind="link" title={`Put ${text} into ${second.name}`} onclick={() => proposal.move([text], second.key)}
            >{second.name}?</Button
          >{/if}
        <Button kind="link" title={`Put ${text} somewhere`} onclick={() => onmove(text)}>to…</Button>
      </li>
    {/each}
  </ul>
  {#if proposal.leftOver.length > leftOver.length}
    <Button kind="link" onclick={() => (showsAll = true)}>{proposal.leftOver.length - leftOver.length} more</Button>
  {/if}
  {#if proposal.leftOver.some(({ second }) => second)}
    <p class="pt-1 text-ink-2"><KeyCap keys="Enter" /> takes the second best of the one at hand.</p>
  {/if}
{:else if proposal.proposal}
  <p class="pt-3 text-ink-2">{countOf(0, 'keyword')} left over.</p>
{/if}
