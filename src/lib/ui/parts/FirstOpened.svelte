<script lang="ts" generics="Props extends Record<string, unknown>">
  import type { Component } from 'svelte';
  import { holdKeys } from '../shell/keys';

  interface FirstOpenedProps {
    /** Whether it is open now; it stays from then on, so that it closes as any other. */
    open: boolean;
    load: () => Promise<{ default: Component<Props> }>;
    props: Props;
  }

  let { open, load, props }: FirstOpenedProps = $props();

  let Part = $state.raw<Component<Props>>();
  $effect(() => {
    if (!open || Part) return;
    // What is typed on the way is for the dialog, no command.
    holdKeys();
    void load().then((loaded) => (Part = loaded.default));
  });
</script>

<!-- A dialog that is loaded when it is first asked for, or when somebody first touches the page: not for the first paint, yet there without the server. -->
<svelte:window onpointerdown={() => void load()} onkeydown={() => void load()} />
{#if Part}<Part {...props} />{/if}
