<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import type { Audience, Campaign } from '$lib/core/records/campaign';
  import { notShown } from '$lib/core/records/campaign';
  import AddField from '../parts/AddField.svelte';
  import Button from '../parts/Button.svelte';
  import { withFields, withoutRow } from '../parts/lists';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';

  let { planState, campaign }: { planState: PlanState; campaign: Campaign } = $props();

  const bounds = $derived(planState.plan.rules.adjustment);
  const set = (fields: Partial<Campaign>, editSession?: string) => void planState.set('campaign', campaign.id, fields, editSession);
  const devices = [
    ['computer', 'Computers'],
    ['phone', 'Phones'],
    ['tablet', 'Tablets'],
  ] as const;
  const uses = [
    { value: 'watched' as const, name: 'watched only' },
    { value: 'aimed' as const, name: 'aimed at' },
  ];

  const readPercent = (text: string): number | null => {
    const [, sign = '', number = ''] = /^\s*([+\-−–])?\s*(\d{1,3})\s*%?\s*$/.exec(text) ?? [];
    if (/^\s*off\s*$/i.test(text)) return notShown;
    return number === '' ? null : Number(number) * (/[-−–]/.test(sign) ? -1 : 1);
  };
  const writePercent = (percent: number) => (percent === notShown ? 'off' : `${percent > 0 ? '+' : ''}${percent} %`);
  const check = (text: string) => {
    const percent = readPercent(text);
    const isWithin = percent !== null && (percent === notShown || (percent >= bounds.least && percent <= bounds.most));
    return isWithin ? null : `${bounds.least} to +${bounds.most} %, or off.`;
  };
  const toggled = (list: readonly string[], item: string) => (list.includes(item) ? list.filter((one) => one !== item) : [...list, item]);
  const setAudience = (index: number, fields: Partial<Audience>) => set({ audiences: withFields(campaign.audiences, index, fields) });

  const addAudiences = (names: string[]) =>
    set({ audiences: [...campaign.audiences, ...names.map((name) => ({ name: name.slice(0, 200), use: 'watched' as const, adjust: 0 }))] });
</script>

{#snippet chosen(title: string, all: readonly string[], off: readonly string[], change: (list: string[]) => void)}
  <fieldset>
    <legend class="pb-0.5 text-ink-2">{title}{off.length > 0 ? `, ${off.length} left out` : ', all'}</legend>
    <div class="flex flex-wrap gap-x-3 gap-y-0.5">
      {#each all as item (item)}
        <Checkbox class="flex items-center gap-1.5" checked={!off.includes(item)} onchange={() => change(toggled(off, item))}
          >{item}</Checkbox
        >
      {/each}
    </div>
  </fieldset>
{/snippet}

<section aria-label="Devices and people" class="flex flex-col gap-2 py-3">
  <h2 class="font-semibold">Devices and people</h2>
  <div class="grid grid-cols-3 gap-2">
    {#each devices as [device, name], index (device)}
      <TextField
        label={name}
        value={writePercent(campaign.devices[device])}
        commit="leave"
        mono
        {check}
        at={index === 0 ? `${campaign.id}:devices` : undefined}
        onedit={(text) => set({ devices: { ...campaign.devices, [device]: readPercent(text) ?? 0 } })}
      />
    {/each}
  </div>
  {@render chosen('Ages', planState.plan.rules.ages, campaign.agesOff, (agesOff) => set({ agesOff }))}
  {@render chosen('Genders', planState.plan.rules.genders, campaign.gendersOff, (gendersOff) => set({ gendersOff }))}
  <div data-at={`${campaign.id}:audiences`}>
    <h3 class="text-ink-2">Audiences</h3>
    <ul class="flex flex-col gap-1">
      {#each campaign.audiences as audience, index (index)}
        <li class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-2 gap-y-1 border-b border-rule-soft pb-1.5">
          <span class="truncate pt-1 font-semibold" title={audience.name}>{audience.name}</span>
          <Button kind="quiet" label={`Take out ${audience.name}`} onclick={() => set({ audiences: withoutRow(campaign.audiences, index) })}
            >×</Button
          >
          <SelectField
            label={`Use of ${audience.name}`}
            hideLabel
            value={audience.use}
            items={uses}
            onedit={(use) => setAudience(index, { use })}
          />
          <TextField
            label={`Adjustment for ${audience.name}`}
            hideLabel
            class="w-20"
            value={writePercent(audience.adjust)}
            commit="leave"
            mono
            {check}
            onedit={(text) => setAudience(index, { adjust: readPercent(text) ?? 0 })}
          />
        </li>
      {/each}
    </ul>
    <AddField
      label="Add an audience"
      placeholder="add an interest or list…"
      splitsAt="lines"
      onadd={addAudiences}
      class="h-[28px] w-full"
    />
    <p class="pt-0.5 text-ink-2">Watched ones only count; aiming at one narrows reach.</p>
  </div>
</section>
