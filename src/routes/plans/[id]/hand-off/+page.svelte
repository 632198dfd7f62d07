<script lang="ts">
  import { page } from '$app/state';
  import AfterView from '$lib/ui/hand-off/AfterView.svelte';
  import { download } from '$lib/ui/hand-off/download';
  import NoTableCarries from '$lib/ui/hand-off/NoTableCarries.svelte';
  import LayoutsView from '$lib/ui/hand-off/LayoutsView.svelte';
  import ReadInView from '$lib/ui/hand-off/ReadInView.svelte';
  import TablesView from '$lib/ui/hand-off/TablesView.svelte';
  import VersionsView from '$lib/ui/hand-off/VersionsView.svelte';
  import Button from '$lib/ui/parts/Button.svelte';
  import ChapterHead from '$lib/ui/shell/ChapterHead.svelte';
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
  import TabLink from '$lib/ui/shell/TabLink.svelte';
  import { getPlanState } from '$lib/ui/state/plan-state.svelte';

  const planState = getPlanState();
  const views = [
    { id: 'tables', name: 'Tables' },
    { id: 'read-in', name: 'Read in' },
    { id: 'layouts', name: 'Column layouts' },
    { id: 'versions', name: 'Versions' },
    { id: 'after', name: 'After the launch' },
  ] as const;
  const view = $derived(views.find(({ id }) => id === page.url.searchParams.get('view'))?.id ?? 'tables');
  const { plan } = $derived(planState.plan);

  /** The server's file is asked for only once it has every edit. */
  async function fetchFile(address: string) {
    await Promise.all([planState.flush(), planState.workspace.flush()]);
    download(address);
  }

  /** The server keeps a version of what is handed off, so it must have every edit first. */
  async function mark() {
    await planState.flush();
    planState.workspace.set('plan', plan.id, { handedOffOn: plan.handedOffOn ? null : planState.today });
    await planState.workspace.flush();
  }
</script>

<svelte:head><title>Hand-off · {plan.name} · Biblion</title></svelte:head>

{#snippet noTableCarries()}
  <NoTableCarries {planState} />
{/snippet}

<PlanShell {planState} chapter="hand-off" margin={view === 'tables' ? noTableCarries : undefined}>
  <div class="flex h-full flex-col">
    <ChapterHead title="Hand-off">
      {#snippet tabs()}
        {#each views as { id, name } (id)}<TabLink href={`?view=${id}`} isCurrent={view === id}>{name}</TabLink>{/each}
      {/snippet}
      {#snippet actions()}
        <Button onclick={() => void fetchFile(`/api/plans/${plan.id}?download`)}>Plan file</Button>
        <Button kind="act" onclick={() => void mark()}>{plan.handedOffOn ? 'Not handed off after all' : 'Mark as handed off'}</Button>
      {/snippet}
    </ChapterHead>
    {#if view === 'versions'}<VersionsView {planState} />
    {:else if view === 'after'}<AfterView {planState} />
    {:else if view === 'read-in'}<ReadInView {planState} />
    {:else if view === 'layouts'}<LayoutsView {planState} />
    {:else}<TablesView {planState} {fetchFile} />{/if}
  </div>
</PlanShell>
