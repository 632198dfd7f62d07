<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';
  import KeyCap from './KeyCap.svelte';

  interface Props {
    /** `act` does the screen's main thing, `plain` anything else, `link` stands in text, `quiet` is an icon or a chip. */
    kind?: 'act' | 'plain' | 'link' | 'quiet';
    /** The key that does the same, shown beside. */
    keys?: string;
    /** `submit` sends the form it stands in. */
    type?: 'button' | 'submit';
    href?: string;
    label?: string;
    title?: string;
    disabled?: boolean;
    pressed?: boolean;
    at?: string;
    class?: string;
    onclick?: (event: MouseEvent) => void;
    children: Snippet;
  }

  let {
    kind = 'plain',
    keys,
    type = 'button',
    href,
    label,
    title,
    disabled = false,
    pressed,
    at,
    class: extra = '',
    onclick,
    children,
  }: Props = $props();

  const shapes = {
    act: 'print:hidden rounded border border-act bg-act px-3 py-1 font-semibold text-sheet hover:bg-act-strong hover:text-sheet focus-within:text-sheet',
    plain:
      'print:hidden rounded border border-field bg-sheet px-3 py-1 font-semibold text-ink hover:bg-act-tint aria-pressed:border-act aria-pressed:bg-act-tint aria-pressed:text-act',
    link: 'rounded-none border-0 bg-transparent p-0 font-semibold text-act underline decoration-1 underline-offset-2 hover:bg-transparent hover:text-act-strong',
    quiet:
      'print:hidden rounded border border-transparent bg-transparent px-1.5 py-0.5 font-normal text-ink-2 hover:bg-fold hover:text-ink aria-pressed:bg-fold aria-pressed:font-semibold aria-pressed:text-ink',
  };
</script>

<Button
  color="alternative"
  size="xs"
  {type}
  {href}
  {disabled}
  {onclick}
  {title}
  aria-label={label}
  aria-pressed={pressed}
  data-at={at}
  data-act={kind === 'act' ? '' : undefined}
  class={`gap-1.5 text-[13px] leading-5 whitespace-nowrap focus-within:ring-0 focus-within:outline-none focus-visible:outline-2 focus-visible:outline-act ${shapes[kind]} ${extra}`}
>
  {@render children()}
  {#if keys}<KeyCap {keys} />{/if}
</Button>
