<script lang="ts">
  import { tick } from 'svelte';
  import type Calendar from './Calendar.svelte';
  import { readTypedDate, writeTypedDate } from '$lib/core/text/typed-date';
  import { plainCalendar } from './plain-calendar';
  import TextField from './TextField.svelte';

  interface Props {
    label: string;
    /** yyyy-MM-dd, or null where nothing is set. */
    value: string | null;
    /** The locale that dates are written in: of the country of the account's time zone. */
    locale: string;
    /** Called with yyyy-MM-dd, or null where the field was emptied; answers what is wrong, or nothing. */
    onedit: (date: string | null) => string | null | void;
    at?: string;
    hint?: string;
    hideLabel?: boolean;
    disabled?: boolean;
    class?: string;
  }

  let { label, value, locale, onedit, disabled = false, ...rest }: Props = $props();

  let panel = $state<HTMLElement>();
  let opener = $state<HTMLElement>();
  let isOpen = $state(false);
  /** Loaded when it is first opened: most dates are typed. */
  let CalendarPart = $state.raw<typeof Calendar>();

  const shown = $derived(value ? writeTypedDate(value, locale) : '');

  function type(text: string): string | null | void {
    if (text.trim() === '') return onedit(null);
    const read = readTypedDate(text, locale);
    return read ? onedit(read) : `A date such as ${writeTypedDate('2027-03-15', locale)}.`;
  }

  async function show() {
    CalendarPart ??= (await import('./Calendar.svelte')).default;
    isOpen = true;
    await tick();
    if (!panel || !opener) return;
    panel.showPopover();
    const { bottom, top, right } = opener.getBoundingClientRect();
    const { width, height } = panel.getBoundingClientRect();
    panel.style.left = `${Math.max(8, right - width)}px`;
    panel.style.top = `${bottom + height + 8 > innerHeight ? Math.max(8, top - height - 4) : bottom + 4}px`;
    (panel.querySelector<HTMLElement>('[aria-pressed="true"]') ?? panel.querySelector<HTMLElement>('[aria-pressed]'))?.focus();
  }
  function hide() {
    panel?.hidePopover();
    opener?.focus();
  }
  function choose(date: string) {
    onedit(date);
    hide();
  }
</script>

<TextField {label} value={shown} {disabled} commit="leave" onedit={type} {...rest}>
  {#snippet trailing()}
    <button
      bind:this={opener}
      type="button"
      {disabled}
      class="absolute end-1 rounded p-1 text-ink-3 hover:bg-fold hover:text-ink disabled:opacity-50"
      aria-label={`Calendar, ${label}`}
      aria-haspopup="dialog"
      aria-expanded={isOpen}
      onclick={() => (isOpen ? hide() : void show())}
    >
      <svg class="size-3.5" viewBox="0 0 16 16" fill="none" stroke="currentColor" stroke-width="1.4" aria-hidden="true"
        ><rect x="1.7" y="3" width="12.6" height="11.3" rx="1.2" /><path d="M1.7 6.7h12.6M5 1.2V4M11 1.2V4" /></svg
      >
    </button>
    {#if isOpen && CalendarPart}
      <div
        bind:this={panel}
        popover="auto"
        {@attach plainCalendar}
        class="m-0 rounded border border-rule bg-sheet p-0 shadow-md"
        ontoggle={(event) => {
          if (event.newState === 'closed') isOpen = false;
        }}
        onkeydowncapture={(event) => {
          if (event.key !== 'Escape') return;
          event.preventDefault();
          event.stopPropagation();
          hide();
        }}
      >
        <CalendarPart {value} {locale} onchoose={choose} />
      </div>
    {/if}
  {/snippet}
</TextField>
