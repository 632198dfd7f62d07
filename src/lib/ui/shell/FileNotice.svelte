<script lang="ts">
  import { onMount } from 'svelte';
  import Notice from '../parts/Notice.svelte';
  import { tabChannel, type TabMessage } from '../state/tab-channel';

  /** What is wrong with the data file; empty: nothing. */
  let trouble = $state('');

  async function look() {
    const response = await fetch('/api/health').catch(() => null);
    if (response?.ok) trouble = ((await response.json()) as { file: { message: string } | null }).file?.message ?? '';
  }

  onMount(() => {
    void look();
    // A channel does not hear itself: the tab that follows the server speaks on another one.
    const channel = new BroadcastChannel(tabChannel);
    channel.onmessage = ({ data }: MessageEvent<TabMessage>) => {
      if (data === 'catch-up') void look();
      else if ('file' in data) trouble = data.file;
    };
    return () => channel.close();
  });
</script>

{#if trouble}
  <div class="fixed inset-x-0 bottom-0 z-50 print:hidden">
    <Notice block class="flex gap-4 border-s-0! border-t! px-6 py-2 shadow-sm"
      ><span>{trouble} What you type meanwhile is kept in this browser.</span>
      <a class="shrink-0 font-semibold underline" href="/api/backup" download>Take everything out</a></Notice
    >
  </div>
{/if}
