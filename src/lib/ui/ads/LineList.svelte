<script lang="ts">
  import { tick } from 'svelte';
  import type { FillContext } from '$lib/core/ads/fill-slots';
  import type { Measure } from '$lib/core/ads/measure';
  import { pasteLines, type PastedLines } from '$lib/core/ads/paste-lines';
  import type { Shortening } from '$lib/core/ads/shorten';
  import type { LineKindOfAd } from '$lib/core/records/ad-line';
  import type { LineRule } from '$lib/core/rules/rule-set';
  import Button from '../parts/Button.svelte';
  import { newId } from '../state/synced-store.svelte';
  import type { EditableLine } from './editable-line';
  import LineRow from './LineRow.svelte';

  interface Props {
    kind: LineKindOfAd;
    rule: LineRule;
    lines: readonly EditableLine[];
    measures: ReadonlyMap<string, Measure>;
    context: FillContext;
    canFix: boolean;
    note?: string;
    /** Adds an empty line at the end; answers its id. */
    onadd: () => string;
    onedit: (id: string, text: string, editSession: string) => void;
    onfix: (id: string, position: number | null) => void;
    onremove: (id: string) => void;
    /** Makes several pasted texts entries of their own, one step. */
    onpastelines: (pasted: PastedLines) => void;
    /** Ways to make a line shorter that is over. */
    shorten?: (line: EditableLine) => readonly Shortening[];
    /** Fallbacks that the plan proposes for a live slot. */
    fallbacks?: readonly string[];
  }

  let {
    kind,
    rule,
    lines,
    measures,
    context,
    canFix,
    note = '',
    onadd,
    onedit,
    onfix,
    onremove,
    onpastelines,
    shorten,
    fallbacks = [],
  }: Props = $props();

  const title = $derived(kind === 'headline' ? 'Headlines' : 'Descriptions');
  const filled = $derived(lines.filter(({ text }) => text.trim() !== '').length);
  let rows: Record<string, LineRow> = $state({});

  async function add() {
    const id = onadd();
    await tick();
    rows[id]?.focus();
  }

  function goTo(index: number) {
    const line = lines[index];
    if (line) rows[line.id]?.focus();
  }

  async function paste(index: number, texts: string[]) {
    onpastelines(pasteLines(lines, index, texts, newId));
    await tick();
    goTo(index + texts.length - 1);
  }

  function enter(index: number) {
    if (index < lines.length - 1) goTo(index + 1);
    else if (lines.length < rule.most && lines[index]?.text.trim() !== '') void add();
  }
</script>

<section aria-label={title} data-at-kind={kind}>
  <h2 class="pt-2 pb-0.5">
    <span class="font-semibold">{title}</span>
    <span class="ms-1.5 text-ink-2">{filled} of {rule.most}, each up to {rule.limit}{note ? ` · ${note}` : ''}</span>
  </h2>
  <ol>
    {#each lines as line, index (line.id)}
      {@const measure = measures.get(line.id)}
      {#if measure}
        <LineRow
          bind:this={rows[line.id]}
          {line}
          number={index + 1}
          {measure}
          {context}
          {canFix}
          onedit={(text, editSession) => onedit(line.id, text, editSession)}
          onfix={(position) => onfix(line.id, position)}
          onremove={() => {
            onremove(line.id);
            goTo(index > 0 ? index - 1 : 1);
          }}
          onpastelines={(texts) => void paste(index, texts)}
          {shorten}
          {fallbacks}
          onenter={() => enter(index)}
          onmove={(direction) => goTo(index + direction)}
        />
      {/if}
    {/each}
  </ol>
  {#if lines.length < rule.most}
    <div class="py-1 ps-6"><Button kind="quiet" onclick={() => void add()}>+ Add a {kind}</Button></div>
  {/if}
</section>
