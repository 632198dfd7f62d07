<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Table from '../parts/Table.svelte';
  import { onMount, untrack } from 'svelte';
  import { nameOfVersion, whenSaved } from '$lib/wording/versions';
  import Button from '../parts/Button.svelte';
  import TextField from '../parts/TextField.svelte';
  import { getShell } from '../shell/shell.svelte';
  import VersionComparison from './VersionComparison.svelte';
  import { Versions } from './versions.svelte';
  import Notice from '../parts/Notice.svelte';

  let { planState }: { planState: PlanState } = $props();

  const shell = getShell();
  const versions = untrack(() => new Versions(planState));
  let name = $state('');
  /** The version that is asked about once more before it is removed. */
  let removing = $state(0);

  onMount(() => void versions.load());
  // Marking as handed off keeps a version on the server.
  $effect(() => {
    if (planState.plan.plan.handedOffOn) void planState.workspace.flush().then(versions.load);
  });

  async function keep() {
    if (name.trim() === '') return;
    await versions.keep(name.trim());
    if (versions.failure !== '') return;
    shell.announce(`${name.trim()} kept.`);
    name = '';
  }

  async function goBack(id: number, what: string) {
    await versions.goBack(id);
    if (versions.failure === '') shell.announce(`Back at ${what}. Ctrl Z undoes it.`);
  }
</script>

<div class="min-h-0 flex-1 overflow-y-auto px-[22px] py-3">
  <div class="flex items-end gap-2">
    <TextField
      label="Keep the plan as it stands, as"
      value={name}
      placeholder="Before the call with the client"
      class="w-80"
      onedit={(text) => void (name = text)}
      onkeydown={(event) => event.key === 'Enter' && void keep()}
    />
    <Button kind="act" disabled={name.trim() === ''} onclick={() => void keep()}>Keep this version</Button>
  </div>
  {#if versions.failure}<Notice class="pt-1">{versions.failure}</Notice>{/if}
  {#if versions.list?.length === 0}
    <p class="max-w-xl pt-6 text-ink-2">
      No version yet. One kept here, or by marking the plan as handed off, stays whatever is done later: it can be compared with the plan
      field by field, and gone back to.
    </p>
  {:else if versions.list}
    <Table
      class="mt-4 table-fixed"
      heads={[
        { name: 'Version, newest first' },
        { name: 'Kept', room: 'w-24' },
        { name: 'When', room: 'w-36' },
        { name: 'What to do with it', room: 'w-72', isHidden: true },
      ]}
      >{#each versions.list as version (version.id)}
        {@const what = nameOfVersion(version)}
        <tr class={`border-b border-rule-soft ${versions.comparison?.from === version.id ? 'bg-fold' : ''}`} data-version={what}>
          <td class="py-1 pe-3">
            <TextField
              label={`Name of ${what}`}
              hideLabel
              value={version.name}
              placeholder={what}
              commit="leave"
              onedit={(text) => (text.trim() === '' ? 'A name is needed.' : void versions.rename(version.id, text))}
            />
          </td>
          <td class="text-ink-2">{version.kind === 'kept' ? 'by hand' : 'at hand-off'}</td>
          <td class="font-mono text-[12px] text-ink-2">{whenSaved(version)}</td>
          <td>
            <span class="flex justify-end gap-1.5">
              {#if removing === version.id}
                <Button
                  label={`Remove ${what} for good`}
                  onclick={() => {
                    removing = 0;
                    void versions.remove(version.id);
                  }}>Remove for good</Button
                >
                <Button onclick={() => (removing = 0)}>Leave it</Button>
              {:else}
                <Button label={`Compare ${what}`} onclick={() => void versions.compare(version.id, null)}>Compare</Button>
                <Button label={`Go back to ${what}`} onclick={() => void goBack(version.id, what)}>Go back to it</Button>
                <Button kind="quiet" label={`Remove ${what}`} onclick={() => (removing = version.id)}>Remove</Button>
              {/if}
            </span>
          </td>
        </tr>
      {/each}
    </Table>
  {/if}
  <VersionComparison {planState} {versions} />
</div>
