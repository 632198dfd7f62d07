<script lang="ts">
  import Input from '../parts/Input.svelte';
  import TextArea from '../parts/TextArea.svelte';
  import Select from '../parts/Select.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import { untrack } from 'svelte';
  import { inOrder } from '$lib/core/store/snapshot';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { FindSources, type SourceName } from './find-sources.svelte';
  import PasteDialog from './PasteDialog.svelte';
  import type { ResearchState } from './research-state.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import Notice from '../parts/Notice.svelte';
  import Progress from '../parts/Progress.svelte';

  let { research, open = $bindable() }: { research: ResearchState; open: boolean } = $props();

  const shell = getShell();
  const sources = untrack(() => new FindSources(research));
  let isPasting = $state(false);
  const tabs: { id: SourceName; label: string }[] = [
    { id: 'market', label: 'Ask what people search' },
    { id: 'themes', label: 'Ask again for each theme' },
    { id: 'long', label: 'Long finds' },
    { id: 'related', label: 'Related terms' },
    { id: 'patterns', label: 'Patterns and lists' },
    { id: 'misspelt', label: 'Misspellings' },
    { id: 'page', label: 'A page' },
    { id: 'plan', label: 'Another plan' },
  ];
  const plans = $derived(inOrder(research.planState.workspace.snapshot.plan).filter(({ id }) => id !== research.planState.planId));
  const fresh = $derived(sources.counts?.fresh ?? 0);
  const waiting = $derived(sources.themes.filter(({ state }) => state === 'waits').length);
  const texts = $derived(sources.incoming.filter(({ text }) => !research.texts.has(text)).slice(0, 40));
  const area = 'h-36 leading-5';

  async function take() {
    const done = await sources.take();
    if (!done) return;
    open = false;
    research.list.filter({ verdict: 'open', wordKey: '' });
    shell.announce(
      `${countOf(done.fresh, 'find')} brought in, ${done.known} known before${done.ruled > 0 ? `, ${done.ruled} judged by words that stand` : ''}. Ctrl Z takes them back.`,
    );
  }
</script>

<Dialog bind:open title="Add finds" wide>
  <div class="flex flex-wrap gap-1.5" role="group" aria-label="Where from">
    {#each tabs as { id, label } (id)}
      <Button pressed={sources.source === id} disabled={sources.isBusy} onclick={() => sources.choose(id)}>{label}</Button>
    {/each}
    <Button onclick={() => (isPasting = true)}>Paste or a file…</Button>
  </div>
  {#if sources.source === 'market' || sources.source === 'long' || sources.source === 'related'}
    <label class="grid gap-1"
      ><span class="text-ink-2"
        >{sources.source === 'long'
          ? 'What is searched around these in four words and more. '
          : sources.source === 'related'
            ? 'What else is searched by who searches these. '
            : ''}One to ten broad terms, one a line. Searches are those of {research.figures.places
          .filter(({ excluded }) => !excluded)
          .map(({ name }) => name)
          .slice(0, 4)
          .join(', ') || 'no place yet: add one in the brief'}.</span
      >
      <TextArea class={area} bind:value={sources.terms} spellcheck="false" data-autofocus /></label
    >
    {#if sources.tooMany}<Notice>Ten at once; the rest is left out.</Notice>{/if}
  {:else if sources.source === 'themes'}
    <p class="text-ink-2">Each theme that shows up is asked about by itself: what the first pass missed. Click one to leave it out.</p>
    <ul class="grid max-h-56 grid-cols-2 gap-x-6 overflow-y-auto border-y border-rule py-1">
      {#each sources.themes as { theme, state, found, fresh: own } (theme)}
        <li class="flex items-baseline gap-2">
          <Button kind="quiet" class={state === 'left out' ? 'line-through' : ''} onclick={() => sources.leaveOut(theme)}>{theme}</Button>
          <span class="ms-auto text-ink-2"
            >{state === 'done' ? `${own} new of ${found}` : state === 'asked' ? 'asking…' : state === 'left out' ? 'left out' : ''}</span
          >
        </li>
      {:else}<li class="text-ink-2">No theme shows yet: ask what people search first.</li>{/each}
    </ul>
  {:else if sources.source === 'patterns'}
    <div class="grid grid-cols-3 gap-3">
      <label class="grid gap-1"
        ><span class="text-ink-2">Service or product</span><TextArea class={area} bind:value={sources.things} /></label
      >
      <label class="grid gap-1"
        ><span class="text-ink-2">What people add</span><TextArea class={area} bind:value={sources.pattern.typed} /></label
      >
      <label class="grid gap-1"><span class="text-ink-2">Place</span><TextArea class={area} bind:value={sources.placeNames} /></label>
    </div>
    <Checkbox bind:checked={sources.everyOrder}>what people add before the thing as well</Checkbox>
    <p class="flex gap-4 text-ink-2">
      {#if sources.pattern.isEdited}<Button kind="link" onclick={() => sources.pattern.keep()}
          >Keep what people add for plans like this</Button
        >{/if}
      {#if sources.pattern.current.kept}<Button kind="link" onclick={() => sources.pattern.forget()}>The list that ships</Button>{/if}
    </p>
  {:else if sources.source === 'misspelt'}
    <p class="text-ink-2">
      The kept finds that are searched most, mistyped by rule: a letter left out, two changed over. They are marked, and fetched figures
      tell which are searched.
    </p>
  {:else if sources.source === 'page'}
    <label class="grid gap-1"
      ><span class="text-ink-2">The address of a page, one’s own or anyone’s. What its headings and lists speak of becomes finds.</span>
      <Input bind:value={sources.address} /></label
    >
    <label class="grid gap-1"
      ><span class="text-ink-2">Or paste its HTML: a page behind a password, or one that was saved.</span>
      <TextArea class="h-20 font-mono text-[12px] leading-4" bind:value={sources.html} /></label
    >
  {:else}
    <label class="grid gap-1"
      ><span class="text-ink-2">What that plan keeps and bids on comes in to be judged.</span>
      <Select class="h-[30px]" bind:value={sources.planId}>
        <option value="">Which plan?</option>
        {#each plans as plan (plan.id)}<option value={plan.id}>{plan.name}</option>{/each}
      </Select></label
    >
  {/if}
  <div class="flex items-baseline gap-3" role="status">
    {#if sources.isBusy}
      <p>
        {sources.asking.progress ? `Asking: ${sources.asking.progress.done} of ${sources.asking.progress.of}.` : 'Asking…'}
        <Button kind="link" onclick={() => sources.stop()}>Stop</Button>
      </p>
      <Progress label="Asked" done={sources.asking.progress?.done ?? null} of={sources.asking.progress?.of} class="w-40 self-center" />
    {:else}
      <Button
        disabled={(['market', 'long', 'related'].includes(sources.source) && sources.termList.length === 0) ||
          (sources.source === 'themes' && waiting === 0) ||
          (sources.source === 'plan' && sources.planId === '')}
        onclick={() => void sources.gather()}
        >{sources.source === 'patterns' || sources.source === 'misspelt'
          ? 'Make them'
          : sources.source === 'page'
            ? 'Read it'
            : sources.source === 'plan'
              ? 'Look'
              : 'Ask'}</Button
      >
    {/if}
    {#if sources.counts}
      <p>
        <b class="font-semibold">{countOf(fresh, 'new find')}</b>, {sources.counts.known} known{sources.counts.ruled > 0
          ? `, ${sources.counts.ruled} judged at once by words that stand`
          : ''}
      </p>
    {/if}
  </div>
  {#if sources.failure}<Notice>{sources.failure}</Notice>{/if}
  {#if texts.length > 0}
    <ScrollArea label="What was found" class="max-h-28 border-t border-rule pt-1.5 text-ink-2"
      ><p>
        {texts.map(({ text }) => text).join(' · ')}{fresh > texts.length
          ? ` and ${(fresh - texts.length).toLocaleString('en-GB')} more`
          : ''}
      </p></ScrollArea
    >
  {/if}
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={!sources.counts || sources.isBusy} onclick={take}>Bring in {countOf(fresh, 'find')}</Button>
  {/snippet}
</Dialog>
{#if isPasting}<PasteDialog planState={research.planState} bind:open={isPasting} {research} ondone={() => (open = false)} />{/if}
