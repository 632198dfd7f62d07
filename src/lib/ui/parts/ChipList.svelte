<script lang="ts">
  import TakeOut from './TakeOut.svelte';
  import AddField from './AddField.svelte';

  interface Props {
    label: string;
    items: readonly { id: string; text: string }[];
    tone?: 'act' | 'madder' | 'ochre' | 'plain';
    /** What parts one entry from the next where several are typed or pasted. */
    splitsAt: 'lines' | 'commas';
    /** Adds texts that do not stand yet, one step. */
    onadd: (texts: string[]) => string | null | void;
    onremove: (id: string) => void;
    at?: string;
    placeholder?: string;
  }

  let { label, items, tone = 'plain', splitsAt, onadd, onremove, at, placeholder = 'add…' }: Props = $props();

  const tones = {
    act: 'bg-act-tint text-act',
    madder: 'bg-madder-tint text-madder',
    ochre: 'bg-ochre-tint text-ochre',
    plain: 'bg-fold text-ink-2',
  };

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
    <li class={`flex items-center gap-1 rounded-sm py-0.5 ps-2 pe-1 font-semibold ${tones[tone]}`}>
      {item.text}
      <TakeOut label={`Take out ${item.text}`} onclick={() => onremove(item.id)} />
    </li>
  {/each}
  <li>
    <AddField label={`Add to ${label}`} {placeholder} {splitsAt} {at} onadd={add} onkeydown={keydown} class="h-[26px] w-36" />
  </li>
</ul>
