<script lang="ts">
  import { childrenOf, nextPosition } from '$lib/core/plan/book';
  import type { BriefItemKind } from '$lib/core/plan/records/brief-item';
  import ChipList from '../parts/ChipList.svelte';
  import { getDesk } from '../state/plan-desk.svelte';
  import { newId } from '../state/stream.svelte';

  interface Props {
    kind: BriefItemKind;
    title: string;
    note?: string;
    tone?: 'act' | 'madder' | 'ochre' | 'plain';
    placeholder?: string;
  }

  let { kind, title, note, tone = 'plain', placeholder }: Props = $props();

  const desk = getDesk();
  const items = $derived(childrenOf(desk.book.briefItem, 'kind', kind));
  const add = (text: string) =>
    void desk.add('briefItem', {
      id: newId(),
      kind,
      text,
      position: nextPosition(desk.book.briefItem.values()),
    });
  const remove = (id: string) => void desk.make({ type: 'remove', record: 'briefItem', ids: [id] });
</script>

<section aria-label={title} class="border-b border-rule py-2.5">
  <h2 class="pb-1 font-semibold">{title}</h2>
  <ChipList label={title} {items} {tone} onadd={add} onremove={remove} at={`:${kind}`} {placeholder} />
  {#if note}<p class="pt-1 text-ink-2">{note}</p>{/if}
</section>
