<script lang="ts">
  import { parkKeywords } from '$lib/core/forecast/plan-changes';
  import type { ThinGroup } from '$lib/core/forecast/too-thin';
  import { childrenOf } from '$lib/core/store/snapshot';
  import { wordRange } from '$lib/wording/figures';
  import { thinWords } from '$lib/wording/forecast';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import Table from '../parts/Table.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { newId } from '../state/synced-store.svelte';
  import type { ForecastPage } from './forecast-page.svelte';

  /** Thin groups, the thinnest first: pause one by parking its keywords, trim it to what learns, merge it, or put it on trial. */
  let { page, open = $bindable() }: { page: ForecastPage; open: boolean } = $props();

  const shell = getShell();
  const { planState } = $derived(page);
  const thin = $derived(planState.forecast.summary?.thinness.thin ?? []);
  const trialDays = 30;

  function park(group: ThinGroup, ids: readonly string[]) {
    if (page.make(parkKeywords(planState.plan, ids, newId)))
      shell.announce(`${countOf(ids.length, 'keyword')} of ${group.name} parked. Ctrl Z brings them back.`);
  }
  /** Parks what gets too few clicks. */
  async function trim(group: ThinGroup) {
    park(group, (await planState.forecast.ask('idle', { groupId: group.id })) ?? []);
  }
  const allOf = ({ id }: ThinGroup) => childrenOf(planState.snapshot.keyword, 'groupId', id).map((keyword) => keyword.id as string);

  /** The largest other group of its campaign. */
  function mergeTarget({ id, campaignId }: ThinGroup) {
    const others = childrenOf(planState.snapshot.group, 'campaignId', campaignId).filter((group) => group.id !== id);
    const size = (groupId: string) => childrenOf(planState.snapshot.keyword, 'groupId', groupId).length;
    return others.sort((a, b) => size(b.id) - size(a.id))[0] ?? null;
  }
  function merge(group: ThinGroup) {
    const into = mergeTarget(group);
    if (into && !planState.make({ type: 'merge-groups', ids: [group.id], into: into.id }))
      shell.announce(`${group.name} is part of ${into.name} now. Ctrl Z takes it back.`);
  }
  function tryOut(group: ThinGroup) {
    const until = new Date(`${page.startsOn > planState.today ? page.startsOn : planState.today}T12:00:00Z`);
    until.setUTCDate(until.getUTCDate() + trialDays);
    planState.set('group', group.id, { trialUntil: until.toISOString().slice(0, 10), trialDecides: 'an enquiry within the trial' });
  }
</script>

<Dialog bind:open title="Too thin to learn" wide>
  <p class="text-ink-2">
    The thinnest first. Parked keywords stay in their group’s margin and can be put back; a trial is thin on purpose, until a day that its
    group says.
  </p>
  <ScrollArea label="Thin groups" class="max-h-96 border-y border-rule">
    <Table
      sticky="sheet"
      heads={[
        { name: 'Group' },
        { name: 'Clicks', isFigure: true },
        { name: 'Keywords that learn', isFigure: true },
        { name: 'First', room: 'ps-4' },
        { name: 'Do', isHidden: true },
      ]}
    >
      {#each thin as group (group.id)}
        <tr class="border-t border-rule-soft">
          <td class="py-1"
            ><a class="hover:underline" href={`/plans/${planState.planId}/groups?campaign=${group.campaignId}&group=${group.id}`}
              >{group.name}</a
            ></td
          >
          <td class="text-end font-mono text-[12.5px] whitespace-nowrap">{wordRange(group.clicks)}</td>
          <td class="text-end font-mono text-[12.5px]">{group.learning} of {group.keywords}</td>
          <td class="ps-4 text-ink-2">{thinWords[group.first]}</td>
          <td class="flex justify-end gap-2.5 py-1 ps-3 whitespace-nowrap">
            <Button kind="link" onclick={() => park(group, allOf(group))}>Pause</Button>
            {#if group.learning > 0 && group.idle > 0}<Button kind="link" onclick={() => void trim(group)}>Trim {group.idle}</Button>{/if}
            {#if mergeTarget(group)}<Button kind="link" title={`Into ${mergeTarget(group)?.name}`} onclick={() => merge(group)}
                >Merge</Button
              >{/if}
            <Button kind="link" onclick={() => tryOut(group)}>Trial</Button>
          </td>
        </tr>
      {:else}<tr><td class="py-2 text-ink-2" colspan="5">No group is too thin now.</td></tr>{/each}
    </Table>
  </ScrollArea>
  {#snippet footer()}<Button onclick={() => (open = false)}>Close</Button>{/snippet}
</Dialog>
