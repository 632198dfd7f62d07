<script lang="ts">
  import TakeOut from './TakeOut.svelte';
  import Badge from './Badge.svelte';
  import AddField from './AddField.svelte';
  import type { Tone } from './tones';

  interface Props {
    label: string;
    items: readonly { id: string; text: string }[];
    tone?: Tone;
    /** What parts one entry from the next where several are typed or pasted. */
    splitsAt: 'lines' | 'commas';
    /** Adds texts that do not stand yet, one step. */
    onadd: (texts: string[]) => string | null | void;
    onremove: (id: string) => void;
    at?: string;
    placeholder?: string;
  }

  let { label, items, tone = 'plain', splitsAt, onadd, onremove, at, placeholder = 'add…' }: Props = $props();

  function add(texts: string[]) {
    const fresh = texts.filter((text) => !items.some((item) => item.text === text));
    return fresh.length > 0 ? onadd(fresh) : null;
  }

  function keydown(event: KeyboardEvent, isEmpty: boolean) {
    const last = items.at(-1);
    if (event.key === 'Backspace' && isEmpty && last) onremove(last.id);
  }
</script>

<ul class="flex flex-wrap items-center gap-1.5" aria-label={label}>
  {#each items as item (item.id)}
    <li>
      <Badge {tone} class="gap-1 pe-1!">{item.text}<TakeOut label={`Take out ${item.text}`} onclick={() => onremove(item.id)} /></Badge>
    </li>
  {/each}
  <li>
    <AddField label={`Add to ${label}`} {placeholder} {splitsAt} {at} onadd={add} onkeydown={keydown} class="h-[26px] w-36" />
  </li>
</ul>
