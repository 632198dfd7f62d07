<script lang="ts">
  import type { SavedVersion } from '$lib/core/store/compare-snapshots';
  import Button from '../parts/Button.svelte';
  import Notice from '../parts/Notice.svelte';
  import { newId } from '../state/synced-store.svelte';

  interface Props {
    planId: string;
    name: string;
    /** Why it cannot be shown. */
    reason: string;
    /** To be called when something was done about it. */
    ondone: () => void;
  }

  let { planId, name, reason, ondone }: Props = $props();

  const address = $derived(`/api/plans/${encodeURIComponent(planId)}`);
  let problem = $state('');

  /** Makes a change of the plan's own stream, which needs no view of it. */
  async function make(change: object) {
    const { revision } = (await (await fetch(`${address}/changes?since=0`)).json()) as { revision: number };
    const headers = { 'content-type': 'application/json' };
    const response = await fetch(`${address}/changes`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ id: newId(), revision, change }),
    });
    problem = response.ok ? '' : 'That could not be done.';
    ondone();
  }

  async function goToVersion() {
    const { versions } = (await (await fetch(`${address}/versions`)).json()) as { versions: SavedVersion[] };
    const [last] = versions;
    if (last) await make({ type: 'go-to-version', version: last.id });
    else problem = 'No version of it was kept.';
  }
</script>

<Notice block>
  <p class="font-semibold">{name} cannot be shown</p>
  <p>{reason} The other plans are not touched by it.</p>
  <p class="flex gap-4 pt-1">
    <Button kind="link" onclick={() => void make({ type: 'undo' })}>Undo its last step</Button>
    <Button kind="link" onclick={() => void goToVersion()}>Go back to its last version</Button>
    <a class="font-semibold text-act underline" href={`${address}/changes`} download={`${name}.json`}>Take its rows out</a>
  </p>
  {#if problem}<p>{problem}</p>{/if}
</Notice>
