<script lang="ts">
  import { readExtrasText } from '$lib/core/exchange/extras-text';
  import { inOrder } from '$lib/core/store/snapshot';
  import type { ExtraOwner } from '$lib/core/view/extras-shown';
  import { extraWords } from '$lib/wording/extra-findings';
  import { sayExtra } from '$lib/wording/extras';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import TextArea from '../parts/TextArea.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import { extraRows, ownerItems, ownerKey } from './extra-sections';

  let { planState, owner, open = $bindable() }: { planState: PlanState; owner: ExtraOwner; open: boolean } = $props();

  const shell = getShell();
  let text = $state('');
  const extras = $derived(
    readExtrasText(text, {
      rules: planState.plan.rules,
      currency: planState.currency,
      country: inOrder(planState.snapshot.place)[0]?.country ?? '',
    }),
  );
  const name = $derived(
    ownerItems(planState.plan)
      .find(({ value }) => value === ownerKey(owner))
      ?.name.trim() ?? '',
  );

  function add() {
    if (
      planState.make({
        type: 'several',
        name: 'extras-added',
        changes: [{ type: 'add', record: 'extra', rows: extraRows(planState.plan, owner, extras) }],
      })
    )
      return;
    shell.announce(`${countOf(extras.length, 'extra')} added. Ctrl Z takes them out.`);
    [open, text] = [false, ''];
  }
</script>

<Dialog bind:open title={`Extras for ${name}, pasted`} wide>
  <div class="grid grid-cols-2 gap-5">
    <div>
      <p class="pb-1 text-ink-2">A line an extra, its parts with a tab, | or ; between them:</p>
      <ul class="pb-2 font-mono text-[12px] text-ink-2">
        <li>Prices | What a visit costs | And what it includes | client.example/prices</li>
        <li>Evening visits</li>
        <li>Types: Grand, Upright, Square</li>
        <li>Tuning | one visit | 96 | client.example/tuning</li>
        <li>01335 342000</li>
      </ul>
      <TextArea aria-label="Extras" class="w-full" rows={11} data-autofocus bind:value={text} />
    </div>
    <ScrollArea label="Read as" class="max-h-[50vh]">
      {#each extras as extra, at (at)}
        <p class="grid grid-cols-[100px_minmax(0,1fr)] gap-2 border-b border-rule-soft py-1">
          <span class="text-ink-2">{extraWords[extra.kind]}</span>
          <span class="[overflow-wrap:anywhere]"
            >{sayExtra(extra, planState.currency)}{#if extra.description1 !== ''}<span class="block text-ink-2"
                >{extra.description1}{extra.description2 === '' ? '' : ` · ${extra.description2}`}</span
              >{/if}{#if extra.address !== ''}<span class="block font-mono text-[12px]">{extra.address}</span>{/if}</span
          >
        </p>
      {:else}<p class="text-ink-2">Nothing yet.</p>{/each}
    </ScrollArea>
  </div>
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={extras.length === 0} onclick={add}>Add {countOf(extras.length, 'extra')}</Button>
  {/snippet}
</Dialog>
