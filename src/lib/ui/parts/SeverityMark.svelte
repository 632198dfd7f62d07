<script lang="ts">
  import type { Severity } from '$lib/core/proof/rule-list';

  let { severity, count }: { severity: Severity; count?: number } = $props();

  const words = { fix: 'must be fixed', look: 'worth a look', suggestion: 'suggestion' };
  const shapes = {
    fix: 'bg-madder text-sheet border-madder',
    look: 'bg-sheet text-ochre border-ochre',
    suggestion: 'bg-slate-tint text-slate border-slate',
  };
  const signs = { fix: '!', look: '?', suggestion: 'i' };
</script>

<span
  class={`inline-flex h-[18px] min-w-[18px] items-center justify-center rounded-sm border px-1 font-mono text-[11.5px] leading-none font-semibold ${shapes[severity]}`}
  title={count === undefined ? words[severity] : `${count} ${words[severity]}`}
>
  <span aria-hidden="true">{count ?? signs[severity]}</span>
  <span class="sr-only">{count ?? ''} {words[severity]}</span>
</span>
