<script lang="ts">
  import { emptyGroups, findReordered } from '$lib/core/groups/tidy-groups';
  import type { SimpleChange } from '$lib/core/store/changes';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Radio from '../parts/Radio.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { SheetState } from './sheet-state.svelte';

  let { open = $bindable(), sheet }: { open: boolean; sheet: SheetState } = $props();

  const shell = getShell();
  const keepsBoth = '';
  const { planState } = $derived(sheet);
  const searchesOf = (text: string) => sheet.findByText.get(text)?.searchesHigh ?? 0;
  const campaignId = $derived(sheet.campaign?.id ?? '');
  const reordered = $derived(open ? findReordered(planState.plan, campaignId, searchesOf) : []);
  const empty = $derived(open ? emptyGroups(planState.plan, campaignId) : []);
  /** The text that stays, where it was changed; both where empty. */
  let stays = $state<Record<string, string>>({});
  let keptEmpty = $state.raw<ReadonlySet<string>>(new Set());
  const leaving = $derived(
    reordered.flatMap(({ key, texts }) => {
      const staying = stays[key] ?? texts[0]!.text;
      return staying === keepsBoth ? [] : texts.filter(({ text }) => text !== staying).flatMap(({ keywords }) => keywords);
    }),
  );
  const dropped = $derived(empty.filter(({ id }) => !keptEmpty.has(id)));
  const leavingWords = $derived(
    [leaving.length > 0 ? countOf(leaving.length, 'keyword') : '', dropped.length > 0 ? countOf(dropped.length, 'empty group') : '']
      .filter(Boolean)
      .join(' and '),
  );
  const groupOf = (groupId: string) => planState.snapshot.group.get(groupId)?.name ?? '';

  function toggle(id: string) {
    const next = new Set(keptEmpty);
    if (!next.delete(id)) next.add(id);
    keptEmpty = next;
  }

  function tidy() {
    const said = leavingWords;
    const changes: SimpleChange[] = [];
    if (leaving.length > 0) changes.push({ type: 'remove', record: 'keyword', ids: leaving.map(({ id }) => id) });
    if (dropped.length > 0) changes.push({ type: 'remove', record: 'group', ids: dropped.map(({ id }) => id) });
    if (changes.length === 0 || planState.make({ type: 'several', name: 'groups-tidied', changes })) return;
    shell.announce(`${said} taken out. Ctrl Z brings them back.`);
    open = false;
  }
</script>

<Dialog bind:open title="Tidy up this campaign" wide>
  <section aria-label="The same words in another order">
    <h3 class="pb-1 font-semibold">The same words in another order</h3>
    {#if reordered.length === 0}<p class="text-ink-2">None.</p>{:else}
      <p class="pb-1 text-ink-2">Phrases heed the order; ads and pages hardly ever need both. The one searched more is proposed.</p>
      <div class="max-h-[34vh] overflow-y-auto border-y border-rule">
        {#each reordered as { key, texts } (key)}
          <fieldset class="flex flex-wrap items-center gap-x-4 gap-y-0.5 border-b border-rule-soft py-1">
            <legend class="sr-only">Which stays of {key}</legend>
            {#each texts as { text, searches, keywords } (text)}
              <Radio
                class="flex items-center gap-1.5"
                name={`stays ${key}`}
                value={text}
                group={stays[key] ?? texts[0]!.text}
                onchange={() => (stays[key] = text)}
                >{text}
                <span class="text-ink-2"
                  >{[...new Set(keywords.map(({ groupId }) => groupOf(groupId)))].join(', ')}{searches > 0
                    ? `, ${searches.toLocaleString('en-GB')} a month`
                    : ''}</span
                ></Radio
              >
            {/each}
            <Radio
              class="flex items-center gap-1.5"
              name={`stays ${key}`}
              value={keepsBoth}
              group={stays[key] ?? texts[0]!.text}
              onchange={() => (stays[key] = keepsBoth)}>all of them</Radio
            >
          </fieldset>
        {/each}
      </div>
    {/if}
  </section>
  <section aria-label="Empty groups">
    <h3 class="pb-1 font-semibold">Empty groups</h3>
    {#if empty.length === 0}<p class="text-ink-2">None.</p>{:else}
      <ul class="grid max-h-[20vh] grid-cols-3 gap-x-4 overflow-y-auto">
        {#each empty as { id, name } (id)}
          <li><Checkbox class="flex items-center gap-2" checked={!keptEmpty.has(id)} onchange={() => toggle(id)}>drop {name}</Checkbox></li>
        {/each}
      </ul>
    {/if}
  </section>
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={leaving.length + dropped.length === 0} onclick={tidy}>Take out {leavingWords || 'nothing'}</Button>
  {/snippet}
</Dialog>
