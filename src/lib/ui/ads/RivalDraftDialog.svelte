<script lang="ts">
  import { goto } from '$app/navigation';
  import { draftFromRival, type DraftedLine, type RivalDraft } from '$lib/core/ads/draft-from-rival';
  import { blank } from '$lib/core/records/record-types';
  import { childrenOf, inOrder, nextPosition } from '$lib/core/store/snapshot';
  import { briefTexts, firstLanguage, groupsInOrder } from '$lib/core/view/plan-view';
  import { wordTakenOut } from '$lib/wording/rival-draft';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Notice from '../parts/Notice.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import { newId } from '../state/synced-store.svelte';
  import { nameBeside } from './ad-state.svelte';
  import { pageReadings } from './page-readings.svelte';

  interface Props {
    planState: PlanState;
    open: boolean;
    rival: { name: string; domain: string };
    /** Names of the other rivals that are known. */
    others: readonly string[];
    ad: RivalDraft & { searches: readonly string[] };
  }

  let { planState, open = $bindable(), rival, others, ad }: Props = $props();

  const shell = getShell();
  const groups = $derived(groupsInOrder(planState.plan));
  /** The group that has most of what the ad ran for, else the first. */
  const fitting = $derived.by(() => {
    const searched = new Set(ad.searches);
    const shared = groups.map(
      ({ id }) => childrenOf(planState.snapshot.keyword, 'groupId', id).filter(({ text }) => searched.has(text)).length,
    );
    const most = Math.max(0, ...shared);
    return most > 0 ? shared.indexOf(most) : 0;
  });
  let chosen = $derived(groups[fitting]?.id ?? '');
  const group = $derived(groups.find(({ id }) => id === chosen) ?? null);
  const lines = $derived.by((): DraftedLine[] => {
    if (!open || !group) return [];
    const { plan, snapshot } = planState;
    const format = plan.rules.formats.responsive;
    const known = [
      group.theme,
      group.name,
      plan.brief.offer,
      ...childrenOf(snapshot.keyword, 'groupId', group.id).map(({ text }) => text),
      ...briefTexts(plan, 'fact'),
      ...briefTexts(plan, 'proof'),
      ...inOrder(snapshot.offer).map(({ name }) => name),
      ...inOrder(snapshot.place).map(({ name }) => name),
    ];
    const [label = ''] = rival.domain.split('.');
    return draftFromRival(ad, {
      language: firstLanguage(plan, snapshot.campaign.get(group.campaignId)),
      names: [rival.name, rival.domain, ...others, ...briefTexts(plan, 'rival'), label.replace(/-/g, ' ')].sort(
        (a, b) => b.length - a.length,
      ),
      known,
      limits: { headline: format.headlines.limit, description: format.descriptions.limit },
    });
  });
  /** Lines ticked or not by hand; others are taken where the brief bears them out. */
  let byHand = $state.raw<ReadonlyMap<number, boolean>>(new Map());
  const isTaken = (line: DraftedLine, at: number) => line.text !== '' && (byHand.get(at) ?? line.unknown.length === 0);
  const taken = $derived(lines.filter(isTaken));
  const reading = $derived(rival.domain === '' ? null : pageReadings.of(rival.domain));

  function make() {
    if (!group || taken.length === 0) return;
    const standing = childrenOf(planState.snapshot.ad, 'groupId', group.id);
    const id = newId();
    const rows = taken.map(({ kind, text }, position) => blank('adLine', { id: newId(), adId: id, kind, text, position }));
    const made = blank('ad', { id, groupId: group.id, name: nameBeside(standing), position: nextPosition(standing) });
    const refusal = planState.make({
      type: 'several',
      name: 'ad-added',
      changes: [
        { type: 'add', record: 'ad', rows: [made] },
        { type: 'add', record: 'adLine', rows },
      ],
    });
    if (refusal) return;
    shell.announce(`A draft of ${countOf(rows.length, 'line')} stands in ${group.name}. Ctrl Z takes it out.`);
    open = false;
    void goto(`/plans/${planState.planId}/ads?group=${group.id}&ad=${id}`);
  }
</script>

<Dialog bind:open title={`A draft out of an ad of ${rival.name}`} wide>
  {#if groups.length === 0}
    <p>Ads stand in groups: make a group first.</p>
  {:else}
    <div class="grid grid-cols-[minmax(0,1fr)_250px] gap-5">
      <div>
        <SelectField
          label="For the group"
          class="w-72 pb-2"
          value={chosen}
          items={groups.map(({ id, name }) => ({ value: id as string, name }))}
          onedit={(id) => ((chosen = id as typeof chosen), (byHand = new Map()))}
        />
        <ScrollArea label="Lines" class="max-h-[48vh] border-y border-rule">
          {#each lines as line, at (at)}
            <div class="flex items-baseline gap-2 border-b border-rule-soft py-1.5">
              <span class="w-4 shrink-0"
                >{#if line.text !== ''}<Checkbox
                    label={`Take ${line.text}`}
                    checked={isTaken(line, at)}
                    onchange={() => (byHand = new Map([...byHand, [at, !isTaken(line, at)]]))}
                  />{/if}</span
              >
              <div class="min-w-0 flex-1 [overflow-wrap:anywhere]">
                <p class={line.text === '' ? 'text-ink-3' : ''}>{line.text === '' ? 'Nothing of it is left' : line.text}</p>
                {#if line.text !== line.theirs}<p class="text-[12px] text-ink-2">theirs: {line.theirs}</p>{/if}
                {#each line.out as out, index (index)}<p class="text-[12px] text-ochre">{wordTakenOut(out)}</p>{/each}
                {#if line.unknown.length > 0 && line.text !== ''}<p class="text-[12px] text-ochre">
                    is it true of {planState.plan.client.name}? The brief does not say {line.unknown.map((word) => `“${word}”`).join(', ')}
                  </p>{/if}
                {#if line.isOver}<p class="text-[12px] text-madder">over the limit</p>{/if}
              </div>
              <span class="shrink-0 text-[12px] text-ink-2">{line.kind}</span>
            </div>
          {/each}
        </ScrollArea>
      </div>
      <section aria-label="Their page">
        <h3 class="flex items-baseline justify-between gap-2 pb-1">
          <span class="font-semibold">Their page</span>
          {#if rival.domain !== ''}<Button kind="link" onclick={() => void pageReadings.read(rival.domain)}
              >{reading ? 'Read again' : 'Read it'}</Button
            >{/if}
        </h3>
        {#if rival.domain === ''}<p class="text-ink-2">Its address is not known.</p>
        {:else if reading?.state === 'reading'}<Notice tone="doing">Reading …</Notice>
        {:else if reading?.state === 'failed'}<p class="text-madder">{reading.why}</p>
        {:else if reading?.state === 'read'}
          <ScrollArea label="What their page says" class="max-h-[44vh]">
            {#each reading.page.pieces as { kind, text }, at (at)}<p
                class={kind === 'title' || kind === 'heading' ? 'font-semibold' : kind === 'item' ? 'ps-3' : ''}
              >
                {text}
              </p>{/each}
          </ScrollArea>
        {:else}<p class="text-ink-2">{rival.domain}: what it says stands here once it is read.</p>{/if}
      </section>
    </div>
  {/if}
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={taken.length === 0} onclick={make}>Make a draft of {countOf(taken.length, 'line')}</Button>
  {/snippet}
</Dialog>
