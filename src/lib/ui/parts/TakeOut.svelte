<script lang="ts">
  import Button from './Button.svelte';

  interface Props {
    /** What is taken out, as a screen reader says it. */
    label: string;
    at?: string;
    onclick: () => void;
  }

  let { label, at, onclick }: Props = $props();
</script>

<!-- The sign that takes one of a list out, in the colour of what it stands in. -->
<Button kind="quiet" {label} {at} class="rounded-sm px-1! py-0! leading-4! text-inherit!" {onclick}>×</Button>
