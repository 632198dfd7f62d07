<script lang="ts">
  import { formatMoney } from '$lib/core/money/money';
  import type { Plan } from '$lib/core/records/plan';
  import { countOf, wordDate } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import ChapterMark from '../shell/ChapterMark.svelte';
  import { planChapters } from '../shell/chapters';
  import type { PlanSummary } from '$lib/core/proof/summarize-plan';
  import { nextThing } from './shelf-summaries.svelte';
  import Menu from '../parts/Menu.svelte';

  interface Props {
    plan: Plan;
    currency: string;
    summary: PlanSummary | undefined;
    cloth: string;
    oncopy: () => void;
    onarchive: () => void;
    ondelete: () => void;
    onrename: (name: string) => void;
  }

  let { plan, currency, summary, cloth, oncopy, onarchive, ondelete, onrename }: Props = $props();

  const goals: Record<string, string> = { sales: 'Sales', leads: 'Leads', calls: 'Calls', visits: 'Visits' };
  const line = $derived(
    summary
      ? [
          goals[summary.goal],
          summary.places.slice(0, 3).join(', ') || 'no place yet',
          `${countOf(summary.campaigns, 'campaign')}, ${countOf(summary.keywords, 'keyword')}, ${countOf(summary.ads, 'ad')}`,
        ].join(' · ')
      : '…',
  );
  const next = $derived(summary && nextThing(summary));
  let isRenaming = $state(false);
  let draft = $state('');

  function startRenaming() {
    draft = plan.name;
    isRenaming = true;
  }
  function rename() {
    isRenaming = false;
    if (draft.trim() !== '' && draft !== plan.name) onrename(draft.trim());
  }
</script>

<!-- Native: the name in its own type, in the place where it stands. -->

<article class={`flex rounded-sm border border-rule bg-sheet ${plan.archivedOn ? 'opacity-75' : ''}`} data-plan={plan.name}>
  <div class={`w-2 shrink-0 rounded-s-sm ${cloth}`}></div>
  <div class="min-w-0 flex-1">
    <div class="flex items-start gap-4 px-3 py-2">
      <div class="min-w-0 flex-1">
        {#if isRenaming}
          <input
            class="h-7 w-full rounded border border-field bg-paper px-2 py-0 font-serif text-[17px]"
            aria-label="Name of the plan"
            {@attach (field: HTMLInputElement) => field.select()}
            bind:value={draft}
            onblur={rename}
            onkeydown={(event) => {
              if (event.key === 'Enter') rename();
              if (event.key === 'Escape') isRenaming = false;
            }}
          />
        {:else}
          <h3 class="truncate font-serif text-[17px] leading-6">
            <a class="hover:underline" href={`/plans/${plan.id}/brief`}>{plan.name}</a>
          </h3>
        {/if}
        <p class="line-clamp-2 text-ink-2" title={line}>{line}</p>
      </div>
      <div class="w-44 shrink-0 pt-0.5">
        {#if next}<Button kind="link" href={`/plans/${plan.id}/${next.chapter}`}>{next.label}</Button>{/if}
        <p class="text-ink-2">
          {plan.archivedOn
            ? `archived ${wordDate(plan.archivedOn)}`
            : plan.handedOffOn
              ? `handed off ${wordDate(plan.handedOffOn)}`
              : 'in draft'}
        </p>
      </div>
      <p class="w-24 shrink-0 text-end">
        <span class="font-mono">{summary?.monthlyMinor == null ? '–' : formatMoney(summary.monthlyMinor, currency, { whole: true })}</span
        ><br /><span class="text-ink-2">a month</span>
      </p>
      <p class="w-24 shrink-0 text-end">
        {summary?.startsOn ? wordDate(summary.startsOn) : 'not set'}<br /><span class="text-ink-2">start</span>
      </p>
    </div>
    <div class="flex border-t border-rule-soft">
      {#each planChapters as { id, name } (id)}
        <a
          href={`/plans/${plan.id}/${id}`}
          class="flex min-w-0 flex-1 flex-col gap-0.5 border-e border-rule-soft px-2.5 py-1 -outline-offset-2 hover:bg-paper"
        >
          <span class="truncate text-ink-2">{name}</span>
          <span class="h-[18px] text-[12px] text-ink-2"
            >{#if summary}<ChapterMark
                counts={summary.chapters[id]}
                isOpen={summary.empty.includes(id) ||
                  (id === 'hand-off' && !plan.handedOffOn) ||
                  (id === 'proof' && summary.counts.fix + summary.counts.look > 0)}
              />{/if}</span
          >
        </a>
      {/each}
      <div class="flex items-center gap-0.5 px-1.5">
        <Button kind="quiet" label={`Copy ${plan.name}`} onclick={oncopy}>Copy</Button>
        <Menu
          name="More"
          label={`More for ${plan.name}`}
          items={[
            { name: 'Rename', run: startRenaming },
            { name: plan.archivedOn ? 'Take back' : 'Archive', run: onarchive },
            { name: 'Delete', run: ondelete },
          ]}
        />
      </div>
    </div>
  </div>
</article>
