<script lang="ts">
  import { Badge } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';
  import { tones, type Tone } from './tones';

  interface Props {
    tone?: Tone;
    class?: string;
    children: Snippet;
  }

  let { tone = 'plain', class: look = '', children }: Props = $props();
</script>

<Badge params={{ duration: 0 }} class={`rounded-sm px-2 py-0.5 text-[13px] leading-5 font-semibold ${tones[tone]} ${look}`}>
  {@render children()}
</Badge>
