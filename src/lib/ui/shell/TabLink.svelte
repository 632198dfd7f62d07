<script lang="ts">
  import type { Snippet } from 'svelte';

  let { href, isCurrent, title, children }: { href: string; isCurrent: boolean; title?: string; children: Snippet } = $props();
</script>

<a
  {href}
  {title}
  aria-current={isCurrent ? 'true' : undefined}
  data-sveltekit-keepfocus
  class={`flex shrink-0 items-center border-b-3 px-1 pt-0.5 whitespace-nowrap -outline-offset-2 ${isCurrent ? 'border-madder font-semibold text-ink' : 'border-transparent text-ink-2 hover:text-ink'}`}
>
  {@render children()}
</a>
