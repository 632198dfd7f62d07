<script lang="ts" generics="Id extends string">
  import { Tabs } from 'bits-ui';

  interface Tab {
    id: Id;
    name: string;
    /** What stands before the name, as how many it holds. */
    count?: string;
  }

  interface Props {
    label: string;
    tabs: readonly Tab[];
    value: Id;
    /** The element that shows what the tab at hand is about. */
    panelId?: string;
    /** `line` under the chosen one, `box` around all. */
    kind?: 'line' | 'box';
    onpick: (id: Id) => void;
  }

  let { label, tabs, value, panelId, kind = 'line', onpick }: Props = $props();

  const shapes = {
    line: {
      list: 'contents',
      tab: 'flex shrink-0 items-center gap-1 border-b-3 border-transparent px-0.5 text-ink-2 data-[state=active]:border-madder data-[state=active]:font-semibold data-[state=active]:text-ink',
    },
    box: {
      list: 'flex overflow-hidden rounded border border-field',
      tab: 'bg-sheet px-2 py-0.5 font-semibold text-ink-2 data-[state=active]:bg-ink data-[state=active]:text-paper',
    },
  };
</script>

<!-- Over bits-ui: the library's tabs hold their panels, and here the panel stands elsewhere on the screen. -->
<Tabs.Root {value} activationMode="manual" onValueChange={(id) => onpick(id as Id)} class="contents">
  <Tabs.List aria-label={label} class={shapes[kind].list}>
    {#each tabs as { id, name, count } (id)}
      <Tabs.Trigger value={id} aria-controls={panelId} class={`-outline-offset-2 ${shapes[kind].tab}`}
        >{#if count !== undefined}<span class="font-mono text-[12px]">{count}</span>{/if}{name}</Tabs.Trigger
      >
    {/each}
  </Tabs.List>
</Tabs.Root>
