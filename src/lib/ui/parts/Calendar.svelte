<script lang="ts">
  import { Datepicker } from 'flowbite-svelte';
  import { dayOf } from '$lib/core/text/typed-date';

  interface Props {
    /** yyyy-MM-dd, or null where nothing is set. */
    value: string | null;
    locale: string;
    /** Called with yyyy-MM-dd. */
    onchoose: (date: string) => void;
  }

  let { value, locale, onchoose }: Props = $props();

  /** Noon of the day here: the calendar counts in the browser's own time zone. */
  const day = $derived(value ? new Date(`${value}T12:00:00`) : undefined);
  const firstDay = $derived.by(() => {
    const weeks = new Intl.Locale(locale) as Intl.Locale & { getWeekInfo?: () => { firstDay: number } };
    return ((weeks.getWeekInfo?.().firstDay ?? 1) % 7) as 0 | 1 | 6;
  });

  function choose(at: unknown) {
    const date = at instanceof Date ? dayOf(at.getFullYear(), at.getMonth() + 1, at.getDate()) : null;
    if (date) onchoose(date);
  }
</script>

<Datepicker
  inline
  value={day}
  {locale}
  translationLocale="en-GB"
  firstDayOfWeek={firstDay}
  onselect={choose}
  class="rounded! bg-sheet! p-2! text-[13px] shadow-none!"
  classes={{
    dayButton: 'rounded! font-normal! text-[13px]! text-ink! aria-pressed:bg-act! aria-pressed:text-sheet!',
    columnHeader: 'text-[12px]! text-ink-2!',
    nav: 'mb-1!',
  }}
/>
