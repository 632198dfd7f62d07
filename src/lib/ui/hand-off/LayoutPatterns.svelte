<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { findLayoutTextProblem, type Layout, type LayoutTextName } from '$lib/core/records/layout';
  import { encodingNames } from '$lib/wording/tables';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';

  let { planState, layout, isFixed }: { planState: PlanState; layout: Layout; isFixed: boolean } = $props();
  const { workspace } = $derived(planState);

  const sections: { title: string; note: string; fields: [LayoutTextName, string][] }[] = [
    {
      title: 'Keywords',
      note: '{text} is the keyword, {keyword} what its match type makes of it.',
      fields: [
        ['textBroad', 'Broad'],
        ['textPhrase', 'Phrase'],
        ['textExact', 'Exact'],
        ['textNegative', 'A negative'],
      ],
    },
    {
      title: 'Words for match types and states',
      note: '{match} is the word of the match type.',
      fields: [
        ['matchBroad', 'Broad'],
        ['matchPhrase', 'Phrase'],
        ['matchExact', 'Exact'],
        ['matchNegative', 'Of a negative'],
        ['statePaused', 'Paused'],
      ],
    },
    {
      title: 'A live slot in a line, by its letter case',
      note: '{fallback} is its fallback. A case left empty is written as one without.',
      fields: [
        ['liveAsIs', 'As it stands'],
        ['liveLower', 'Lower'],
        ['liveSentence', 'Sentence'],
        ['liveTitle', 'Title'],
        ['liveUpper', 'Upper'],
      ],
    },
    {
      title: 'What a click fills in, in addresses',
      note: 'How tracking parameters are written that the network fills.',
      fields: [
        ['clickKeyword', 'Keyword'],
        ['clickMatch', 'Match type'],
        ['clickDevice', 'Device'],
        ['clickAd', 'Ad'],
      ],
    },
  ];

  const mostName = 200;
  const edit = (fields: Partial<Layout>, editSession?: string) => {
    const refusal = workspace.set('layout', layout.id, fields, editSession);
    return refusal?.code === 'taken' ? 'Another layout has this name.' : null;
  };

  const choices = {
    encoding: Object.entries(encodingNames).map(([value, name]) => ({ value: value as Layout['encoding'], name })),
    delimiter: [
      { value: 'comma' as const, name: 'Commas' },
      { value: 'semicolon' as const, name: 'Semicolons' },
      { value: 'tab' as const, name: 'Tabs' },
    ],
    decimal: [
      { value: 'point' as const, name: 'Point' },
      { value: 'comma' as const, name: 'Comma' },
    ],
    form: [
      { value: 'several' as const, name: 'A table a kind' },
      { value: 'one' as const, name: 'All rows in one table' },
    ],
    planNegatives: [
      { value: 'shared-list' as const, name: 'As a shared list' },
      { value: 'row-a-campaign' as const, name: 'Once a campaign' },
    ],
  };

  /** What a layout takes or does not, in the words of each. */
  const switches = [
    {
      field: 'demandsBids',
      label: 'Bids',
      items: [
        { value: 'no', name: 'only those that are set' },
        { value: 'yes', name: 'in every row' },
      ],
    },
    {
      field: 'takesNot',
      label: '“Not” in rules over pages',
      items: [
        { value: 'yes', name: 'said in the row' },
        { value: 'no', name: 'as rows left out' },
      ],
    },
  ] as const;
</script>

<fieldset disabled={isFixed} class="contents">
  {#if !isFixed}
    <TextField
      label="Name"
      class="mb-3 w-80"
      value={layout.name}
      commit="leave"
      check={(name) => (name.trim() === '' ? 'A name is needed.' : name.length > mostName ? `At most ${mostName} characters.` : null)}
      onedit={(name) => edit({ name })}
    />
  {/if}
  <div class="flex flex-wrap gap-3 pb-3">
    <SelectField
      label="Encoding"
      class="w-44"
      value={layout.encoding}
      items={choices.encoding}
      onedit={(encoding) => void edit({ encoding })}
    />
    <SelectField
      label="Between cells"
      class="w-32"
      value={layout.delimiter}
      items={choices.delimiter}
      onedit={(delimiter) => void edit({ delimiter })}
    />
    <SelectField
      label="Decimal sign"
      class="w-28"
      value={layout.decimal}
      items={choices.decimal}
      onedit={(decimal) => void edit({ decimal })}
    />
    <SelectField label="Tables" class="w-48" value={layout.form} items={choices.form} onedit={(form) => void edit({ form })} />
    <SelectField
      label="Negatives of the plan"
      class="w-44"
      value={layout.planNegatives}
      items={choices.planNegatives}
      onedit={(planNegatives) => void edit({ planNegatives })}
    />
    {#each switches as { field, label, items } (field)}
      <SelectField
        {label}
        class="w-44"
        value={layout[field] ? 'yes' : 'no'}
        {items}
        onedit={(value) => void edit({ [field]: value === 'yes' })}
      />
    {/each}
  </div>
  <TextField
    label="Spans of hours a day at most"
    class="mb-3 w-52"
    value={String(layout.spansADay)}
    mono
    disabled={isFixed}
    check={(text) => (/^\d{1,2}$/.test(text) && Number(text) >= 1 && Number(text) <= 24 ? null : '1 to 24.')}
    onedit={(text, editSession) => void edit({ spansADay: Number(text) }, editSession)}
  />
  <div class="grid grid-cols-2 gap-x-5 gap-y-3 pb-3">
    {#each sections as { title, note, fields } (title)}
      <section class="min-w-0 border-t border-rule pt-2" aria-label={title}>
        <h3 class="font-semibold">{title}</h3>
        <p class="pb-1.5 text-[12px] text-ink-2">{note}</p>
        <div class="flex flex-col gap-1.5">
          {#each fields as [key, label] (key)}
            <div class="grid grid-cols-[84px_minmax(0,1fr)] items-start gap-2">
              <span aria-hidden="true" class="pt-1.5 text-ink-2">{label}</span>
              <TextField
                label={`${title}: ${label}`}
                hideLabel
                mono
                value={layout[key]}
                disabled={isFixed}
                check={(text) => findLayoutTextProblem(key, text)}
                onedit={(text, editSession) => void edit({ [key]: text }, editSession)}
              />
            </div>
          {/each}
        </div>
      </section>
    {/each}
  </div>
</fieldset>
