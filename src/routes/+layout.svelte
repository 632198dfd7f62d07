<script lang="ts">
  import '../app.css';
  import { onMount } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import { page } from '$app/state';
  import { asCommand, isTyping, leaveField, rememberField } from '$lib/ui/shell/keys';
  import FirstOpened from '$lib/ui/parts/FirstOpened.svelte';
  import { leadToField } from '$lib/ui/shell/lead-to-field';
  import { setShell, ShellState } from '$lib/ui/shell/shell.svelte';
  import FileNotice from '$lib/ui/shell/FileNotice.svelte';
  import RefusedNotice from '$lib/ui/shell/RefusedNotice.svelte';
  import { followServerEvents } from '$lib/ui/state/tab-channel';
  import { setWorkspace, Workspace } from '$lib/ui/state/workspace.svelte';

  let { children } = $props();

  const workspace = setWorkspace(new Workspace());
  const shell = setShell(new ShellState());
  let failure = $state('');

  onMount(() => {
    workspace.load().catch((error: unknown) => (failure = error instanceof Error ? error.message : String(error)));
    const stopKeys = tinykeys(window, {
      '$mod+KeyK': (event: KeyboardEvent) => {
        event.preventDefault();
        shell.isGoToOpen = !shell.isGoToOpen;
      },
      KeyN: asCommand(() => shell.toggleMargin()),
    });
    const stopFollowing = followServerEvents();
    return () => {
      stopKeys();
      stopFollowing();
      workspace.close();
    };
  });

  $effect(() => {
    const at = page.url.searchParams.get('at');
    if (at) leadToField(at);
  });
</script>

<svelte:window
  onbeforeunload={() => {
    // A field that is committed on leaving it is left now, so that a reload finds what was typed.
    if (isTyping(document.activeElement)) leaveField(document.activeElement);
  }}
  onkeydown={(event) => {
    // Where the sign stands on the keyboard differs, so the sign itself is asked for.
    if (event.key === '?') asCommand(() => (shell.isKeysOpen = true))(event);
    if (event.key === 'Escape' && !event.defaultPrevented) leaveField(event.target);
  }}
  onresize={() => shell.resize()}
  onfocusin={rememberField}
  onfocus={() => void workspace.refresh()}
/>

{#if failure}
  <main class="m-auto max-w-lg p-10">
    <h1 class="font-serif text-[20px]">Biblion’s server does not answer</h1>
    <p class="mt-2">{failure} Start it again with <code class="font-mono">npm start</code>, then reload.</p>
  </main>
{:else if workspace.isLoaded}
  {@render children()}
{/if}
<FirstOpened open={shell.isKeysOpen} load={() => import('$lib/ui/shell/KeysSheet.svelte')} props={{}} />
<RefusedNotice stream={workspace} />
<FileNotice />
<p
  class="pointer-events-none fixed start-2 bottom-[150px] z-40 w-[140px] rounded bg-paper px-2.5 py-1 text-[12.5px] text-ink empty:hidden print:hidden"
  role="status"
>
  {shell.announcement}
</p>
