<script lang="ts">
  import { Alert } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';

  interface Props {
    /** `wrong` says that something failed, `look` what is worth a look, `doing` what is going on. */
    tone?: 'wrong' | 'look' | 'doing';
    /** Whether it stands out from what is around it, as one that a whole page is told. */
    block?: boolean;
    class?: string;
    children: Snippet;
  }

  let { tone = 'wrong', block = false, class: look = '', children }: Props = $props();

  const tones = {
    wrong: { text: 'text-madder', edge: 'border-madder', tint: 'bg-madder-tint' },
    look: { text: 'text-ink', edge: 'border-ochre', tint: 'bg-ochre-tint' },
    doing: { text: 'text-ink-2', edge: 'border-rule', tint: 'bg-fold' },
  };
  const shape = $derived(
    block ? `border-s-3 px-3 py-1.5 ${tones[tone].edge} ${tones[tone].tint}` : 'border-0 bg-transparent p-0 dark:bg-transparent',
  );
</script>

<!-- Read out at once where something is wrong, when there is time where not. -->
<Alert
  role={tone === 'wrong' ? 'alert' : 'status'}
  rounded={false}
  params={{ duration: 0 }}
  class={`text-[13px] leading-5 ${tones[tone].text} ${shape} ${look}`}
>
  {@render children()}
</Alert>
