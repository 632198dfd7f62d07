<script lang="ts">
  import Select from '../parts/Select.svelte';
  import { untrack } from 'svelte';
  import { escapeFallback, escapeText, parseSlots, writeSegments, writeSlot, type SlotSegment } from '$lib/core/ads/parse-slots';
  import { liveSlot, type FillContext } from '$lib/core/ads/fill-slots';
  import { casesOf } from '$lib/core/text/letter-case';
  import Button from '../parts/Button.svelte';
  import FallbackField from './FallbackField.svelte';

  interface Props {
    slot: SlotSegment;
    box: DOMRect;
    names: readonly string[];
    /** What fills plan slots in the fallback; title case is offered where its language has one. */
    context: FillContext;
    onchange: (text: string) => void;
    ondone: () => void;
    onremove: () => void;
  }

  let { slot, box, names, context, onchange, ondone, onremove }: Props = $props();

  const start = untrack(() => ({
    name: slot.name,
    fallback: writeSegments(slot.fallback ?? [], escapeText),
    caseName: slot.caseName ?? '',
  }));
  let name = $state(start.name);
  let fallback = $state(start.fallback);
  let caseName = $state(start.caseName);
  const cases = $derived([...new Set([...casesOf(context.language), ...(start.caseName ? [start.caseName] : [])])]);
  let panel: HTMLElement;

  const change = () => onchange(writeSlot(name, writeSegments(parseSlots(fallback).segments, escapeFallback), caseName || null));

  function keydown(event: KeyboardEvent) {
    event.stopPropagation();
    if (event.key !== 'Enter' && event.key !== 'Escape') return;
    event.preventDefault();
    ondone();
  }

  function leave(event: FocusEvent) {
    if (event.relatedTarget instanceof Node && panel.contains(event.relatedTarget)) return;
    if (document.hasFocus()) ondone();
  }
</script>

<div
  bind:this={panel}
  class="fixed z-30 grid w-72 gap-2 rounded border border-rule bg-paper p-3 shadow-sm"
  style:left={`${Math.min(box.left, innerWidth - 300)}px`}
  style:top={`${Math.min(box.bottom + 6, innerHeight - 240)}px`}
  role="dialog"
  aria-label={`Slot ${name}`}
  tabindex="-1"
  onkeydown={keydown}
  onfocusout={leave}
>
  <label class="grid gap-0.5"
    ><span class="text-ink-2">Slot</span>
    <Select class="h-[30px] w-full" bind:value={name} onchange={change}>
      {#each names.includes(name) ? names : [name, ...names] as option (option)}<option>{option}</option>{/each}
    </Select></label
  >
  <div class="grid gap-0.5">
    <span class="text-ink-2">Fallback{name === liveSlot ? ', needed' : ''} </span>
    <FallbackField
      label={`Fallback of ${name}`}
      value={fallback}
      {context}
      onedit={(text) => {
        fallback = text;
        change();
      }}
      {ondone}
    />
  </div>
  <label class="grid gap-0.5"
    ><span class="text-ink-2">Letters of the value</span>
    <Select class="h-[30px] w-full" bind:value={caseName} onchange={change}>
      <option value="">as they stand</option>
      {#each cases as option (option)}<option>{option}</option>{/each}
    </Select></label
  >
  <div class="flex justify-between">
    <Button kind="link" onclick={onremove}>Take it out</Button>
    <Button onclick={ondone} keys="Enter">Done</Button>
  </div>
</div>
