<script lang="ts">
  import { appearances, type Appearance } from './appearance.svelte';
  import { getShell } from './shell.svelte';

  const { appearance } = getShell();
  const words: Record<Appearance, string> = { system: 'system’s', light: 'light', dark: 'dark' };

  /** The next one in turn. */
  const next = () => appearance.choose(appearances[(appearances.indexOf(appearance.chosen) + 1) % appearances.length]!);
</script>

<!-- Native: a line of the spine, in its own colours. -->

<button type="button" class="mt-1.5 self-start text-start underline decoration-dotted underline-offset-2 hover:text-gilt" onclick={next}
  >Appearance: {words[appearance.chosen]}</button
>
