<script lang="ts">
  interface Props {
    label: string;
    items: readonly { id: string; text: string }[];
    tone?: 'act' | 'madder' | 'ochre' | 'plain';
    onadd: (text: string) => string | null | void;
    onremove: (id: string) => void;
    at?: string;
    placeholder?: string;
  }

  let { label, items, tone = 'plain', onadd, onremove, at, placeholder = 'add…' }: Props = $props();

  const tones = {
    act: 'bg-act-tint text-act',
    madder: 'bg-madder-tint text-madder',
    ochre: 'bg-ochre-tint text-ochre',
    plain: 'bg-fold text-ink-2',
  };
  let draft = $state('');
  let problem = $state('');
  const id = $props.id();

  function add() {
    const texts = draft
      .split(/[\n;]+/)
      .map((text) => text.trim())
      .filter((text) => text !== '');
    for (const text of texts) {
      if (items.some((item) => item.text === text)) continue;
      problem = onadd(text) ?? '';
      if (problem) return;
    }
    draft = '';
  }

  function keydown(event: KeyboardEvent) {
    if (event.key === 'Enter') {
      event.preventDefault();
      add();
    }
    const last = items.at(-1);
    if (event.key === 'Backspace' && draft === '' && last) onremove(last.id);
  }
</script>

<ul class="flex flex-wrap items-center gap-1.5" aria-label={label}>
  {#each items as item (item.id)}
    <li class={`flex items-center gap-1 rounded-sm py-0.5 ps-2 pe-1 font-semibold ${tones[tone]}`}>
      {item.text}
      <button
        type="button"
        class="rounded-sm px-1 leading-4 hover:bg-sheet"
        aria-label={`Take out ${item.text}`}
        onclick={() => onremove(item.id)}>×</button
      >
    </li>
  {/each}
  <li>
    <label class="sr-only" for={id}>Add to {label}</label>
    <input
      {id}
      class="h-[26px] w-36 rounded border-0 border-b border-transparent bg-transparent px-1 text-[13px] placeholder:text-ink-3 hover:border-field focus:border-field focus:ring-0"
      {placeholder}
      autocomplete="off"
      data-at={at}
      bind:value={draft}
      onkeydown={keydown}
      onblur={add}
    />
  </li>
</ul>
{#if problem}<p class="text-[12px] text-madder">{problem}</p>{/if}
