<script lang="ts">
  import { Input } from 'flowbite-svelte';

  type Listener<E extends Event = Event> = (event: E & { currentTarget: HTMLInputElement }) => void;
  interface Props {
    value: string | number;
    /** Its look; as wide as there is room, unless a width stands with `!`. */
    class?: string;
    placeholder?: string;
    title?: string;
    /** The id of a list of suggestions. */
    list?: string;
    inputmode?: 'text' | 'numeric';
    oninput?: Listener;
    onchange?: Listener;
    onkeydown?: Listener<KeyboardEvent>;
    'aria-label'?: string;
    /** How findings and “Go to…” lead to it. */
    'data-at'?: string;
    /** It takes the focus when its dialog opens. */
    'data-autofocus'?: boolean;
  }

  let { value = $bindable(), class: look = 'h-[30px]', oninput, onchange, onkeydown, ...rest }: Props = $props();
</script>

<!-- One line that is not saved by itself: what a dialog asks, what filters a list. Fields of a plan are `TextField`s. -->
<Input
  type="text"
  bind:value
  autocomplete="off"
  spellcheck={false}
  {...rest}
  oninput={oninput as (event: Event) => void}
  onchange={onchange as (event: Event) => void}
  onkeydown={onkeydown as (event: KeyboardEvent) => void}
  class={`rounded-[4px]! border border-field bg-sheet px-2 py-0 text-[13px] text-ink placeholder:text-ink-3 focus:ring-0 ${look}`}
/>
