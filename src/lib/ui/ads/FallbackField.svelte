<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { liveSlot, type FillContext } from '$lib/core/ads/fill-slots';
  import { parseSlots } from '$lib/core/ads/parse-slots';
  import { wordSlotProblem } from '$lib/wording/problems';
  import { withSlotEditor } from './with-slot-editor';
  import type { SlotEditor } from './slot-editor';
  import Notice from '../parts/Notice.svelte';

  interface Props {
    label: string;
    /** The fallback as a line: plan slots in it stand as chips. */
    value: string;
    context: FillContext;
    onedit: (text: string) => void;
    ondone: () => void;
  }

  let { label, value, context, onedit, ondone }: Props = $props();

  let host: HTMLElement;
  let problem = $state('');

  /** A live slot is filled when the ad is shown: nothing can stand in for it that is filled then as well. */
  function edit(text: string) {
    const { segments, problems } = parseSlots(text);
    const live = segments.find((part) => part.kind === 'slot' && part.name === liveSlot);
    problem = live?.kind === 'slot' ? wordSlotProblem('live-in-fallback', {}, live.at) : '';
    // What is still being typed is no slot yet.
    if (problem === '' && problems.length === 0) onedit(text);
  }

  onMount(() => {
    let editor: SlotEditor | null = null;
    let isGone = false;
    withSlotEditor(({ SlotEditor }) => {
      if (isGone) return;
      editor = new SlotEditor(host, {
        ...untrack(() => ({ text: value, context, label })),
        hint: '',
        events: {
          onedit: edit,
          onquery: () => undefined,
          onchip: () => undefined,
          onenter: () => ondone(),
          onmove: () => undefined,
          onmenukey: () => false,
          onfocus: () => undefined,
          onblur: () => undefined,
          onpaste: () => undefined,
        },
      });
      editor.focus(true);
    });
    return () => {
      isGone = true;
      editor?.destroy();
    };
  });
</script>

<slot-editor
  bind:this={host}
  class={`block min-h-[30px] min-w-0 overflow-hidden rounded border bg-sheet px-1 ${problem ? 'border-madder' : 'border-field'}`}
  data-slot-label={label}
></slot-editor>
{#if problem}<Notice class="text-[12px]">{problem} Not taken.</Notice>{/if}
