<script lang="ts">
  import { Textarea } from 'flowbite-svelte';
  import type { HTMLTextareaAttributes } from 'svelte/elements';

  interface Props extends Omit<HTMLTextareaAttributes, 'class' | 'value' | 'children'> {
    value: string;
    class?: string;
  }

  let { value = $bindable(), class: look = '', ...rest }: Props = $props();
</script>

<Textarea
  bind:value
  {...rest}
  class={`rounded border border-field bg-sheet p-2 text-[13px] text-ink placeholder:text-ink-3 focus:ring-0 ${look}`}
  classes={{ div: 'contents' }}
/>
