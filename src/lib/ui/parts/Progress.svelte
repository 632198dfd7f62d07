<script lang="ts">
  interface Props {
    label: string;
    /** How much of `of` is done; null where nobody knows yet. */
    done: number | null;
    of?: number;
    class?: string;
  }

  let { label, done, of = 1, class: look = '' }: Props = $props();
</script>

<!-- Native: the library's bar sets its width in a style attribute, which the content security policy refuses. -->
<progress
  aria-label={label}
  class={`h-1.5 w-full appearance-none overflow-hidden rounded-sm border-0 bg-fold accent-act [&::-moz-progress-bar]:bg-act [&::-webkit-progress-bar]:bg-fold [&::-webkit-progress-value]:bg-act ${look}`}
  value={done ?? undefined}
  max={of}
></progress>
