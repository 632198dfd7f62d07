<script lang="ts">
  import type { Verdict } from '$lib/core/records/find';

  let { verdict }: { verdict: Verdict } = $props();

  const looks: Record<Verdict, { text: string; tone: string }> = {
    open: { text: 'to judge', tone: 'text-ink-2' },
    keep: { text: '✓ keep', tone: 'bg-act-tint text-act font-semibold' },
    block: { text: '× block', tone: 'bg-madder-tint text-madder font-semibold' },
    pass: { text: '– pass', tone: 'bg-fold text-ink-2 font-semibold' },
    later: { text: '◷ later', tone: 'bg-slate-tint text-slate font-semibold' },
  };
</script>

<span class={`rounded-sm px-1.5 py-0.5 ${looks[verdict].tone}`}>{looks[verdict].text}</span>
