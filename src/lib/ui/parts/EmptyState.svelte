<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    /** `good` where it is empty because all is well. */
    tone?: 'plain' | 'good';
    class?: string;
    /** Why nothing stands here, and what would fill it. */
    children: Snippet;
  }

  let { tone = 'plain', class: look = '', children }: Props = $props();
</script>

<div class={`px-4 py-12 text-center ${tone === 'good' ? 'font-serif text-[20px] text-act' : 'text-ink-2'} ${look}`}>
  {@render children()}
</div>
