<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { escapeFallback, writeSlot, type Segment, type SlotSegment } from '$lib/core/ads/parse-slots';
  import { liveSlot } from '$lib/core/ads/fill-slots';
  import { casesOf } from '$lib/core/text/letter-case';
  import Button from '../parts/Button.svelte';

  interface Props {
    slot: SlotSegment;
    box: DOMRect;
    names: readonly string[];
    /** The campaign's first language: title case is offered where it has one. */
    language: string;
    onchange: (text: string) => void;
    ondone: () => void;
    onremove: () => void;
  }

  let { slot, box, names, language, onchange, ondone, onremove }: Props = $props();

  /** A fallback in the text form, with the slots that stand in it. */
  const writeSegments = (segments: readonly Segment[] | null): string =>
    (segments ?? [])
      .map((part) => (part.kind === 'text' ? escapeFallback(part.text) : writeSlot(part.name, writeSegments(part.fallback), part.caseName)))
      .join('');

  const isPlain = (segments: readonly Segment[] | null) => (segments ?? []).every((part) => part.kind === 'text');
  const start = untrack(() => ({
    name: slot.name,
    // A fallback of plain text is edited as it reads; one that holds slots in the text form.
    fallback: isPlain(slot.fallback)
      ? (slot.fallback ?? []).map((part) => (part.kind === 'text' ? part.text : '')).join('')
      : writeSegments(slot.fallback),
    caseName: slot.caseName ?? '',
  }));
  let name = $state(start.name);
  let fallback = $state(start.fallback);
  let caseName = $state(start.caseName);
  const cases = $derived([...new Set([...casesOf(language), ...(start.caseName ? [start.caseName] : [])])]);
  let panel: HTMLElement;
  let field: HTMLInputElement;

  const change = () => onchange(writeSlot(name, fallback.includes('[[') ? fallback : escapeFallback(fallback), caseName || null));

  onMount(() => {
    field.focus();
    field.select();
  });

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

  const control = 'h-[30px] w-full rounded border border-field bg-sheet px-2 py-0 text-[13px] text-ink';
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
    <select class={control} bind:value={name} onchange={change}>
      {#each names.includes(name) ? names : [name, ...names] as option (option)}<option>{option}</option>{/each}
    </select></label
  >
  <label class="grid gap-0.5"
    ><span class="text-ink-2">Fallback{name === liveSlot ? ', needed' : ''}</span>
    <input bind:this={field} class={control} bind:value={fallback} oninput={change} autocomplete="off" spellcheck="false" /></label
  >
  <label class="grid gap-0.5"
    ><span class="text-ink-2">Letters of the value</span>
    <select class={control} bind:value={caseName} onchange={change}>
      <option value="">as they stand</option>
      {#each cases as option (option)}<option>{option}</option>{/each}
    </select></label
  >
  <div class="flex justify-between">
    <Button kind="link" onclick={onremove}>Take it out</Button>
    <Button onclick={ondone} keys="Enter">Done</Button>
  </div>
</div>
