<script lang="ts">
  import { onMount } from 'svelte';
  import { builtInSlots, liveSlot, type FillContext } from '$lib/core/ads/fill-slots';
  import type { SlotSegment } from '$lib/core/ads/parse-slots';
  import { casesOf } from '$lib/core/text/letter-case';
  import { findRefusedSigns, takeOutRefusedSigns } from '$lib/core/text/clean';
  import { wordRefusedSign } from '$lib/wording/problems';
  import ChipEditor from './ChipEditor.svelte';
  import type { SlotEditor, SlotQuery } from './slot-editor';
  import SlotMenu from './SlotMenu.svelte';
  import { enterEvent } from '../shell/enter-new';
  import TakeOutSigns from '../parts/TakeOutSigns.svelte';
  import { withSlotEditor } from './with-slot-editor';

  interface Props {
    label: string;
    value: string;
    /** What the line's slots are filled with, which chips show. */
    context: FillContext;
    onedit: (text: string, sitting: string) => void;
    onenter?: () => void;
    onmove?: (direction: -1 | 1) => void;
    /** Takes several pasted lines, where the field is one of a list. */
    onpastelines?: (texts: string[]) => void;
    at?: string;
    hint?: string;
    /** Whether a live slot is proposed in the letters of a title, where the language has them. */
    isTitle?: boolean;
    /** Fallbacks that the plan proposes for a live slot. */
    fallbacks?: readonly string[];
  }

  let {
    label,
    value,
    context,
    onedit,
    onenter,
    onmove,
    onpastelines,
    at = '',
    hint = '',
    isTitle = false,
    fallbacks = [],
  }: Props = $props();

  let host: HTMLElement;
  let editor: SlotEditor | null = null;
  let isReady = $state(false);
  let hasFocus = $state(false);
  let wantsFocus = false;
  let wantsSelection = false;
  let sitting = '';
  let problem = $state('');
  let note = $state('');
  let query = $state.raw<SlotQuery | null>(null);
  let chip = $state.raw<{ slot: SlotSegment; box: DOMRect } | null>(null);
  let menu: SlotMenu | undefined = $state();

  const names = $derived([
    liveSlot,
    ...builtInSlots,
    ...Object.keys(context.values).filter((name) => !builtInSlots.some((known) => known === name)),
  ]);

  const slotOptions = $derived({
    names,
    values: context.values,
    fallbacks,
    cases: casesOf(context.language),
    liveCase: isTitle && casesOf(context.language).includes('title') ? 'title' : '',
  });

  function edit(text: string) {
    host.dataset.text = text;
    const [refused] = findRefusedSigns(text);
    problem = refused ? wordRefusedSign(refused) : '';
    if (!refused) onedit(text, sitting);
  }

  /** What was typed since `[[` gives way to what the menu chose; the caret goes on behind it. */
  function put(text: string, isDone: boolean) {
    if (!query || !editor) return;
    const { from, to } = query;
    if (isDone) query = null;
    editor.replace(from, to, text);
    editor.focus();
  }

  function replaceChip(text: string, isDone: boolean) {
    if (!chip || !editor) return;
    const { slot, box } = chip;
    editor.replace(slot.at, slot.end, text);
    chip = isDone ? null : { slot: { ...slot, end: slot.at + text.length }, box };
    if (isDone) editor.focus();
  }

  function takeOutSigns() {
    if (!editor) return;
    editor.replace(0, editor.text.length, takeOutRefusedSigns(editor.text));
    editor.focus();
  }

  onMount(() => {
    let isGone = false;
    withSlotEditor(({ SlotEditor }) => {
      if (isGone) return;
      editor = new SlotEditor(host, {
        text: value,
        context,
        label,
        hint,
        events: {
          onedit: edit,
          onquery: (next) => (query = next),
          onchip: (slot, box) => (chip = { slot, box }),
          onenter: () => onenter?.(),
          onmove: (direction) => onmove?.(direction),
          onmenukey: (key) => (query ? (menu?.takeKey(key) ?? false) : false),
          onfocus: () => {
            hasFocus = true;
            sitting = `${at} ${Date.now()}`;
          },
          onblur: () => {
            hasFocus = false;
            note = '';
          },
          ...(onpastelines && { onpastelines: (texts: string[]) => onpastelines(texts) }),
          onpaste: (changed) => (note = changed ? 'Line breaks became spaces.' : ''),
        },
      });
      isReady = true;
      if (wantsFocus) focus(wantsSelection);
    });
    const takeCursor = () => focus(true);
    host.addEventListener(enterEvent, takeCursor);
    return () => {
      host.removeEventListener(enterEvent, takeCursor);
      isGone = true;
      editor?.destroy();
    };
  });

  $effect(() => {
    const text = value;
    host.dataset.text = text;
    if (isReady && problem === '') editor?.show(text);
  });

  $effect(() => {
    const next = context;
    if (isReady) editor?.fillWith(next);
  });

  $effect(() => {
    const [says, empty] = [label, hint];
    if (isReady) editor?.name(says, empty);
  });

  /** Sets the caret into the field, all its text selected where that is asked for. */
  export function focus(selects = false) {
    wantsFocus = editor === null;
    wantsSelection = selects;
    editor?.focus(selects);
  }
</script>

<div class="relative min-w-0 flex-1">
  <slot-editor
    bind:this={host}
    class={`block min-h-[26px] min-w-0 overflow-hidden rounded-sm px-1 ${hasFocus ? 'bg-sheet outline-2 outline-offset-0 outline-act' : 'hover:bg-sheet'}`}
    data-at={at}
    data-slot-label={label}
  ></slot-editor>
  {#if problem || note}<p class={`text-[12px] ${problem ? 'text-madder' : 'text-ink-2'}`} role="status">
      {#if problem}{problem} Not saved. <TakeOutSigns onclick={takeOutSigns} />{:else}{note}{/if}
    </p>{/if}
  {#if query && hasFocus}
    <SlotMenu bind:this={menu} options={slotOptions} {query} onput={put} onclose={() => (query = null)} />
  {/if}
  {#if chip}
    <ChipEditor
      slot={chip.slot}
      box={chip.box}
      {names}
      {context}
      onchange={(text) => replaceChip(text, false)}
      ondone={() => {
        chip = null;
        editor?.focus();
      }}
      onremove={() => replaceChip('', true)}
    />
  {/if}
</div>
