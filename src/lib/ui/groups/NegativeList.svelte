<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Button from '../parts/Button.svelte';
  import TakeOut from '../parts/TakeOut.svelte';
  import { writeKeyword } from '$lib/core/keywords/read-keyword';
  import { readNegatives } from '$lib/core/research/standing-lists';
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
    /** The page of one of them is to be shown. */
    onopen: (negative: Negative) => void;
    /** The standing lists are to be shown, where they can be added here. */
    onstanding?: () => void;
  }

  let { planState, title, negatives, owner, blocking, onopen, onstanding }: Props = $props();

  const mostShown = 14;
  let showsAll = $state(false);
  const shown = $derived(
    showsAll ? negatives : [...negatives].sort((a, b) => Number(blocking.has(b.id)) - Number(blocking.has(a.id))).slice(0, mostShown),
  );

  function add(texts: string[]) {
    const position = nextPosition(negatives);
    const existing = new Set(negatives.map(({ text, match }) => writeKeyword(text, match)));
    const rows = readNegatives(texts, planState.plan.rules.refusedKeywordSigns)
      .filter(({ text, match }) => !existing.has(writeKeyword(text, match)))
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
        <Button
          kind="link"
          class="max-w-48 text-start break-words text-inherit!"
          label={`The negative ${negative.text}: where it comes from and what it stops`}
          onclick={() => onopen(negative)}>−{writeKeyword(negative.text, negative.match)}</Button
        >{#if blocking.has(negative.id)}<span class="sr-only">blocks an own keyword</span>{/if}
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
  {#if onstanding}<Button kind="link" class="mt-1" onclick={onstanding}>Standing lists…</Button>{/if}
</section>
