<script lang="ts">
  import Dialog from '../parts/Dialog.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import { listedKeys } from './key-list';
  import { getWorkspace } from '../state/workspace.svelte';
  import ResearchKeys from './ResearchKeys.svelte';
  import { getShell } from './shell.svelte';

  const shell = getShell();
  const workspace = getWorkspace();
</script>

<Dialog bind:open={shell.isKeysOpen} title="Keys" wide>
  <div class="columns-2 gap-8">
    {#each listedKeys as part (part.name)}
      <section class="mb-4 break-inside-avoid">
        <h3 class="mb-1 font-semibold">{part.name}</h3>
        <dl>
          {#each part.keys as { keys, does } (keys)}
            <div class="flex items-baseline gap-3 border-b border-rule-soft py-1">
              <dt class="w-24 shrink-0"><KeyCap {keys} /></dt>
              <dd class="text-ink-2">{does}</dd>
            </div>
          {/each}
        </dl>
      </section>
    {/each}
    <ResearchKeys {workspace} />
  </div>
</Dialog>
