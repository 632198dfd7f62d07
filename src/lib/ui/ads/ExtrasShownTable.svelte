<script lang="ts">
  import { extrasShown } from '$lib/core/view/extras-shown';
  import { extraKinds } from '$lib/core/records/extra';
  import { groupsInOrder } from '$lib/core/view/plan-view';
  import { extraWords } from '$lib/wording/extra-findings';
  import { levelWords, sayExtra } from '$lib/wording/extras';
  import Button from '../parts/Button.svelte';
  import Table from '../parts/Table.svelte';
  import type { PlanState } from '../state/plan-state.svelte';

  /** What ads of each group are shown with, and which level it comes from. */
  let { planState, onopen }: { planState: PlanState; onopen: (key: string) => void } = $props();

  const rows = $derived(
    groupsInOrder(planState.plan).map((group) => ({
      group,
      campaign: planState.snapshot.campaign.get(group.campaignId)?.name ?? '',
      shown: new Map(extrasShown(planState.snapshot, group).map((one) => [one.kind, one])),
    })),
  );
  const kinds = $derived(extraKinds.filter((kind) => rows.some(({ shown }) => shown.has(kind))));
  const first = (text: string) => text.slice(0, 1).toUpperCase() + text.slice(1);
</script>

{#if rows.length === 0 || kinds.length === 0}
  <p class="py-6 text-ink-2">No extra is shown yet.</p>
{:else}
  <p class="py-2 text-ink-2">Of each kind the nearest level that has any is shown: the group’s, else the campaign’s, else the plan’s.</p>
  <Table
    caption="Extras shown with the ads of each group"
    heads={[{ name: 'Group', room: 'pe-3' }, ...kinds.map((kind) => ({ name: first(extraWords[kind]), room: 'pe-3' }))]}
  >
    {#each rows as { group, campaign, shown } (group.id)}
      <tr class="border-b border-rule-soft align-baseline">
        <td class="py-1 pe-3"
          ><Button kind="link" onclick={() => onopen(group.id)}>{group.name}</Button><span class="block text-[12px] text-ink-2"
            >{campaign}</span
          ></td
        >
        {#each kinds as kind (kind)}
          {@const one = shown.get(kind)}
          <td class="py-1 pe-3" title={one?.extras.map((extra) => sayExtra(extra, planState.currency)).join('\n')}>
            {#if one}{one.extras.length}
              <span class={one.level === 'plan' ? 'text-ink-2' : 'text-slate'}>of {levelWords[one.level]}</span
              >{#if one.over.length > 0}<span class="block text-[12px] text-ink-2"
                  >over {one.over.map((level) => levelWords[level]).join(' and ')}</span
                >{/if}{:else}<span class="text-ink-3">none</span>{/if}
          </td>
        {/each}
      </tr>
    {/each}
  </Table>
{/if}
