<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import TextArea from '../parts/TextArea.svelte';
  import { readKeyword, writeKeyword } from '$lib/core/keywords/read-keyword';
  import { nextPosition, childrenOf } from '$lib/core/store/snapshot';
  import type { SimpleChange } from '$lib/core/store/changes';
  import type { Group } from '$lib/core/records/group';
  import { countOf } from '$lib/wording/texts';
  import { wordPasteNote } from '$lib/wording/paste-notes';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import { newId } from '../state/synced-store.svelte';
  import { newKeywords } from '$lib/core/groups/new-rows';
  import ScrollArea from '../parts/ScrollArea.svelte';

  let { planState, open = $bindable(), group }: { planState: PlanState; open: boolean; group: Group } = $props();

  let text = $state('');
  const read = $derived(
    text.split(/\r\n|\r|\n/).flatMap((line, index) =>
      line.trim() === ''
        ? []
        : [
            {
              line: index + 1,
              ...readKeyword(line, group.defaultMatch, planState.plan.rules.refusedKeywordSigns),
            },
          ],
    ),
  );
  const keywords = $derived(
    newKeywords(
      planState.snapshot,
      group.id,
      read.filter(({ negative }) => !negative),
      newId,
    ),
  );
  const negatives = $derived(read.filter(({ negative, text: plain }) => negative && plain !== ''));

  function take() {
    const existing = childrenOf(planState.snapshot.negative, 'groupId', group.id);
    const position = nextPosition(existing);
    const rows = negatives.map((mark, index) => ({
      id: newId(),
      campaignId: null,
      groupId: group.id,
      text: mark.text,
      match: mark.match,
      findId: null,
      briefItemId: null,
      wordVerdictId: null,
      position: position + index,
    }));
    const changes: SimpleChange[] = [
      ...(keywords.length > 0 ? [{ type: 'add' as const, record: 'keyword' as const, rows: keywords }] : []),
      ...(rows.length > 0 ? [{ type: 'add' as const, record: 'negative' as const, rows }] : []),
    ];
    if (changes.length > 0) planState.make({ type: 'several', name: 'keywords-grouped', changes });
    text = '';
    open = false;
  }
</script>

<Dialog bind:open title={`Add keywords to ${group.name}`}>
  <label class="grid gap-1"
    ><span class="text-ink-2">One a line: plain for {group.defaultMatch}, "phrase", [exact], - for a negative of this group.</span>
    <TextArea class="h-36 font-mono text-[12.5px] leading-5" bind:value={text} spellcheck="false" data-autofocus /></label
  >
  {#if read.some(({ notes }) => notes.length > 0)}
    <ScrollArea label="Notes on lines" class="max-h-32 text-[12.5px]"
      ><ul>
        {#each read.filter(({ notes }) => notes.length > 0) as line (line.line)}<li>
            Line {line.line}: {writeKeyword(line.text, line.match)}
            <span class="text-ochre">{line.notes.map(wordPasteNote).join('; ')}</span>
          </li>{/each}
      </ul></ScrollArea
    >
  {/if}
  {#snippet footer()}
    <p class="me-auto self-center text-ink-2">
      {countOf(keywords.length, 'keyword')}{negatives.length > 0 ? `, ${countOf(negatives.length, 'negative')}` : ''}{read.length -
        keywords.length -
        negatives.length >
      0
        ? `; ${read.length - keywords.length - negatives.length} stand there already or say nothing`
        : ''}
    </p>
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={keywords.length + negatives.length === 0} onclick={take}>Add</Button>
  {/snippet}
</Dialog>
