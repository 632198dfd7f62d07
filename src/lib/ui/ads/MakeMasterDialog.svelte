<script lang="ts">
  import { compareTexts } from '$lib/core/ads/line-differences';
  import { slotAd } from '$lib/core/ads/master-from-ad';
  import type { Ad } from '$lib/core/records/ad';
  import type { Group } from '$lib/core/records/group';
  import { blank } from '$lib/core/records/record-types';
  import { inOrder, nextPosition } from '$lib/core/store/snapshot';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Input from '../parts/Input.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import { newId } from '../state/synced-store.svelte';
  import DifferingWords from './DifferingWords.svelte';

  interface Props {
    planState: PlanState;
    open: boolean;
    group: Group;
    ad: Ad;
    onmade: (masterId: string) => void;
  }

  let { planState, open = $bindable(), group, ad, onmade }: Props = $props();

  const shell = getShell();
  const masters = $derived(inOrder(planState.workspace.snapshot.master));
  const proposed = $derived(open ? slotAd(planState.plan, group, ad) : { lines: [], path1: '', path2: '' });
  let name = $derived(`${planState.plan.client.name}, as ${group.name}`);
  /** Lines that keep their words. */
  let plain = $state.raw<ReadonlySet<string>>(new Set());
  const isTaken = $derived(masters.some((master) => master.name === name.trim()));
  const slotted = $derived(proposed.lines.filter(({ slots }) => slots.length > 0).length);
  const toggle = (id: string) => (plain = new Set(plain.has(id) ? [...plain].filter((one) => one !== id) : [...plain, id]));

  /** The master is made, and the ad tied to it: its lines become the master's, which read here as they did. */
  function make() {
    const { workspace } = planState;
    const own = name.trim();
    if (own === '' || isTaken) return;
    const id = newId();
    const texts = proposed.lines.map(({ line, text }) => ({ line, text: plain.has(line.id) ? line.text : text, id: newId() }));
    const { path1, path2 } = proposed;
    const rows = texts.map(({ line, text, id: lineId }, position) =>
      blank('masterLine', { id: lineId, masterId: id, kind: line.kind, text, fixedAt: line.fixedAt, position }),
    );
    workspace.make({
      type: 'several',
      name: 'ad-added',
      changes: [
        {
          type: 'add',
          record: 'master',
          rows: [blank('master', { id, name: own, format: ad.format, path1, path2, position: nextPosition(masters) })],
        },
        { type: 'add', record: 'masterLine', rows },
      ],
    });
    planState.make({
      type: 'several',
      name: 'master-applied',
      changes: [
        { type: 'set', record: 'ad', ids: [ad.id], fields: { masterName: own, masterPaths: [path1, path2], path1, path2 } },
        {
          type: 'set-each',
          record: 'adLine',
          rows: texts.map(({ line, text, id: lineId }) => ({ id: line.id as string, text, masterLineId: lineId, masterText: text })),
        },
      ],
    });
    shell.announce(`Master ${own} made of ad ${ad.name}.`);
    open = false;
    onmade(id);
  }
</script>

<Dialog bind:open title={`Make ad ${ad.name} of ${group.name} a master`} wide>
  <label class="grid gap-0.5"
    ><span class="text-ink-2">Name of the master</span><Input
      data-autofocus
      bind:value={name}
      aria-label="Name of the master"
    />{#if isTaken}<span class="text-madder" role="alert">A master has that name.</span>{/if}</label
  >
  <p class="pt-2 text-ink-2">
    {slotted === 0
      ? 'Nothing of this group’s own was found in it: it reads the same in every group.'
      : 'The group’s theme, place, price and offer become slots. Each line reads in this group as it did; untick what is to stay as it is.'}
  </p>
  <ScrollArea label="Lines of the master" class="max-h-[44vh] border-y border-rule">
    {#each proposed.lines as { line, text, slots } (line.id)}
      <div class="flex items-baseline gap-2 border-b border-rule-soft py-1">
        <span class="w-4 shrink-0">
          {#if slots.length > 0}<Checkbox
              label={`Slots in ${line.text}`}
              checked={!plain.has(line.id)}
              onchange={() => toggle(line.id)}
            />{/if}
        </span>
        <span class="w-20 shrink-0 text-ink-2">{line.kind}</span>
        {#if slots.length > 0 && !plain.has(line.id)}<DifferingWords pieces={compareTexts(line.text, text)} />{:else}<span>{line.text}</span
          >{/if}
      </div>
    {/each}
    {#if proposed.path1 !== ad.path1 || proposed.path2 !== ad.path2}
      <p class="py-1 ps-6">
        <span class="inline-block w-20 text-ink-2">paths</span>/{proposed.path1}{proposed.path2 ? `/${proposed.path2}` : ''}
      </p>
    {/if}
  </ScrollArea>
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={name.trim() === '' || isTaken} onclick={make}>Make the master</Button>
  {/snippet}
</Dialog>
