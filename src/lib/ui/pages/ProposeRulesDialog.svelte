<script lang="ts">
  import type { PageGroupProposal, PartedBy } from '$lib/core/pages/propose-page-groups';
  import { conditionOf } from '$lib/core/records/condition-text';
  import { everything, isLastNet } from '$lib/core/pages/campaign-pages';
  import { firstLanguage } from '$lib/core/view/plan-view';
  import { offWords, ruleText } from '$lib/wording/pages';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Tabs from '../parts/Tabs.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PagesState } from './pages-state.svelte';

  let { state: pages, open = $bindable() }: { state: PagesState; open: boolean } = $props();

  const shell = getShell();
  /** Of labels each column is a way of its own. */
  const ways = $derived([
    { id: 'folders', name: 'By folders' },
    { id: 'titles', name: 'By what titles share' },
    ...[...pages.labels.keys()].slice(0, 6).map((column) => ({ id: `label:${column}`, name: `By ${column}` })),
  ]);
  /** What was picked; else folders where they part the pages, and titles where addresses are flat. */
  let picked = $state<string | null>(null);
  let isFlat = $state(false);
  const way = $derived(picked ?? (isFlat ? 'titles' : 'folders'));
  let wanted = $state(6);
  let withNet = $state(true);
  let withOff = $state(true);
  let dropped = $state.raw<ReadonlySet<string>>(new Set());
  let proposals = $state.raw<readonly PageGroupProposal[]>([]);
  const by: PartedBy = $derived(way.startsWith('label:') ? { column: way.slice(6) } : (way as 'folders' | 'titles'));
  const { newOff } = $derived(pages);
  /** Pages that no rule takes, the last net aside, without those that are to be left out. */
  const openPages = $derived.by(() => {
    const out = new Set(withOff ? newOff.flatMap(({ pages: own }) => own) : []);
    const net = pages.rules.findIndex(({ when }) => isLastNet(when));
    return [...pages.pages.keys()].filter((page) => {
      const to = pages.sorted?.goesTo[page] ?? -1;
      return !out.has(page) && (to === -1 || (net >= 0 && to === net));
    });
  });
  let asked = 0;
  $effect(() => {
    if (!open) return;
    const question = ++asked;
    void pages.reader.groups(by, wanted, openPages, [firstLanguage(pages.planState.plan, pages.campaign ?? undefined)]).then((found) => {
      if (question !== asked) return;
      proposals = found;
      if (by === 'folders' && picked === null) isFlat = found.length < 2;
    });
  });
  const chosen = $derived(proposals.filter(({ when }) => !dropped.has(when)));
  const inGroups = $derived(chosen.reduce((sum, { pages: own }) => sum + own.length, 0));
  const left = $derived(openPages.length - inGroups);
  function toggle(when: string) {
    const next = new Set(dropped);
    if (!next.delete(when)) next.add(when);
    dropped = next;
  }
  function make() {
    if (withOff && newOff.length > 0) pages.leaveOutProposed();
    pages.add([...chosen, ...(withNet && !pages.hasNet ? [{ name: 'Last net', when: everything }] : [])]);
    shell.announce(`${countOf(chosen.length, 'group')} of pages made.`);
    open = false;
  }
</script>

<Dialog bind:open title="Propose rules" wide>
  <div class="flex flex-wrap items-center gap-3">
    <Tabs label="What pages are parted by" kind="box" tabs={ways} value={way} onpick={(next) => (picked = next)} />
    {#if isFlat && picked === null}<span class="text-ink-2">Folders of the addresses do not part these pages.</span>{/if}
  </div>
  <label class="flex items-center gap-3"
    ><span class="text-ink-2">few</span><input
      type="range"
      min="2"
      max="30"
      class="w-64 accent-act"
      aria-label="How many groups"
      bind:value={wanted}
    /><span class="text-ink-2">many</span><b class="font-mono font-semibold">{wanted}</b></label
  >
  <ul class="max-h-[300px] overflow-y-auto border-y border-rule" aria-label="Proposed rules">
    {#each proposals as { name, when, pages: own } (when)}
      <li class="flex items-baseline gap-3 border-b border-rule-soft py-1">
        <input
          type="checkbox"
          class="size-4 self-center rounded-sm border-field bg-sheet text-act focus:ring-0"
          aria-label={name}
          checked={!dropped.has(when)}
          onchange={() => toggle(when)}
        />
        <span class="w-48 shrink-0 truncate font-serif text-[15px] font-semibold">{name}</span>
        <span class="min-w-0 flex-1 truncate text-ink-2" title={when}>{ruleText(conditionOf(when))}</span>
        <span class="font-mono">{own.length.toLocaleString('en-GB')}</span>
      </li>
    {:else}<li class="py-2 text-ink-2">Nothing that parts these pages: try another way, or write a rule.</li>{/each}
  </ul>
  <p data-proposed-total>
    <b class="font-semibold">{inGroups.toLocaleString('en-GB')}</b> of {openPages.length.toLocaleString('en-GB')} open pages in
    {countOf(chosen.length, 'group')}, {left.toLocaleString('en-GB')} left{withNet && !pages.hasNet ? ' for the last net' : ''}.
  </p>
  {#if newOff.length > 0}
    <Checkbox bind:checked={withOff}
      >Leave out {countOf(
        newOff.reduce((sum, { pages: own }) => sum + own.length, 0),
        'page',
      )}: {newOff.map(({ reason, pages: own }) => `${offWords[reason].name.toLowerCase()} ${own.length}`).join(', ')}</Checkbox
    >
  {/if}
  {#if !pages.hasNet}<Checkbox bind:checked={withNet}>A last net for everything left</Checkbox>{/if}
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={chosen.length === 0} onclick={make}>Make {countOf(chosen.length, 'group')}</Button>
  {/snippet}
</Dialog>
