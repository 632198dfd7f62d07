<script lang="ts">
  import { tick, type Snippet } from 'svelte';
  import { Input } from 'flowbite-svelte';
  import { findRefusedSigns, joinPastedLines, takeOutRefusedSigns } from '$lib/core/text/clean';
  import { wordRefusedSign } from '$lib/wording/problems';
  import { moveInColumn } from './column-keys';
  import TakeOutSigns from './TakeOutSigns.svelte';

  interface Props {
    label: string;
    value: string;
    /** Called with the text and a name for the edit session: while typing, or on leaving where `commit` says so. */
    onedit: (text: string, editSession: string) => string | null | void;
    /** `leave`: on Enter or on leaving the field (names). */
    commit?: 'live' | 'leave';
    /** Reads the text; what it answers is shown as wrong and not saved. */
    check?: (text: string) => string | null;
    at?: string;
    placeholder?: string;
    hint?: string;
    hideLabel?: boolean;
    mono?: boolean;
    suffix?: string;
    class?: string;
    disabled?: boolean;
    /** A name that fields of one column share: Enter and arrows go along it. */
    column?: string;
    /** Takes several pasted lines; answers nothing where they are pasted as one, null where taken, else what is wrong. */
    onpastelines?: (text: string) => string | null | undefined;
    /** Within a row of a table: no border until it is entered, and what is wrong stands below it. */
    isCompact?: boolean;
    tabindex?: number;
    onfocus?: () => void;
    onkeydown?: (event: KeyboardEvent) => void;
    /** What stands in the field's end. */
    trailing?: Snippet;
  }

  let {
    label,
    value,
    onedit,
    commit = 'live',
    check,
    at,
    placeholder,
    hint,
    hideLabel = false,
    mono = false,
    suffix,
    class: extra = '',
    disabled = false,
    column,
    onpastelines,
    isCompact = false,
    tabindex,
    onfocus,
    onkeydown,
    trailing,
  }: Props = $props();

  const id = $props.id();
  let draft = $state<string | null>(null);
  let editSession = '';
  let problem = $state('');
  let holdsRefusedSigns = $state(false);
  let note = $state('');

  /** The value that stood once the last edit was made: another one comes from elsewhere, and is shown. */
  let made = $state<string | null>(null);
  const isOvertaken = $derived(made !== null && problem === '' && value !== made);
  const shown = $derived(isOvertaken ? value : (draft ?? value));

  /** What stood when the typing began, of a field that is committed on leaving it. */
  let base: string | null = null;
  /** What came from elsewhere while it was typed in, once that was said: only then is it written over. */
  let said: string | null = null;

  /** What to say where the value has changed elsewhere since the typing began. */
  function contested(text: string): string {
    if (base === null || value === base || value === text || value === said) return '';
    said = value;
    return `Changed elsewhere meanwhile to “${value}”. Enter writes yours, Escape leaves theirs.`;
  }

  function edit(text: string, isLeaving: boolean) {
    if (draft === null) base = value;
    draft = text;
    made = null;
    const [refused] = findRefusedSigns(text);
    holdsRefusedSigns = refused !== undefined;
    problem = refused ? wordRefusedSign(refused) : (check?.(text) ?? '');
    if (problem !== '' || (commit === 'leave' && !isLeaving)) return;
    problem = commit === 'leave' ? contested(text) : '';
    if (problem !== '') return;
    if (text !== value) problem = onedit(text, editSession) ?? '';
    if (problem === '') base = value;
    // A value that comes through a list stands in the field's own only once the screen is drawn again.
    void tick().then(() => {
      if (draft === text) [made, base] = [value, problem === '' ? value : base];
    });
  }

  function release() {
    draft = null;
    base = null;
    said = null;
  }

  function leave() {
    // What was said to stand there now is written over by Enter only.
    if (problem !== '' && said !== null) return;
    if (draft !== null && (commit === 'leave' || problem !== '')) edit(draft, true);
    if (problem === '') release();
    note = '';
  }

  function keydown(event: KeyboardEvent) {
    if (event.key === 'Enter' && commit === 'leave' && draft !== null) edit(draft, true);
    const step = event.key === 'ArrowUp' ? -1 : event.key === 'Enter' || event.key === 'ArrowDown' ? 1 : 0;
    if (column && step !== 0) {
      event.preventDefault();
      if (problem === '' && !moveInColumn(event.currentTarget as HTMLInputElement, step)) release();
    }
    if (event.key === 'Escape' && draft !== null && (commit === 'leave' || problem !== '')) {
      release();
      problem = '';
      event.stopPropagation();
    }
    onkeydown?.(event);
  }

  function paste(event: ClipboardEvent) {
    const pasted = event.clipboardData?.getData('text/plain') ?? '';
    const taken = onpastelines?.(pasted);
    if (taken !== undefined) {
      event.preventDefault();
      release();
      problem = taken ?? '';
      return;
    }
    const { text, changed } = joinPastedLines(pasted);
    if (!changed) return;
    event.preventDefault();
    note = 'Line breaks became spaces.';
    document.execCommand('insertText', false, text.trim());
  }

  const attributes = $derived({
    id,
    type: 'text' as const,
    value: shown,
    placeholder,
    disabled,
    autocomplete: 'off' as const,
    spellcheck: false,
    'data-at': at,
    'aria-invalid': problem !== '',
    'aria-describedby': problem || note || hint ? `${id}-say` : undefined,
    'data-column': column,
    tabindex,
    onfocus: () => {
      editSession = `${at ?? label} ${Date.now()}`;
      onfocus?.();
    },
    oninput: (event: Event) => edit((event.target as HTMLInputElement).value, false),
    onblur: leave,
    onkeydown: keydown,
    onpaste: paste,
  });
</script>

<div class={`flex min-w-0 flex-col gap-0.5 ${isCompact ? 'relative' : ''} ${extra}`}>
  <label for={id} class={hideLabel ? 'sr-only' : 'text-ink-2'}>{label}</label>
  <span class="relative flex items-center">
    {#if isCompact}
      <!-- Native: drawn by the hundred while one scrolls. -->
      <input
        {...attributes}
        class={`block h-[24px] w-full rounded-[4px] border bg-transparent px-1 py-0 text-end text-[12.5px] text-ink placeholder:text-ink-3 focus:border-field focus:ring-0 disabled:text-ink-2 ${mono ? 'font-mono' : ''} ${problem ? 'border-madder' : 'border-transparent'}`}
      />
    {:else}
      <Input
        {...attributes}
        class={`h-[30px] rounded-[4px]! border bg-sheet px-2.5 py-1 text-[13px] text-ink placeholder:text-ink-3 disabled:bg-paper disabled:text-ink-2 disabled:opacity-100 ${mono ? 'font-mono' : ''} ${problem ? 'border-madder' : 'border-field'} ${suffix ? (suffix.length > 4 ? 'pe-16' : 'pe-10') : ''} ${trailing ? 'pe-7' : ''}`}
      />
    {/if}
    {#if suffix}<span class="pointer-events-none absolute end-2 font-mono text-[12px] text-ink-3">{suffix}</span>{/if}
    {@render trailing?.()}
  </span>
  {#if problem || note || hint}
    <span
      id={`${id}-say`}
      class={`text-[12px] ${problem ? 'text-madder' : 'text-ink-2'} ${isCompact ? 'absolute end-0 top-full z-20 w-56 rounded border border-madder bg-sheet px-2 py-1 text-start font-sans shadow-sm' : ''}`}
      >{problem || note || hint}{#if problem && draft !== null && draft !== value}{' '}Not saved.{#if holdsRefusedSigns}{' '}<TakeOutSigns
            onclick={() => edit(takeOutRefusedSigns(draft ?? value), false)}
          />{/if}{/if}</span
    >
  {/if}
</div>
