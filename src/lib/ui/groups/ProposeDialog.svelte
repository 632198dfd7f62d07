<script lang="ts">
  import Input from '../parts/Input.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import type { ProposedGroup } from '$lib/core/groups/propose-groups';
  import type { Find } from '$lib/core/records/find';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { newId } from '../state/synced-store.svelte';
  import { applyProposal } from './make-groups';
  import type { SheetState } from './sheet-state.svelte';
  import Notice from '../parts/Notice.svelte';

  let { open = $bindable(), sheet }: { open: boolean; sheet: SheetState } = $props();

  const shell = getShell();
  /** Null while they are found, off the thread that draws. */
  let proposals = $state.raw<ProposedGroup<Find>[] | null>(null);
  $effect(() => {
    const { campaign, ungrouped } = sheet;
    if (!open || !campaign) return;
    let isGone = false;
    const byId = new Map(ungrouped.map((find) => [find.id as string, find]));
    void sheet.planState.reader.ask('proposed-groups', { campaignId: campaign.id, findIds: [...byId.keys()] }).then((said) => {
      if (!isGone)
        proposals = said.map(({ findIds, ...proposal }) => ({ ...proposal, finds: findIds.flatMap((id) => byId.get(id) ?? []) }));
    });
    return () => {
      isGone = true;
      proposals = null;
    };
  });
  let names = $state<Record<number, string>>({});
  let left = $state<Record<number, boolean>>({});
  const nameOf = (index: number, theme: string) => names[index] ?? theme.slice(0, 1).toUpperCase() + theme.slice(1);
  const chosen = $derived(
    (proposals ?? [])
      .map((proposal, index) => ({ ...proposal, index, name: nameOf(index, proposal.theme) }))
      .filter(({ index }) => !left[index]),
  );
  const total = $derived(chosen.reduce((sum, { finds }) => sum + finds.length, 0));

  const reasonOf = ({ reason, shared, finds }: ProposedGroup<Find>) =>
    reason === 'own-name'
      ? 'they hold the client’s own name'
      : reason === 'shared'
        ? `all ${finds.length} hold “${shared}”`
        : finds.length === 1
          ? 'it shares no word with another'
          : 'they share no word with two others';

  function apply() {
    if (!sheet.campaign) return;
    const count = chosen.length;
    if (sheet.planState.make(applyProposal(sheet.planState.snapshot, sheet.campaign.id, chosen, newId))) return;
    shell.announce(`${countOf(count, 'group')} made. Ctrl Z takes them back.`);
    names = {};
    left = {};
    open = false;
  }
</script>

<Dialog bind:open title={`Groups proposed for ${sheet.campaign?.name ?? ''}`} wide>
  {#if !proposals}
    <Notice tone="doing">Finding what the kept finds share …</Notice>
  {:else if proposals.length === 0}
    <p class="text-ink-2">No kept find is without a group. Keep some in Research first.</p>
  {:else}
    <p class="text-ink-2">
      From the words that {countOf(sheet.ungrouped.length, 'kept find')} share. Rename them, leave some out; nothing is made before you say so.
    </p>
    <ul class="max-h-[54vh] overflow-y-auto border-t border-rule">
      {#each proposals as proposal, index (index)}
        <li
          class={`grid grid-cols-[24px_200px_minmax(0,1fr)] items-start gap-2 border-b border-rule-soft py-1.5 ${left[index] ? 'opacity-60' : ''}`}
        >
          <Checkbox
            label={`Make ${nameOf(index, proposal.theme)}`}
            checked={!left[index]}
            onchange={(event) => (left[index] = !event.currentTarget.checked)}
          />
          <Input
            class="h-[28px] font-semibold"
            aria-label="Name of the group"
            value={nameOf(index, proposal.theme)}
            oninput={(event) => (names[index] = event.currentTarget.value)}
          />
          <div class="min-w-0 pt-1">
            <p>
              <span class="font-semibold">{countOf(proposal.finds.length, 'keyword')}</span>
              <span class="text-ink-2">because {reasonOf(proposal)}</span>
            </p>
            <p class="text-ink-2">{proposal.finds.map(({ text }) => text).join(', ')}</p>
          </div>
        </li>
      {/each}
    </ul>
  {/if}
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={chosen.length === 0 || chosen.some(({ name }) => name.trim() === '')} onclick={apply}
      >Make {countOf(chosen.length, 'group')} with {countOf(total, 'keyword')}</Button
    >
  {/snippet}
</Dialog>
