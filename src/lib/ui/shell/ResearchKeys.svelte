<script lang="ts">
  import Button from '../parts/Button.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import type { Workspace } from '../state/workspace.svelte';
  import { fixedResearchKeys } from './key-list';
  import { chooseKey, keyPressed, keysOf, researchActions, shippedKeys, showKey, type ResearchAction } from './research-keys';

  let { workspace }: { workspace: Workspace } = $props();

  const keys = $derived(keysOf(workspace.snapshot));
  /** The action that waits for its key. */
  let waits = $state<ResearchAction | null>(null);
  let refused = $state(false);

  function take(event: KeyboardEvent) {
    if (waits === null || event.key === 'Shift' || event.key === 'Tab') return;
    event.preventDefault();
    event.stopPropagation();
    const key = keyPressed(event);
    refused = key === null && event.key !== 'Escape';
    if (refused) return;
    const change = key === null ? null : chooseKey(workspace.snapshot, waits, key);
    if (change) workspace.make(change);
    waits = null;
  }
</script>

<svelte:window onkeydowncapture={take} />
<section class="mb-4 break-inside-avoid" aria-label="Keys of Research">
  <h3 class="mb-1 font-semibold">Research</h3>
  <dl>
    {#each fixedResearchKeys as one (one.keys)}
      <div class="flex items-baseline gap-3 border-b border-rule-soft py-1">
        <dt class="w-24 shrink-0"><KeyCap keys={one.keys} /></dt>
        <dd class="text-ink-2">{one.does}</dd>
      </div>
    {/each}
    {#each researchActions as { id, does } (id)}
      <div class="flex items-baseline gap-3 border-b border-rule-soft py-1">
        <dt class="w-24 shrink-0">
          <Button
            kind="quiet"
            class="px-0"
            label={waits === id ? `Press the key for: ${does}` : `${does}: ${showKey(keys[id])}, change`}
            title="Click, then press another letter"
            onclick={() => {
              waits = waits === id ? null : id;
              refused = false;
            }}
            >{#if waits === id}<span class="text-ochre">press a letter</span>{:else}<KeyCap keys={showKey(keys[id])} />{/if}</Button
          >
        </dt>
        <dd class="text-ink-2">{does}</dd>
      </div>
    {/each}
  </dl>
  <p class="pt-1 text-[12px] text-ink-2" aria-live="polite">
    {refused ? 'Letters, with or without Shift, can be chosen; N folds the margin everywhere.' : 'Click a key to choose another letter.'}
    {#if workspace.snapshot.keyChoice.size > 0}<Button kind="link" onclick={() => workspace.make(shippedKeys(workspace.snapshot))}
        >All as they ship</Button
      >{/if}
  </p>
</section>
