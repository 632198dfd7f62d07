<script lang="ts" module>
  /** One of what can be chosen. */
  export interface Choice {
    id: string;
    name: string;
    /** What it is, before its name. */
    kind?: string;
    /** What else tells it apart, at the end of its line. */
    note?: string;
  }
</script>

<script lang="ts" generics="One extends Choice">
  import { Command } from 'bits-ui';

  interface Props {
    label: string;
    placeholder: string;
    /** What is typed. */
    query: string;
    /** What fits it, in order, as many as are to be shown. */
    found: readonly One[];
    /** Said where nothing fits. */
    empty?: string;
    class?: string;
    onpick: (one: One) => void;
  }

  let { label, placeholder, query = $bindable(), found, empty = 'Nothing by that name.', class: look = 'h-80', onpick }: Props = $props();
</script>

<!-- A field that keeps the cursor and says which line below is the current one; arrows walk them, Enter takes it. -->
<Command.Root shouldFilter={false} loop {label} class="flex flex-col gap-2">
  <Command.Input
    data-autofocus
    bind:value={query}
    aria-label={label}
    {placeholder}
    class="h-9 rounded border border-field bg-sheet px-3 text-[14.5px] text-ink placeholder:text-ink-3"
  />
  <Command.List tabindex={0} aria-label={label} class={`overflow-y-auto ${look}`}>
    <Command.Viewport>
      <Command.Empty class="p-3 text-ink-2">{empty}</Command.Empty>
      {#each found as one, index (one.id)}
        <Command.Item
          value={`${index} ${one.id}`}
          onSelect={() => onpick(one)}
          class="flex cursor-pointer items-baseline gap-3 rounded px-3 py-1 data-selected:bg-act-tint"
        >
          {#if one.kind}<span class="w-20 shrink-0 text-[12px] text-ink-2">{one.kind}</span>{/if}
          <span class="truncate">{one.name}</span>
          {#if one.note}<span class="ms-auto shrink-0 text-[12px] text-ink-2">{one.note}</span>{/if}
        </Command.Item>
      {/each}
    </Command.Viewport>
  </Command.List>
</Command.Root>
