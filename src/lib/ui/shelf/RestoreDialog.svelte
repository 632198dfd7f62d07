<script lang="ts">
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { getWorkspace } from '../state/workspace.svelte';
  import Notice from '../parts/Notice.svelte';

  const workspace = getWorkspace();
  const shell = getShell();
  let field: HTMLInputElement;
  let file = $state.raw<File | null>(null);
  let isOpen = $state(false);
  let isSending = $state(false);
  let problem = $state('');
  const size = $derived(file ? `${(file.size / 1024 / 1024).toFixed(1)} MB` : '');

  /** Asks for the file; the dialog opens once it is chosen. */
  export function choose() {
    field.click();
  }

  function chosen() {
    file = field.files?.[0] ?? null;
    field.value = '';
    problem = '';
    isOpen = file !== null;
  }

  async function restore() {
    isSending = true;
    problem = '';
    try {
      await workspace.flush();
      const response = await fetch('/api/backup', {
        method: 'POST',
        headers: { 'content-type': 'application/octet-stream' },
        body: file,
      });
      const answer = (await response.json()) as { keptAs?: string | null; message?: string };
      if (!response.ok) problem = answer.message ?? 'The back-up was not put in place.';
      else {
        isOpen = false;
        await workspace.refresh();
        shell.announce(`The back-up is in place.${answer.keptAs ? ` What stood here is kept as ${answer.keptAs}.` : ''}`);
      }
    } catch {
      problem = 'The server does not answer; nothing was changed.';
    }
    isSending = false;
  }
</script>

<!-- Native: the browser’s own way to a file. -->

<input bind:this={field} type="file" accept=".sqlite" class="hidden" aria-label="Back-up to put in place" onchange={chosen} />
<Dialog bind:open={isOpen} title="Put a back-up in place">
  <p class="break-words"><span class="font-semibold">{file?.name}</span> <span class="text-ink-2">{size}</span></p>
  <p>
    Everything on the Shelf, all clients, plans, masters and their steps, is replaced by what the back-up holds. Other tabs follow at once.
    What stands now is kept in a file beside the data file, and its name is shown afterwards.
  </p>
  {#if problem}<Notice>{problem}</Notice>{/if}
  {#snippet footer()}
    <Button onclick={() => (isOpen = false)}>Leave all as it is</Button>
    <Button kind="act" disabled={isSending} onclick={() => void restore()}>{isSending ? 'Putting it in place …' : 'Put it in place'}</Button
    >
  {/snippet}
</Dialog>
