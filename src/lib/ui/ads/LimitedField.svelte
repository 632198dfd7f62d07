<script lang="ts">
  import { measureLine } from '$lib/core/ads/measure';
  import { splitEntries } from '$lib/core/text/split-entries';
  import TextField from '../parts/TextField.svelte';
  import MeasureRule from './MeasureRule.svelte';

  interface Props {
    label: string;
    value: string;
    limit: number;
    at: string;
    onedit: (text: string, editSession: string) => void;
    /** Takes several pasted lines, where the field is one of a list. */
    onpasteentries?: (texts: string[]) => void;
  }

  let { label, value, limit, at, onedit, onpasteentries }: Props = $props();
  function pasteLines(text: string): null | undefined {
    const texts = splitEntries(text, 'lines');
    if (!onpasteentries || texts.length < 2) return undefined;
    onpasteentries(texts);
    return null;
  }
  const measure = $derived(measureLine(value, [], { limit, language: 'en', values: {} }));
</script>

<div class="min-w-0">
  <TextField {label} {value} {at} {onedit} onpastelines={pasteLines} suffix={`${measure.unitsWithFallback}/${limit}`} />
  <div class="flex items-center gap-2 pt-0.5">
    <MeasureRule {measure} />
    {#if measure.unitsWithFallback > limit}<span class="shrink-0 font-mono text-[12px] text-madder"
        >{measure.unitsWithFallback - limit} over</span
      >{/if}
  </div>
</div>
