<script lang="ts">
  import type { Ad } from '$lib/core/records/ad';
  import { childrenOf } from '$lib/core/store/snapshot';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PlanState } from '../state/plan-state.svelte';

  /** What an ad has of the master that made it: which lines follow it, which are its own; and the way out. */
  let { planState, ad }: { planState: PlanState; ad: Ad } = $props();

  const shell = getShell();
  const master = $derived([...planState.workspace.snapshot.master.values()].find(({ name }) => name === ad.masterName) ?? null);
  const masterLines = $derived(master ? childrenOf(planState.workspace.snapshot.masterLine, 'masterId', master.id) : []);
  const lines = $derived(childrenOf(planState.snapshot.adLine, 'adId', ad.id));
  const own = $derived(
    lines.filter(({ kind, text, masterLineId, masterText }) =>
      masterLineId === '' ? !masterLines.some((line) => line.kind === kind && line.text === text) : text !== masterText,
    ),
  );
  /** Lines that still say what the master said, which says something else now. */
  const behind = $derived(
    lines.filter(({ text, masterLineId, masterText }) => {
      const now = masterLines.find(({ id }) => id === masterLineId);
      return now !== undefined && text === masterText && now.text !== text;
    }),
  );

  function detach() {
    const changes = [
      { type: 'set' as const, record: 'ad' as const, ids: [ad.id as string], fields: { masterName: '', masterPaths: [] } },
      ...(lines.length > 0
        ? [
            {
              type: 'set' as const,
              record: 'adLine' as const,
              ids: lines.map(({ id }) => id as string),
              fields: { masterLineId: '', masterText: '' },
            },
          ]
        : []),
    ];
    if (planState.make({ type: 'several', name: 'ad-detached', changes })) return;
    shell.announce(`Ad ${ad.name} is on its own. Ctrl Z ties it to ${ad.masterName} again.`);
  }
</script>

<p class="flex flex-wrap items-baseline gap-x-2 border-b border-rule-soft py-1 text-ink-2" data-master-tie>
  <span
    >From {#if master}<a class="text-act underline" href={`?view=masters&master=${master.id}&group=${ad.groupId}`}>{master.name}</a
      >{:else}<b class="font-semibold">{ad.masterName}</b>, which is gone{/if}</span
  >
  <span
    >· {lines.length - own.length} of {countOf(lines.length, 'line')} as there{own.length > 0
      ? `, ${countOf(own.length, 'line')} its own`
      : ''}</span
  >
  {#if behind.length > 0}<span class="text-ochre">· the master has changed in {countOf(behind.length, 'line')}</span>{/if}
  <span class="ms-auto flex gap-2">
    {#if master}<Button kind="link" href={`?view=masters&master=${master.id}&group=${ad.groupId}&apply`}>Apply again…</Button>{/if}
    <Button kind="link" onclick={detach}>Detach</Button>
  </span>
</p>
