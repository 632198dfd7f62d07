<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Input from '../parts/Input.svelte';
  import Table from '../parts/Table.svelte';
  import Radio from '../parts/Radio.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import { goto } from '$app/navigation';
  import { untrack } from 'svelte';
  import type { Range } from '$lib/core/market/range';
  import { radiusIn, readRadius, unitOf } from '$lib/core/places/distance';
  import type { FoundPlace } from '$lib/core/places/found-place';
  import type { TextChange } from '$lib/core/copying/text-changes';
  import type { Campaign } from '$lib/core/records/campaign';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import { languageItems } from '../parts/languages';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';
  import { findByCode } from '../places/find-by-code';
  import PlaceSearchField from '../places/PlaceSearchField.svelte';
  import { readInPlan } from '../shelf/new-plan';
  import { getShell } from '../shell/shell.svelte';
  import { CopyDraft } from './copy-draft.svelte';
  import Notice from '../parts/Notice.svelte';

  let { planState, campaign, open = $bindable() }: { planState: PlanState; campaign: Campaign; open: boolean } = $props();

  const id = $props.id();
  const shell = getShell();
  const draft = untrack(() => new CopyDraft(planState, campaign));
  let failure = $state('');
  let isMaking = $state(false);
  const mostShown = 300;
  const kinds: Record<TextChange['kind'], string> = {
    group: 'ad group',
    theme: 'theme',
    keyword: 'keyword',
    negative: 'negative',
    headline: 'headline',
    description: 'description',
    path: 'path',
    address: 'address',
    extra: 'extra',
    tracking: 'tracking',
  };
  const languages = $derived([
    { value: '', name: `stays: ${campaign.languages.join(', ') || 'none'}` },
    ...languageItems.map(({ value, name }) => ({ value: value as string, name })),
  ]);
  const whole = new Intl.NumberFormat('en-GB', { maximumSignificantDigits: 3 });
  const sayRange = ({ low, high }: Range) => `${whole.format(low)}–${whole.format(high)}`;
  const sayFactor = (mean: number) =>
    draft.needsAccount
      ? `× ${whole.format(mean)} in ${draft.currency}`
      : Math.abs(mean - 1) < 0.005
        ? 'as here on average'
        : `${mean > 1 ? '+' : '−'}${whole.format(Math.abs(mean - 1) * 100)} % on average`;
  const unit = $derived(unitOf(draft.place?.country ?? '').name);

  async function choose(place: FoundPlace) {
    const country = await findByCode(place.country);
    draft.choose(place, country?.currency ?? '');
  }

  async function make() {
    isMaking = true;
    try {
      const made = draft.make();
      const id = 'file' in made ? (await readInPlan(made.file)).id : planState.planId;
      open = false;
      shell.announce(`Copied to ${draft.place?.name}. Ctrl Z takes it back.`);
      await goto(`/plans/${id}/settings${'campaignId' in made ? `?campaign=${made.campaignId}` : ''}`);
    } catch (error) {
      failure = error instanceof Error ? error.message : '';
    }
    isMaking = false;
  }
</script>

<Dialog bind:open title={`Copy ${campaign.name} to another place`} wide>
  <div class={`grid grid-cols-[minmax(0,1fr)_120px_190px] items-end gap-3 ${draft.place ? '' : 'content-start pb-56'}`}>
    <div>
      <p class="text-ink-2">
        {draft.place
          ? `To ${[...new Set([draft.place.name, draft.place.region, draft.place.countryName])].filter(Boolean).join(', ')}`
          : 'To which place?'}
      </p>
      <PlaceSearchField
        isFirst
        label="The other place"
        placeholder={draft.place ? 'another one…' : 'A country, region or city…'}
        near={draft.source.places[0]?.country ?? ''}
        zone={planState.plan.account.timeZone}
        onchoose={(place) => void choose(place)}
      />
    </div>
    {#if draft.place?.kind === 'city'}
      <TextField
        label={`Radius, ${unit}`}
        value={draft.radiusKm === null ? '' : String(radiusIn(draft.radiusKm, draft.place.country))}
        placeholder="none"
        mono
        check={(text) => (text.trim() === '' || readRadius(text, draft.place!.country) !== null ? null : '1 to 800 km.')}
        onedit={(text) => void (draft.radiusKm = text.trim() === '' ? null : readRadius(text, draft.place!.country))}
      />
    {:else}<span></span>{/if}
    <SelectField label="Language" value={draft.language} items={languages} onedit={(value) => (draft.language = value)} />
  </div>
  <fieldset class="flex gap-5">
    <legend class="sr-only">What is copied</legend>
    <Radio name={`${id}-scope`} value="campaign" group={draft.scope} onchange={() => draft.setScope('campaign')}>this campaign</Radio>
    <Radio name={`${id}-scope`} value="plan" group={draft.scope} onchange={() => draft.setScope('plan')}
      >the whole plan, as another one</Radio
    >
  </fieldset>
  {#if draft.place}
    {#if draft.needsAccount}
      <div class="flex items-end gap-3 border-s-3 border-ochre ps-3">
        <p class="flex-1">
          {draft.place.countryName} pays in {draft.currency}, this account in {planState.currency}: the copy becomes a plan in an account of
          its own, amounts converted.
        </p>
        <TextField
          label={`1 ${planState.currency} in ${draft.currency}`}
          class="w-32"
          value={draft.rate}
          mono
          check={(text) => (Number(text.replace(',', '.')) > 0 ? null : 'A rate above 0.')}
          onedit={(text) => void (draft.rate = text)}
        />
      </div>
    {:else if draft.hoursApart !== 0 && campaign.hours.length > 0}
      <Checkbox bind:checked={draft.keepsLocalHours}>
        The clock there is {Math.abs(draft.hoursApart)} h {draft.hoursApart > 0 ? 'ahead' : 'behind'}: move the hours so that they are the
        same there</Checkbox
      >
    {/if}
    {#if draft.asking.progress}
      <Notice tone="doing">
        Asking what is searched there: {draft.asking.progress.done} of {draft.asking.progress.of}.
        <Button kind="link" onclick={() => draft.asking.stop()}>Stop</Button>
      </Notice>
    {:else if draft.demand}
      {@const { here, there, bids } = draft.demand}
      <div class="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <p>
          Searches a month: <span class="font-mono text-[12.5px]">{sayRange(here.searchesPerMonth)}</span> here,
          <span class="font-mono text-[12.5px]">{sayRange(there.searchesPerMonth)}</span> there.
        </p>
        {#if bids}
          <Checkbox bind:checked={draft.takesBids}>
            bids follow what clicks cost there: {sayFactor(bids.mean)}</Checkbox
          >
        {/if}
      </div>
    {:else if draft.asking.failure}<Notice>{draft.asking.failure}</Notice>{/if}
    <fieldset>
      <legend class="pb-1 font-semibold">Words for the place</legend>
      <div class="grid grid-cols-2 gap-x-4 gap-y-1">
        {#each draft.words as word, index (index)}
          <div class="flex items-center gap-2">
            <TextField
              label={`Old word ${index + 1}`}
              hideLabel
              class="flex-1"
              value={word.from}
              onedit={(from) => draft.setWord(index, { from })}
            />
            <span aria-hidden="true">→</span>
            <TextField
              label={`New word for ${word.from || 'it'}`}
              hideLabel
              class="flex-1"
              value={word.to}
              placeholder="stays"
              onedit={(to) => draft.setWord(index, { to })}
            />
          </div>
        {/each}
        <div><Button kind="link" onclick={() => draft.addWord()}>Another word, such as a quarter</Button></div>
      </div>
    </fieldset>
    <div class="flex items-baseline gap-3">
      <h3 class="font-semibold">{countOf(draft.changes.length, 'text')} that name it</h3>
      <p class="text-ink-2">{countOf(draft.untouched, 'other text')} left untouched</p>
      {#if draft.tooLong > 0}
        <p class="ms-auto text-madder">{draft.tooLong} too long</p>
        <Button kind="link" onclick={() => draft.shortenAll()}>Leave the place out of those that can</Button>
      {/if}
    </div>
    <div class="max-h-64 overflow-y-auto border-y border-rule">
      <Table
        class="table-fixed"
        caption="Texts that name the old place"
        heads={[
          { name: 'Taken', room: 'w-7', isHidden: true },
          { name: 'Where', room: 'w-24' },
          { name: 'As it stands', room: 'w-[36%]' },
          { name: 'As it becomes' },
          { name: 'Units', room: 'w-16', isFigure: true },
        ]}
      >
        {#each draft.changes.slice(0, mostShown) as change (change.path)}
          {@const text = draft.textOf(change)}
          <tr class="border-b border-rule-soft align-top">
            <td class="w-7 py-1.5"
              ><Checkbox
                checked={draft.isTaken(change)}
                label={`Change ${change.before}`}
                onchange={(event) => draft.decide(change, { isTaken: event.currentTarget.checked })}
              /></td
            >
            <td class="w-24 py-1 text-ink-2">{kinds[change.kind]}</td>
            <td class="w-[38%] truncate py-1 pe-2 text-ink-2" title={change.before}>{change.before}</td>
            <td class="py-0.5">
              <Input
                class="h-[26px] w-full border-transparent bg-transparent hover:border-field focus:border-field"
                aria-label={`New text for ${change.before}`}
                value={text}
                onchange={(event) => draft.decide(change, { text: event.currentTarget.value })}
              />
              {#if !change.isSure}<span class="px-1.5 text-[12px] text-ochre">within another word: tick it if it is meant</span>{/if}
              {#if draft.isOver(change) && change.shorter !== null}<span class="px-1.5 text-[12px]"
                  ><Button kind="link" onclick={() => draft.decide(change, { text: change.shorter! })}>{change.shorter}</Button></span
                >{/if}
            </td>
            <td class={`w-16 py-1 text-end font-mono text-[12px] ${draft.isOver(change) ? 'text-madder' : 'text-ink-2'}`}
              >{change.limit === null ? '' : `${draft.unitsOf(change)}/${change.limit}`}</td
            >
          </tr>
        {/each}
      </Table>
      {#if draft.changes.length > mostShown}<p class="py-1 text-ink-2">
          and {draft.changes.length - mostShown} more, taken as they are.
        </p>{/if}
    </div>
  {/if}
  {#if failure}<Notice>{failure}</Notice>{/if}
  {#snippet footer()}
    <Button kind="act" disabled={!draft.isReady || isMaking} onclick={() => void make()}
      >{draft.place ? `Copy to ${draft.place.name}` : 'Copy'}</Button
    >
  {/snippet}
</Dialog>
