<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Button from '../parts/Button.svelte';
  import TakeOut from '../parts/TakeOut.svelte';
  import Select from '../parts/Select.svelte';
  import { readKeyword, writeKeyword } from '$lib/core/keywords/read-keyword';
  import { nextPosition } from '$lib/core/store/snapshot';
  import type { Negative } from '$lib/core/records/negative';
  import AddField from '../parts/AddField.svelte';
  import { newId } from '../state/synced-store.svelte';

  interface Props {
    planState: PlanState;
    title: string;
    negatives: readonly Negative[];
    owner: { campaignId: string | null; groupId: string | null };
    blocking: ReadonlySet<string>;
    /** Starter lists that can be added, by their names. */
    starters?: Readonly<Record<string, readonly string[]>>;
  }

  let { planState, title, negatives, owner, blocking, starters = {} }: Props = $props();

  const mostShown = 14;
  let showsAll = $state(false);
  const shown = $derived(
    showsAll ? negatives : [...negatives].sort((a, b) => Number(blocking.has(b.id)) - Number(blocking.has(a.id))).slice(0, mostShown),
  );

  /** What of a starter list does not stand here yet, as phrases. */
  function addStarters(name: string) {
    const existing = new Set(negatives.map(({ text }) => text));
    const position = nextPosition(negatives);
    const rows = (starters[name] ?? [])
      .filter((text) => !existing.has(text))
      .map((text, index) => ({
        id: newId(),
        ...owner,
        text,
        match: 'phrase',
        findId: null,
        briefItemId: null,
        wordVerdictId: null,
        position: position + index,
      }));
    if (rows.length > 0)
      planState.make({ type: 'several', name: 'starter-negatives', changes: [{ type: 'add', record: 'negative', rows }] });
  }

  function add(texts: string[]) {
    const marks = texts.flatMap((line) => {
      const { text, match, notes } = readKeyword(line.replace(/^\s*-/, ''), 'phrase', planState.plan.rules.refusedKeywordSigns);
      return notes.some(({ code }) => code === 'nothing-left') ? [] : [{ text, match }];
    });
    const position = nextPosition(negatives);
    const existing = new Set(negatives.map(({ text, match }) => writeKeyword(text, match)));
    const rows = [...new Map(marks.map((mark) => [writeKeyword(mark.text, mark.match), mark]))]
      .flatMap(([written, mark]) => (existing.has(written) ? [] : [mark]))
      .map((mark, index) => ({
        id: newId(),
        ...owner,
        ...mark,
        findId: null,
        briefItemId: null,
        wordVerdictId: null,
        position: position + index,
      }));
    if (rows.length > 0) planState.add('negative', ...rows);
  }
</script>

<section aria-label={title}>
  <h3 class="pb-1">
    <span class="font-semibold">{title}</span> <span class="text-ink-2">{negatives.length || ''}</span>
  </h3>
  <ul class="flex flex-wrap gap-1">
    {#each shown as negative (negative.id)}
      <li
        class={`flex items-center gap-0.5 rounded-sm ps-1.5 ${blocking.has(negative.id) ? 'bg-madder font-semibold text-sheet' : 'bg-madder-tint text-madder'}`}
        title={blocking.has(negative.id)
          ? 'It blocks a keyword of the plan’s own'
          : negative.findId
            ? 'From a blocked find; it leaves with that verdict'
            : undefined}
      >
        <span class="max-w-48 break-words">−{writeKeyword(negative.text, negative.match)}</span>{#if blocking.has(negative.id)}<span
            class="sr-only">blocks an own keyword</span
          >{/if}
        <TakeOut
          at={`${negative.id}:negatives`}
          label={`Take out the negative ${negative.text}`}
          onclick={() => void planState.make({ type: 'remove', record: 'negative', ids: [negative.id] })}
        />
      </li>
    {/each}
    {#if negatives.length > mostShown}
      <li>
        <Button kind="link" onclick={() => (showsAll = !showsAll)}>{showsAll ? 'fewer' : `${negatives.length - mostShown} more`}</Button>
      </li>
    {/if}
    <li>
      <AddField label={`Add to ${title}`} placeholder="add a negative…" splitsAt="commas" onadd={add} class="h-[24px] w-40" />
    </li>
  </ul>
  {#if Object.keys(starters).length > 0}
    <Select class="mt-1 h-[26px] text-ink-2" aria-label="Add a starter list of negatives" value="" onpick={addStarters}>
      <option value="">add a starter list…</option>
      {#each Object.entries(starters) as [name, words] (name)}<option value={name}>{name} ({words.length})</option>{/each}
    </Select>
  {/if}
</section>
