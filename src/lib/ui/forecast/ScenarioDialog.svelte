<script lang="ts">
  import { matchTypes } from '$lib/core/records/match-types';
  import type { Otherwise } from '$lib/core/forecast/plan-changes';
  import { parseShare } from '$lib/core/money/ratio';
  import { childrenOf, inOrder, nextPosition } from '$lib/core/store/snapshot';
  import { formatMoney } from '$lib/core/money/money';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import MoneyField from '../parts/MoneyField.svelte';
  import Notice from '../parts/Notice.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';
  import { newId } from '../state/synced-store.svelte';
  import type { ForecastPage } from './forecast-page.svelte';

  /** One thing or several that could be otherwise, kept under a name. */
  let { page, open = $bindable() }: { page: ForecastPage; open: boolean } = $props();

  const { planState } = $derived(page);
  const blank: Otherwise = {
    bidMinor: null,
    monthlyMinor: null,
    allHours: false,
    allDevices: false,
    match: null,
    clickRate: '',
    placesOff: [],
  };
  let said = $state<Otherwise>({ ...blank });
  let typedName = $state('');
  let problem = $state('');
  const places = $derived(
    inOrder(planState.snapshot.campaign).flatMap(({ id, name }) => {
      const own = childrenOf(planState.snapshot.place, 'campaignId', id).filter(({ excluded }) => !excluded);
      return own.length > 1 ? own.map((place) => ({ place, campaign: name })) : [];
    }),
  );
  const money = (minor: number) => formatMoney(minor, planState.currency, { whole: true });
  /** A name made of what is otherwise. */
  const proposed = $derived(
    [
      said.monthlyMinor === null ? '' : `Money ${money(said.monthlyMinor)}`,
      said.bidMinor === null ? '' : `Bid ${money(said.bidMinor)}`,
      said.allHours ? 'All hours' : '',
      said.allDevices ? 'All devices' : '',
      said.match === null ? '' : `All ${said.match}`,
      said.clickRate === '' ? '' : `${said.clickRate} convert`,
      said.placesOff.length === 0
        ? ''
        : `Without ${places
            .filter(({ place }) => said.placesOff.includes(place.id))
            .map(({ place }) => place.name)
            .join(', ')}`,
    ]
      .filter(Boolean)
      .join(', ')
      .slice(0, 80),
  );
  const isSaid = $derived(proposed !== '');

  function keep() {
    const name = typedName.trim() || proposed;
    const refusal = planState.add('scenario', {
      id: newId(),
      name,
      ...$state.snapshot(said),
      placesOff: [...said.placesOff],
      position: nextPosition(planState.snapshot.scenario.values()),
    });
    problem = refusal ? `“${name}” stands beside the plan already: name it otherwise.` : '';
    if (!refusal) open = false;
  }
</script>

<Dialog bind:open title="What if">
  <p class="text-ink-2">What is left empty stays as the plan has it.</p>
  <div class="grid grid-cols-2 gap-2.5">
    <MoneyField
      label="Money a month"
      value={said.monthlyMinor}
      ways={planState.amounts}
      placeholder={planState.plan.brief.monthlyMinor}
      onedit={(minor) => void (said.monthlyMinor = minor)}
    />
    <MoneyField
      label="One bid for every keyword"
      value={said.bidMinor}
      ways={planState.amounts}
      placeholder={page.curve?.curve.now.bidMinor ?? null}
      onedit={(minor) => void (said.bidMinor = minor)}
    />
    <SelectField
      label="Match type of every keyword"
      value={said.match ?? ''}
      items={[{ value: '', name: 'as they are' }, ...matchTypes.map((value) => ({ value, name: value }))]}
      onedit={(match) => (said.match = match === '' ? null : match)}
    />
    <TextField
      label="Of the clicks convert"
      value={said.clickRate}
      placeholder={planState.plan.brief.clickRate || '3 %'}
      check={(text) => (text.trim() === '' || parseShare(text) ? null : 'A share: 6.5 %, 1 in 20.')}
      onedit={(text) => void (said.clickRate = text.trim())}
      mono
    />
  </div>
  <Checkbox checked={said.allHours} onchange={(event) => (said.allHours = event.currentTarget.checked)}>Open at all hours</Checkbox>
  <Checkbox checked={said.allDevices} onchange={(event) => (said.allDevices = event.currentTarget.checked)}>On all devices</Checkbox>
  {#if places.length > 0}
    <fieldset class="flex flex-col gap-1">
      <legend class="pb-0.5 text-ink-2">Leave out, by the people who live there</legend>
      {#each places as { place, campaign } (place.id)}
        <Checkbox
          checked={said.placesOff.includes(place.id)}
          onchange={(event) =>
            (said.placesOff = event.currentTarget.checked ? [...said.placesOff, place.id] : said.placesOff.filter((id) => id !== place.id))}
          >{place.name} <span class="text-ink-2">in {campaign}</span></Checkbox
        >
      {/each}
    </fieldset>
  {/if}
  <TextField label="Name" value={typedName} placeholder={proposed || 'a name'} onedit={(text) => void (typedName = text)} />
  {#if problem}<Notice>{problem}</Notice>{/if}
  {#snippet footer()}
    <Button kind="act" disabled={!isSaid} onclick={keep}>Set it beside the plan</Button>
    <Button onclick={() => (open = false)}>Close</Button>
  {/snippet}
</Dialog>
