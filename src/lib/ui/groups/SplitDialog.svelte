<script lang="ts">
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Input from '../parts/Input.svelte';

  interface Props {
    open: boolean;
    /** The group that is split. */
    name: string;
    onsplit: (word: string) => void;
  }

  let { open = $bindable(), name, onsplit }: Props = $props();
  let word = $state('');

  function split() {
    if (word.trim() === '') return;
    open = false;
    onsplit(word);
    word = '';
  }
</script>

<Dialog bind:open title={`Split ${name}`}>
  <p class="text-ink-2">Those that hold a word become a group of their own.</p>
  <Input
    data-autofocus
    aria-label="The word"
    placeholder="a word or two"
    bind:value={word}
    onkeydown={(event) => {
      if (event.key === 'Enter') split();
    }}
  />
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={word.trim() === ''} onclick={split}>Split them off</Button>
  {/snippet}
</Dialog>
