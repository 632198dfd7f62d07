<script lang="ts">
  import type { ListedStep } from '$lib/core/store/changes';
  import { wordStep } from '$lib/wording/steps';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import RowChange from '../parts/RowChange.svelte';
  import type { AnyRowEdit } from '$lib/core/store/snapshot';
  import type { SyncedStore } from '../state/synced-store.svelte';
  import Notice from '../parts/Notice.svelte';
  import RowButton from '../parts/RowButton.svelte';

  let { open = $bindable(), stream, currency }: { open: boolean; stream: SyncedStore; currency: string } = $props();

  const mostRows = 40;
  const time = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
  let steps = $state.raw<ListedStep[] | null>(null);
  let failure = $state('');
  let openStep = $state(0);
  let rows = $state.raw<AnyRowEdit[] | null>(null);
  const lastDone = $derived(steps?.find(({ state }) => state === 'done')?.id ?? 0);
  const undone = $derived(steps?.filter(({ state }) => state === 'undone').length ?? 0);

  const failed = (error: unknown) => (failure = error instanceof Error ? error.message : String(error));

  async function load() {
    failure = '';
    try {
      steps = await stream.readSteps();
    } catch (error) {
      failed(error);
    }
  }

  async function look(step: ListedStep) {
    openStep = openStep === step.id ? 0 : step.id;
    rows = null;
    if (openStep === 0) return;
    try {
      const read = await stream.readStep(step.id);
      if (openStep === step.id) rows = read;
    } catch (error) {
      failed(error);
    }
  }

  async function goTo(step: number) {
    await stream.goToStep(step);
    await load();
  }

  /** What going to a step would do, in words. */
  function goingTo(step: ListedStep): string {
    if (!steps) return '';
    if (step.state === 'undone')
      return `Make ${countOf(steps.filter(({ id, state }) => state === 'undone' && id <= step.id).length, 'step')} again`;
    return `Undo ${countOf(steps.filter(({ id, state }) => state === 'done' && id > step.id).length, 'later step')}`;
  }

  $effect(() => {
    if (open) void load();
  });
</script>

<!-- Native: whole rows that are pressed, not of a button’s shape. -->

<Dialog bind:open title="Steps" wide>
  {#if failure}<Notice>{failure}</Notice>{/if}
  {#if steps === null}
    <p class="text-ink-2">Reading the steps …</p>
  {:else if steps.length === 0}
    <p class="text-ink-2">No step yet. Each edit stands here once it is made; any of them can be gone back to, also after a restart.</p>
  {:else}
    <p class="text-ink-2">
      The last {countOf(steps.length, 'step')}, newest first{undone > 0 ? `; ${undone} undone` : ''}. Going back undoes every step after the
      one chosen; what is undone can be made again until something new is done.
    </p>
    <ol class="max-h-[56vh] overflow-y-auto border-y border-rule" aria-label="Steps, the last one first">
      {#each steps as step (step.id)}
        <li
          class={`border-b border-rule-soft ${step.state === 'undone' ? 'text-ink-3' : ''} ${openStep === step.id ? 'bg-sheet' : ''}`}
          data-step={step.id}
        >
          <div class="flex items-center gap-2 py-0.5 pe-2">
            <RowButton class="flex-1 px-2 py-0.5 hover:bg-fold" expanded={openStep === step.id} onclick={() => void look(step)}>
              <span class="w-28 shrink-0 font-mono text-[12px]">{time.format(new Date(step.madeAt))}</span>
              <span class="min-w-0 truncate">{wordStep(step.summary)}</span>
              <span class="shrink-0 text-[12px]">{countOf(step.rows, 'row')}{step.state === 'undone' ? ', undone' : ''}</span>
            </RowButton>
            {#if step.id === lastDone}<span class="shrink-0 font-semibold text-act">stands now</span>
            {:else}<Button kind="link" onclick={() => void goTo(step.id)}>{goingTo(step)}</Button>{/if}
          </div>
          {#if openStep === step.id}
            <ul class="ps-9 pb-2 text-[12.5px] text-ink">
              {#each rows?.slice(0, mostRows) ?? [] as row (`${row.record} ${row.id}`)}
                <li class="py-px break-words"><RowChange {row} {currency} /></li>
              {/each}
              {#if rows === null}<li class="text-ink-2">Reading …</li>{/if}
              {#if step.rows > mostRows}<li class="text-ink-2">and {step.rows - mostRows} more rows</li>{/if}
            </ul>
          {/if}
        </li>
      {/each}
    </ol>
  {/if}
  {#snippet footer()}
    {#if lastDone > 0}<Button onclick={() => void goTo(0)}>Back to before all of them</Button>{/if}
    <Button kind="act" onclick={() => (open = false)}>Done</Button>
  {/snippet}
</Dialog>
