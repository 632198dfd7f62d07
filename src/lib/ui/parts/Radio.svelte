<script lang="ts" generics="T extends string">
  import { Radio } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';
  import type { HTMLInputAttributes } from 'svelte/elements';

  interface Props extends Omit<HTMLInputAttributes, 'type' | 'class' | 'children' | 'value' | 'color'> {
    /** What is chosen of those with one name. */
    group: T | '';
    value: T;
    name: string;
    /** How it stands with its words. */
    class?: string;
    /** The words beside it. */
    children: Snippet;
  }

  let { group = $bindable(), value, class: look = 'flex items-center gap-2', children, ...rest }: Props = $props();
</script>

<Radio
  bind:group
  {value}
  {...rest}
  class="mr-0 shrink-0 border-field bg-sheet text-act focus:ring-0"
  classes={{ label: `text-[13px] font-normal text-inherit ${look}` }}>{@render children()}</Radio
>
