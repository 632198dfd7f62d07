<script lang="ts">
  import { measureLine } from '$lib/core/ads/measure';
  import TextField from '../parts/TextField.svelte';
  import MeasureRule from './MeasureRule.svelte';

  interface Props {
    label: string;
    value: string;
    limit: number;
    at: string;
    onedit: (text: string, sitting: string) => void;
  }

  let { label, value, limit, at, onedit }: Props = $props();
  const measure = $derived(measureLine(value, [], { limit, language: 'en', values: {} }));
</script>

<div class="min-w-0">
  <TextField {label} {value} {at} {onedit} suffix={`${measure.unitsWithFallback}/${limit}`} />
  <div class="flex items-center gap-2 pt-0.5">
    <MeasureRule {measure} />
    {#if measure.unitsWithFallback > limit}<span class="shrink-0 font-mono text-[12px] text-madder"
        >{measure.unitsWithFallback - limit} over</span
      >{/if}
  </div>
</div>
