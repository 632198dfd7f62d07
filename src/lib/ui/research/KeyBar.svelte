<script lang="ts">
  import Button from '../parts/Button.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import type { ResearchCommands } from './research-commands.svelte';
  import { showKey, type ResearchAction } from '../shell/research-keys';

  interface Props {
    keys: Readonly<Record<ResearchAction, string>>;
    /** How many finds could be looked up. */
    unclear: number;
    commands: ResearchCommands;
  }

  let { keys, unclear, commands }: Props = $props();

  const verdicts = ['keep', 'block', 'pass', 'later', 'open'] as const;
</script>

<div class="flex flex-wrap items-center gap-x-1 border-t border-rule bg-fold px-3 py-1.5">
  {#each verdicts as verdict (verdict)}
    <Button kind="quiet" onclick={() => commands.judge(verdict)}><KeyCap keys={showKey(keys[verdict])} />{verdict}</Button>
  {/each}
  <Button kind="quiet" onclick={() => (commands.isKeepingIn = true)}><KeyCap keys={showKey(keys['keep-fitting'])} />keep in…</Button>
  <Button kind="quiet" onclick={() => commands.nextWord()}><KeyCap keys={showKey(keys['next-word'])} />next word</Button>
  {#if unclear > 0}
    <Button kind="quiet" title={`look up what ${unclear} unclear finds show`} onclick={() => void commands.lookUp()}
      ><KeyCap keys={showKey(keys['look-up'])} />look up</Button
    >
  {/if}
  <span class="ms-auto text-ink-2"><KeyCap keys="↑ ↓" /></span>
</div>
