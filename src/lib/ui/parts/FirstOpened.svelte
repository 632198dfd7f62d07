<script lang="ts" generics="Props extends Record<string, unknown>">
  import { onMount, type Component } from 'svelte';
  import { holdKeys } from '../shell/keys';

  interface FirstOpenedProps {
    /** Whether it is open now; it stays from then on, so that it closes as any other. */
    open: boolean;
    load: () => Promise<{ default: Component<Props> }>;
    props: Props;
  }

  let { open, load, props }: FirstOpenedProps = $props();

  const afterFirstPaintMs = 3000;
  let Part = $state.raw<Component<Props>>();
  /** What was typed while it was on its way: for it, and no command. */
  let typed = $state('');

  let loading: ReturnType<typeof load> | null = null;
  /** Loads it, and not again with every key; where the server is away it is tried anew the next time. */
  function loadOnce() {
    if (!loading) {
      loading = load();
      loading.catch(() => (loading = null));
    }
    return loading;
  }
  const loadAhead = () => void loadOnce();

  // Once the first chapter has had its time, so that it opens at once and without the server.
  onMount(() => {
    const waiting = setTimeout(loadAhead, afterFirstPaintMs);
    return () => clearTimeout(waiting);
  });
  $effect(() => {
    if (!open || Part) return;
    holdKeys();
    void loadOnce().then((loaded) => (Part = loaded.default));
  });

  function keydown(event: KeyboardEvent) {
    loadAhead();
    if (!open || Part || event.key.length !== 1 || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    typed += event.key;
  }
</script>

<!-- A dialog that is not loaded for the first paint: some seconds after it, or as soon as somebody touches the page. -->
<svelte:window onpointerdown={loadAhead} onkeydowncapture={keydown} />
{#if Part}<Part {...{ ...props, typed } as Props} />{/if}
