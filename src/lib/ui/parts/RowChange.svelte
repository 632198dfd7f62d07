<script lang="ts">
  import type { RecordName, Row } from '$lib/core/records/record-type';
  import { wordRowChange } from '$lib/wording/row-changes';

  interface Props {
    row: { record: RecordName; before: Row | null; after: Row | null };
    currency: string;
  }

  let { row, currency }: Props = $props();
  const words = $derived(wordRowChange(row, currency));
</script>

<span class="font-semibold">{words.what}</span>
{#each words.fields as { field, before, after } (field)}
  <span class="ms-2 text-ink-2">{field}:</span>
  {#if before !== ''}<s class="text-madder">{before}</s>{/if}
  {#if before !== '' && after !== ''}<span class="text-ink-2">to</span>{/if}
  {#if after !== ''}<span class="text-act">{after}</span>{/if}
{/each}
