<script lang="ts">
  import { onMount, tick } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import { inOrder } from '$lib/core/store/snapshot';
  import { originWords, pageSourceWords } from '$lib/wording/pages';
  import { wordDate } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import EmptyState from '../parts/EmptyState.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import { asCommand, isPressable } from '../shell/keys';
  import { getShell } from '../shell/shell.svelte';
  import LeftOut from './LeftOut.svelte';
  import PageRows from './PageRows.svelte';
  import type { PagesState } from './pages-state.svelte';
  import RuleRow from './RuleRow.svelte';

  interface Props {
    state: PagesState;
    onread: () => void;
    onpropose: () => void;
  }

  let { state: pages, onread, onpropose }: Props = $props();

  const shell = getShell();
  const { counts } = $derived(pages);
  const count = (number: number) => number.toLocaleString('en-GB');
  const last = $derived(inOrder(pages.planState.snapshot.sitePage).at(0));
  const gone = $derived([...pages.planState.snapshot.sitePage.values()].filter(({ change }) => change === 'gone').length);
  const elsewhere = $derived(pages.planState.snapshot.sitePage.size - pages.pages.length - gone);
  const share = (part: number) => `${counts.all === 0 ? 0 : (part / counts.all) * 100}%`;
  const grid = 'grid grid-cols-[24px_minmax(0,0.9fr)_minmax(0,1.5fr)_64px_58px_104px_44px_70px] items-center gap-x-2';

  async function show() {
    await tick();
    const row = document.querySelector<HTMLElement>(`[data-rule="${pages.group?.id}"]`);
    row?.scrollIntoView({ block: 'nearest' });
    if (!document.activeElement || document.activeElement === document.body) row?.focus({ preventScroll: true });
  }
  function edit() {
    if (!pages.group) return;
    pages.go(pages.group.id);
    pages.isEditing = true;
    pages.shown = 'rule';
  }
  function shift(by: -1 | 1) {
    if (pages.shift(by)) shell.announce(`Read ${by < 0 ? 'sooner' : 'later'}: now rule ${pages.at + 1}.`);
    void show();
  }
  async function add() {
    pages.add([{ name: 'New rule', when: '' }]);
    await tick();
    edit();
  }
  function remove() {
    if (!pages.group) return;
    const { name, id } = pages.group;
    pages.remove(id);
    shell.announce(`${name} deleted. Ctrl Z brings it back.`);
  }

  onMount(() => {
    const go = (by: number) =>
      asCommand(() => {
        pages.move(by);
        void show();
      });
    return tinykeys(window, {
      ArrowDown: go(1),
      ArrowUp: go(-1),
      'Alt+ArrowUp': asCommand(() => shift(-1)),
      'Alt+ArrowDown': asCommand(() => shift(1)),
      Enter: (event: KeyboardEvent) => {
        if (!isPressable(event.target)) asCommand(edit)(event);
      },
      KeyR: asCommand(() => void add()),
      KeyP: asCommand(() => (pages.shown = 'rule')),
      KeyN: asCommand(() => (pages.shown = 'nobody')),
      KeyX: asCommand(() => (pages.shown = 'left-out')),
      Delete: asCommand(remove),
    });
  });
</script>

{#if pages.pages.length === 0 && pages.groups.length === 0}
  <div class="flex flex-1 flex-col items-center gap-3 pt-16">
    <p class="max-w-[560px] text-center">
      Here groups are made of pages, not of keywords: each takes the pages that its rule says, and its ads have descriptions only. Read in
      the pages of {pages.domain || 'the site'} first.
    </p>
    <div class="flex gap-2">
      <Button kind="act" onclick={onread}>Read pages</Button>
      <Button onclick={() => void add()}>Write a rule without pages</Button>
    </div>
  </div>
{:else}
  <div class="flex h-[6px] shrink-0" aria-hidden="true">
    <span class="bg-act" style:width={share(counts.inGroups)}></span><span class="bg-madder" style:width={share(counts.out)}></span><span
      class="bg-ochre"
      style:width={share(counts.nobody)}
    ></span>
  </div>
  <p class="flex flex-wrap items-baseline gap-x-4 border-b border-rule-soft px-[22px] py-1.5" data-pages-total>
    <span
      ><b class="font-semibold">{count(counts.all)} pages</b>
      {#if last}<span class="text-ink-2">from {originWords[last.origin]}{last.seenOn ? `, ${wordDate(last.seenOn)}` : ''}</span>{/if}</span
    >
    <span><b class="font-semibold text-act">{count(counts.inGroups)}</b> in a group</span>
    <span><b class="font-semibold text-madder">{count(counts.out)}</b> left out</span>
    <span><b class="font-semibold text-ochre">{count(counts.nobody)}</b> nobody’s</span>
    {#if gone > 0}<span class="text-ink-2">{count(gone)} gone since</span>{/if}
    {#if elsewhere > 0}<span class="text-ochre">{count(elsewhere)} of other domains</span>{/if}
    <span class="ms-auto text-ink-2">{pages.campaign ? pageSourceWords[pages.campaign.pageSource] : ''}</span>
  </p>
  <div role="grid" aria-label="Rules, the first that holds wins" class="max-h-[46%] shrink-0 overflow-y-auto border-b border-rule">
    <div role="row" class={`${grid} sticky top-0 z-10 h-[27px] border-b border-rule bg-paper ps-[18px] text-ink-2`}>
      <span role="columnheader" class="sr-only">Number</span><span aria-hidden="true"></span>
      <span role="columnheader">Group, first rule wins</span><span role="columnheader">Takes the pages whose</span>
      <span role="columnheader" class="text-end">Clicks</span><span role="columnheader" class="text-end">Catches</span>
      <span role="columnheader" class="text-end">Taken above</span><span role="columnheader" class="text-end">Only</span>
      <span role="columnheader" class="pe-3 text-end">Bid</span>
    </div>
    {#each pages.groups as group, index (group.id)}
      <RuleRow state={pages} {group} {index} {grid} onshow={() => void show()} />
    {:else}
      <EmptyState>No rule yet: propose some, or write one.</EmptyState>
    {/each}
  </div>
  <div class="flex items-center gap-2 border-b border-rule-soft px-[18px] py-1">
    <Button keys="R" onclick={() => void add()}>New rule</Button>
    {#if pages.groups.length === 0}<Button kind="act" onclick={onpropose}>Propose rules</Button>{/if}
    {#if !pages.hasNet}<Button kind="quiet" onclick={() => pages.setNet(true)}>Add a last net for everything left</Button>{/if}
  </div>
  <LeftOut state={pages} />
  <PageRows state={pages} />
  <div class="flex flex-wrap items-center gap-x-4 border-t border-rule bg-fold px-[18px] py-1 text-ink-2">
    <span><KeyCap keys="↑ ↓" /> rule</span><span><KeyCap keys="Enter" /> change it</span>
    <span><KeyCap keys="Alt ↑ ↓" /> read sooner, later</span><span><KeyCap keys="R" /> new rule</span>
    <span><KeyCap keys="P" /> its pages</span><span><KeyCap keys="N" /> nobody’s</span><span><KeyCap keys="X" /> left out</span>
  </div>
{/if}
