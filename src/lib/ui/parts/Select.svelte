<script lang="ts" generics="T extends string">
  import { Select } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';

  interface Props {
    value: T;
    class?: string;
    title?: string;
    at?: string;
    'aria-label'?: string;
    onchange?: (event: Event & { currentTarget: HTMLSelectElement }) => void;
    /** For a list that adds something: called with what was chosen, after which the list stands at its first option again. */
    onpick?: (value: T) => void;
    /** Its options. */
    children: Snippet;
  }

  let { value = $bindable(), class: look = 'h-[26px]', at, onchange, onpick, children, ...rest }: Props = $props();

  function change(event: Event & { currentTarget: HTMLSelectElement }) {
    onchange?.(event);
    if (!onpick || value === '') return;
    const picked = value;
    value = '' as T;
    onpick(picked);
  }
</script>

<!-- Takes no room beside the list itself, so that it stands in a line or a cell as a list does. -->
<Select
  bind:value
  placeholder=""
  {...rest}
  data-at={at}
  onchange={change}
  class="contents"
  classes={{ select: `w-auto rounded-[4px]! border border-field bg-sheet py-0 ps-2 pe-7 text-[13px] text-ink focus:ring-0 ${look}` }}
>
  {@render children()}
</Select>
