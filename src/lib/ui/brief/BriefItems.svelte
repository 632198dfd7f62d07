<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { childrenOf, nextPosition } from '$lib/core/store/snapshot';
  import type { BriefItemKind } from '$lib/core/records/brief-item';
  import ChipList from '../parts/ChipList.svelte';
  import { newId } from '../state/synced-store.svelte';

  interface Props {
    planState: PlanState;
    kind: BriefItemKind;
    title: string;
    note?: string;
    tone?: 'act' | 'madder' | 'ochre' | 'plain';
    placeholder?: string;
  }

  let { planState, kind, title, note, tone = 'plain', placeholder }: Props = $props();

  const items = $derived(childrenOf(planState.snapshot.briefItem, 'kind', kind));
  /** Names and what is not offered are told apart by commas; facts, claims and spellings hold commas of their own. */
  const splitsAt = $derived(kind === 'rival' || kind === 'not-offered' ? 'commas' : 'lines');
  function add(texts: string[]) {
    const position = nextPosition(planState.snapshot.briefItem.values());
    planState.add('briefItem', ...texts.map((text, index) => ({ id: newId(), kind, text, position: position + index })));
  }
  const remove = (id: string) => void planState.make({ type: 'remove', record: 'briefItem', ids: [id] });
</script>

<section aria-label={title} class="border-b border-rule py-2.5">
  <h2 class="pb-1 font-semibold">{title}</h2>
  <ChipList label={title} {items} {tone} {splitsAt} onadd={add} onremove={remove} at={`:${kind}`} {placeholder} />
  {#if note}<p class="pt-1 text-ink-2">{note}</p>{/if}
</section>
