<script lang="ts">
  import { Checkbox } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';
  import type { HTMLInputAttributes } from 'svelte/elements';

  interface Props extends Omit<HTMLInputAttributes, 'type' | 'class' | 'children' | 'checked' | 'color'> {
    checked?: boolean;
    /** What it is called where no words stand beside it. */
    label?: string;
    /** How it stands with its words. */
    class?: string;
    /** The words beside it. */
    children?: Snippet;
  }

  let { checked = $bindable(false), label, class: look = 'flex items-center gap-2', children, ...rest }: Props = $props();
</script>

<Checkbox
  bind:checked
  aria-label={label}
  {...rest}
  {children}
  class="me-0 shrink-0 rounded-sm border-field bg-sheet text-act focus:ring-0"
  classes={{ div: `text-[13px] font-normal text-inherit ${look}` }}
/>
