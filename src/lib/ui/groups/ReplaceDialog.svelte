<script lang="ts">
  import { plainText } from '$lib/core/keywords/read-keyword';
  import { replaceInKeywords } from '$lib/core/keywords/replace-words';
  import { childrenOf } from '$lib/core/store/snapshot';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Input from '../parts/Input.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { SheetState } from './sheet-state.svelte';

  let { open = $bindable(), sheet }: { open: boolean; sheet: SheetState } = $props();

  const shell = getShell();
  const mostShown = 100;
  let find = $state('');
  let put = $state('');
  const { planState } = $derived(sheet);
  const plain = (text: string) => plainText(text, planState.plan.rules.refusedKeywordSigns);
  /** The chosen keywords, else all that the sheet shows. */
  const ids = $derived(open ? (sheet.chosen.size > 0 ? sheet.chosenIds : sheet.shownIds) : []);
  const results = $derived.by(() => {
    const { keyword } = planState.snapshot;
    const keywords = ids.flatMap((id) => keyword.get(id) ?? []);
    return replaceInKeywords(keywords, {
      find: plain(find),
      put: plain(put),
      standing: (groupId) => childrenOf(keyword, 'groupId', groupId),
    });
  });
  const free = $derived(results.filter(({ problem }) => problem === null));

  function replace() {
    const rows = free.map(({ id, text }) => ({ id, text }));
    if (rows.length === 0 || planState.make({ type: 'set-each', record: 'keyword', rows })) return;
    shell.announce(`${countOf(rows.length, 'keyword')} changed. Ctrl Z changes them back.`);
    open = false;
  }
</script>

<Dialog bind:open title={`Find and replace in ${countOf(ids.length, 'keyword')}`}>
  <div class="flex items-center gap-2">
    <Input class="h-[30px]" data-autofocus aria-label="Find" placeholder="find these words" bind:value={find} />
    <span class="text-ink-2">→</span>
    <Input class="h-[30px]" aria-label="Put in their place" placeholder="put these, or nothing" bind:value={put} />
  </div>
  {#if results.length > 0}
    <ul class="max-h-[40vh] overflow-y-auto border-t border-rule" aria-label="Every result">
      {#each results.slice(0, mostShown) as { id, before, text, problem } (id)}
        <li class="flex items-baseline gap-2 border-b border-rule-soft py-0.5">
          <span class="min-w-0 flex-1 [overflow-wrap:anywhere] text-ink-2 line-through">{before}</span>
          <span class="min-w-0 flex-1 font-semibold [overflow-wrap:anywhere]">{text}</span>
          {#if problem !== null}<span class="text-ochre">{problem === 'empty' ? 'nothing is left' : 'stands there already'}</span>{/if}
        </li>
      {/each}
    </ul>
    {#if results.length > mostShown}<p class="text-ink-2">and {results.length - mostShown} more</p>{/if}
  {:else if find.trim() !== ''}
    <p class="text-ink-2">None of them holds “{find.trim()}”.</p>
  {/if}
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={free.length === 0} onclick={replace}>Replace in {countOf(free.length, 'keyword')}</Button>
  {/snippet}
</Dialog>
