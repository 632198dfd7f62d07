<script lang="ts">
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Input from '../parts/Input.svelte';

  interface Props {
    open: boolean;
    count: number;
    /** Keeps the list; answers what is wrong, or an empty text. */
    onkeep: (name: string) => string;
  }

  let { open = $bindable(), count, onkeep }: Props = $props();
  let name = $state('');
  let problem = $state('');

  function keep() {
    if (name.trim() === '') return;
    problem = onkeep(name.trim());
    if (problem) return;
    [open, name] = [false, ''];
  }
</script>

<Dialog bind:open title={`Keep ${countOf(count, 'negative')} as a list`}>
  <p class="text-ink-2">It is there for all clients, under this name.</p>
  <Input
    data-autofocus
    aria-label="Name of the list"
    placeholder="a name"
    bind:value={name}
    oninput={() => (problem = '')}
    onkeydown={(event) => event.key === 'Enter' && keep()}
  />
  {#if problem}<p class="text-madder" role="alert">{problem}</p>{/if}
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={name.trim() === ''} onclick={keep}>Keep it</Button>
  {/snippet}
</Dialog>
