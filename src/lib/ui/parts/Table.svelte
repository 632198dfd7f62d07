<script lang="ts" module>
  /** The head of a column. */
  export interface Head {
    name: string;
    /** Its width, and the room around it, as classes. */
    room?: string;
    /** Figures stand at the end of their cells, and so does their head. */
    isFigure?: boolean;
    /** Said to screen readers alone. */
    isHidden?: boolean;
    /** How many columns it stands over. */
    span?: number;
  }
</script>

<script lang="ts">
  import { Table, TableBody, TableHead, TableHeadCell } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';

  interface Props {
    heads?: readonly Head[];
    /** What it holds, where no heading above says so. */
    caption?: string;
    showsCaption?: boolean;
    /** Whether its head stays in sight in what scrolls, and on what it lies. */
    sticky?: 'paper' | 'sheet';
    class?: string;
    /** Its rows. */
    children: Snippet;
  }

  let { heads = [], caption, showsCaption = false, sticky, class: look = '', children }: Props = $props();

  const lies = { paper: 'sticky top-0 z-10 bg-paper', sheet: 'sticky top-0 z-10 bg-sheet' };
</script>

<Table border={false} class={`text-start text-[13px] text-inherit ${look}`} classes={{ div: 'contents' }}>
  {#if caption}<caption class={showsCaption ? 'pb-1 text-start font-semibold' : 'sr-only'}>{caption}</caption>{/if}
  {#if heads.length > 0}
    <TableHead defaultRow={false} class={`text-[13px] text-ink-2 normal-case ${sticky ? lies[sticky] : 'bg-transparent'}`}>
      <tr class="border-b border-rule">
        {#each heads as { name, room = '', isFigure, isHidden, span } (name)}
          <TableHeadCell colspan={span} class={`px-0 py-1 font-normal ${isFigure ? 'text-end' : 'text-start'} ${room}`}
            >{#if isHidden}<span class="sr-only">{name}</span>{:else}{name}{/if}</TableHeadCell
          >
        {/each}
      </tr>
    </TableHead>
  {/if}
  <TableBody>{@render children()}</TableBody>
</Table>
