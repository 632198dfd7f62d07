<script lang="ts">
  import type { FillContext } from '$lib/core/ads/fill-slots';
  import { measureLine } from '$lib/core/ads/measure';
  import MeasureCount from './MeasureCount.svelte';
  import MeasureRule from './MeasureRule.svelte';
  import SlotField from './SlotField.svelte';

  interface Props {
    label: string;
    value: string;
    context: FillContext;
    keywords: readonly string[];
    at: string;
    onedit: (text: string, editSession: string) => void;
  }

  /** A path of the address shown, of an ad or a master, under its measure. */
  let { label, value, context, keywords, at, onedit }: Props = $props();
  const measure = $derived(measureLine(value, keywords, context));
</script>

<span class="pt-1 text-ink-3">/</span>
<div class="min-w-0 flex-1">
  <div
    class={`flex items-center rounded border bg-sheet pe-2 ${measure.unitsWithFallback > measure.limit ? 'border-madder' : 'border-field'}`}
  >
    <SlotField {label} {value} {context} {at} {onedit} hint="path" />
    <MeasureCount {measure} />
  </div>
  <MeasureRule {measure} />
</div>
