<script lang="ts" generics="T extends string">
  import { Select } from 'flowbite-svelte';

  interface Props {
    label: string;
    value: T;
    items: readonly { value: T; name: string }[];
    onedit: (value: T) => void;
    at?: string;
    hideLabel?: boolean;
    class?: string;
  }

  let { label, value, items, onedit, at, hideLabel = false, class: extra = '' }: Props = $props();
  const id = $props.id();
</script>

<div class={`flex min-w-0 flex-col gap-0.5 ${extra}`}>
  <label for={id} class={hideLabel ? 'sr-only' : 'text-ink-2'}>{label}</label>
  <Select
    {id}
    {value}
    placeholder=""
    items={[...items]}
    data-at={at}
    onchange={(event: Event) => onedit((event.target as HTMLSelectElement).value as T)}
    classes={{
      select: 'h-[30px] rounded-[4px]! border border-field bg-sheet px-2 py-1 text-[13px] text-ink',
    }}
  />
</div>
