<script lang="ts">
  import { blank } from '$lib/core/records/record-types';
  import { nextPosition } from '$lib/core/store/snapshot';
  import { figuresOfLook, planLooks, startOf, type PlannedLook } from '$lib/core/terms/looks';
  import { daysBetween } from '$lib/core/text/days';
  import { countsEnquiries } from '$lib/core/view/plan-view';
  import { nameLook, wordAlarm, wordExpected, wordLook } from '$lib/wording/looks';
  import { conversionWords } from '$lib/wording/terms';
  import { wordDate } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import EmptyState from '../parts/EmptyState.svelte';
  import Input from '../parts/Input.svelte';
  import { download } from './download';
  import type { PlanState } from '../state/plan-state.svelte';
  import { newId } from '../state/synced-store.svelte';

  /** The looks at a plan that runs: what is expected by then, what would be alarming, what was done. */
  let { planState }: { planState: PlanState } = $props();

  $effect(() => planState.forecast.watch());
  const { snapshot, plan: view } = $derived(planState);
  const looks = $derived(planLooks(view));
  const start = $derived(startOf(view));
  const names = $derived(conversionWords(countsEnquiries(view.brief.goal)));
  const { summary } = $derived(planState.forecast);
  const daysOf = ({ day }: PlannedLook) => (start === null ? 0 : daysBetween(start, day));
  const figures = $derived(new Map(summary ? looks.map((look) => [look.key, figuresOfLook(view, summary, daysOf(look))]) : []));

  function note(look: PlannedLook, fields: { doneOn?: string | null; note?: string }) {
    if (look.noted) planState.set('look', look.noted.id, fields);
    else planState.add('look', blank('look', { id: newId(), key: look.key, position: nextPosition(snapshot.look.values()), ...fields }));
  }
  const said = (look: PlannedLook): string[] => {
    const own = figures.get(look.key);
    const { currency } = planState;
    return own ? [wordExpected(own, currency, names), wordAlarm(own, currency, names)] : [];
  };

  /** The looks as an iCalendar file, whole days each. */
  async function save() {
    const { default: ical } = await import('ical-generator');
    const calendar = ical({
      name: `${view.client.name}, ${view.plan.name}`,
      prodId: { company: 'Biblion', product: 'looks', language: 'EN' },
    });
    for (const look of looks)
      calendar.createEvent({
        id: `${view.plan.id}-${look.key}@biblion.invalid`,
        start: new Date(`${look.day}T00:00:00Z`),
        allDay: true,
        timezone: 'UTC',
        stamp: new Date(),
        summary: `${view.plan.name}: ${nameLook(look)}`,
        description: [...wordLook(look), ...said(look), look.noted?.note ?? ''].filter(Boolean).join('\n'),
      });
    const address = URL.createObjectURL(new Blob([calendar.toString()], { type: 'text/calendar' }));
    download(address, `${view.plan.name.replace(/[^\p{L}\p{N} _-]+/gu, '')}.ics`);
    URL.revokeObjectURL(address);
  }
</script>

<div class="min-h-0 flex-1 overflow-y-auto px-[22px] py-3">
  <div class="flex items-baseline gap-3 border-b border-rule pb-2">
    <h2 class="font-semibold">After the launch</h2>
    <p class="text-ink-2">
      {start === null ? 'No start is set: the days are counted from it.' : `counted from ${wordDate(start)}`}
    </p>
    <span class="ms-auto flex gap-1.5 print:hidden">
      <Button href={`/plans/${planState.planId}/research?view=terms`}>Search terms</Button>
      <Button disabled={looks.length === 0} onclick={() => print()}>Print</Button>
      <Button disabled={looks.length === 0} onclick={() => void save()}>Calendar file</Button>
    </span>
  </div>
  {#each looks as look (look.key)}
    {@const isDue = look.day <= planState.today && !look.noted?.doneOn}
    <section
      aria-label={nameLook(look)}
      class="grid grid-cols-[150px_minmax(0,1fr)_260px] gap-x-5 border-b border-rule-soft py-3"
      data-look={look.key}
    >
      <div>
        <h3 class="font-serif text-[16px]">{nameLook(look)}</h3>
        <p class={isDue ? 'font-semibold text-ochre' : 'text-ink-2'}>{wordDate(look.day)}{isDue ? ', due' : ''}</p>
      </div>
      <div class="flex flex-col gap-1">
        {#each wordLook(look) as sentence (sentence)}<p>{sentence}</p>{/each}
        {#each look.tests as ad (ad.id)}
          <p>
            <a class="underline" href={`/plans/${planState.planId}/ads?group=${ad.groupId}&ad=${ad.id}`}
              >{snapshot.group.get(ad.groupId)?.name}, ad {ad.name}</a
            >
          </p>
        {/each}
        {#each said(look) as sentence (sentence)}<p class="text-ink-2">{sentence}</p>{/each}
      </div>
      <div class="flex flex-col gap-1.5">
        <Checkbox
          checked={look.noted?.doneOn != null}
          onchange={({ currentTarget }) => note(look, { doneOn: currentTarget.checked ? planState.today : null })}
          >{look.noted?.doneOn ? `done on ${wordDate(look.noted.doneOn)}` : 'done'}</Checkbox
        >
        <Input
          aria-label={`Note on ${nameLook(look)}`}
          placeholder="what was decided"
          bind:value={() => look.noted?.note ?? '', (text) => note(look, { note: text })}
        />
      </div>
    </section>
  {:else}
    <EmptyState>Set a start in Settings, and the looks stand here with their days.</EmptyState>
  {/each}
</div>
