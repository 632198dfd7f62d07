<script lang="ts">
  import Dialog from '../parts/Dialog.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import { keysEverywhere } from './keys';
  import { getWorkspace } from '../state/workspace.svelte';
  import ResearchKeys from './ResearchKeys.svelte';
  import { getShell } from './shell.svelte';

  const shell = getShell();
  const workspace = getWorkspace();
  const byChapter = [
    { name: 'Shelf', keys: [{ keys: 'P', does: 'New plan' }] },
    {
      name: 'Groups',
      keys: [
        { keys: '↑ ↓', does: 'Another row' },
        { keys: 'Space', does: 'Choose a keyword' },
        { keys: 'M', does: 'Move the chosen ones' },
        { keys: 'T', does: 'Match type of the chosen ones' },
        { keys: 'Delete', does: 'Take the chosen ones out' },
      ],
    },
    {
      name: 'Ads',
      keys: [
        { keys: '[[', does: 'A slot, in a line' },
        { keys: 'Enter', does: 'Next line, a new one after the last' },
        { keys: '↑ ↓', does: 'Line above, line below' },
        { keys: 'Alt ← →', does: 'Another keyword in the preview' },
      ],
    },
    {
      name: 'Proof',
      keys: [
        { keys: 'Enter', does: 'Go there' },
        { keys: 'M', does: 'Mend' },
        { keys: 'A', does: 'Set aside' },
      ],
    },
  ];
</script>

<Dialog bind:open={shell.isKeysOpen} title="Keys" wide>
  <div class="columns-2 gap-8">
    {#each [{ name: 'Everywhere', keys: keysEverywhere }, ...byChapter] as part (part.name)}
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
