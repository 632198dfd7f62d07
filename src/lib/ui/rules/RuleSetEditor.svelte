<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Table from '../parts/Table.svelte';
  import { findRuleProblem, ruleTexts, type ruleBounds, type RuleSetRow } from '$lib/core/records/rule-set';
  import { formatNames, type FormatName } from '$lib/core/records/format-names';
  import DateField from '../parts/DateField.svelte';
  import TextField from '../parts/TextField.svelte';

  let { planState, set, isFixed }: { planState: PlanState; set: RuleSetRow; isFixed: boolean } = $props();
  const { workspace } = $derived(planState);

  type Path = readonly string[];
  const read = (path: Path): unknown => path.reduce<unknown>((value, key) => (value as Record<string, unknown>)[key], set);

  /** The set with one value changed, at a path. */
  function withValue(value: unknown, [key = '', ...rest]: Path, next: unknown): unknown {
    return { ...(value as object), [key]: rest.length === 0 ? next : withValue((value as Record<string, unknown>)[key], rest, next) };
  }

  type Kind = keyof typeof ruleBounds;
  const tooLong = (most: number) => (text: string) => (text.length > most ? `At most ${most} characters.` : null);

  function put(path: Path, next: unknown, editSession?: string): string | null {
    const [key = ''] = path;
    const changed = (withValue(set, path, next) as Record<string, unknown>)[key];
    const refusal = workspace.set('ruleSet', set.id, { [key]: changed }, editSession);
    return refusal?.code === 'taken' ? 'Another rule set has this name.' : null;
  }

  /** Rule sets belong to no account: dates are written as in the rest of the interface. */
  const dateLocale = 'en-GB';
  const asNumber = (text: string) => (text.trim() === '' ? NaN : Number(text.trim()));
  const others: [label: string, path: Path, kind?: Kind][] = [
    ['Responsive ads a group', ['responsiveAdsPerGroup'], 'count'],
    ['Sitelink text', ['sitelink', 'textLimit']],
    ['Sitelink description', ['sitelink', 'descriptionLimit']],
    ['Callout', ['callout', 'textLimit']],
    ['Keyword, in units', ['keyword', 'unitsLimit']],
    ['Keyword, in words', ['keyword', 'wordsLimit']],
    ['Names', ['nameLimit']],
    ['Addresses', ['addressLimit']],
    ['Path of a responsive ad', ['formats', 'responsive', 'paths', 'limit']],
    ['Most a day, in daily budgets', ['dayCostFactor'], 'factor'],
  ];
  const linesOf = (format: FormatName): [label: string, path: Path][] =>
    (['headlines', 'descriptions'] as const).flatMap((kind) =>
      (['least', 'most', 'limit'] as const).map((key): [string, Path] => [
        `${set.formats[format].name}: ${kind}, ${key}`,
        ['formats', format, kind, key],
      ]),
    );
</script>

{#snippet number(label: string, path: Path, kind: Kind, extra: string)}
  <TextField
    {label}
    hideLabel={extra.includes('hide')}
    mono
    class={extra.replace('hide', '')}
    disabled={isFixed}
    value={String(read(path))}
    check={(text) => findRuleProblem(kind, asNumber(text))}
    onedit={(text, editSession) => put(path, asNumber(text), editSession)}
  />
{/snippet}

{#if !isFixed}
  <div class="flex gap-3 pb-3">
    <TextField
      label="Name"
      class="w-72"
      value={set.name}
      commit="leave"
      check={(text) => (text.trim() === '' ? 'A name is needed.' : tooLong(ruleTexts.name)(text))}
      onedit={(name) => put(['name'], name)}
    />
    <DateField
      label="Holds from"
      class="w-40"
      value={set.from}
      locale={dateLocale}
      onedit={(from) => (from === null ? 'A day is needed.' : put(['from'], from))}
    />
  </div>
{/if}
<Table
  class="table-fixed"
  caption="Ad formats: how many lines, and how long each may be"
  showsCaption
  heads={[
    { name: 'Format', room: 'w-28' },
    { name: 'Headlines: least, most, units', span: 3 },
    { name: 'Descriptions: likewise', span: 3 },
    { name: 'Accepted until', room: 'w-32' },
  ]}
  >{#each formatNames as format (format)}
    <tr class="border-b border-rule-soft">
      <td class="py-1 pe-2">{set.formats[format].name}</td>
      {#each linesOf(format) as [label, path] (label)}<td class="pe-1"
          >{@render number(label, path, path.at(-1) === 'limit' ? 'limit' : 'count', 'hide')}</td
        >{/each}
      <td>
        <DateField
          label={`${set.formats[format].name}: accepted until`}
          hideLabel
          disabled={isFixed}
          value={set.formats[format].acceptedUntil}
          locale={dateLocale}
          onedit={(until) => put(['formats', format, 'acceptedUntil'], until)}
        />
      </td>
    </tr>
  {/each}
</Table>
<h3 class="pt-4 pb-1 font-semibold">Everything else</h3>
<div class="grid grid-cols-3 gap-x-4 gap-y-2">
  {#each others as [label, path, kind = 'limit'] (label)}{@render number(label, path, kind, '')}{/each}
  <TextField
    label="Signs no keyword takes"
    mono
    disabled={isFixed}
    value={set.refusedKeywordSigns}
    check={tooLong(ruleTexts.refusedKeywordSigns)}
    onedit={(text, editSession) => put(['refusedKeywordSigns'], text, editSession)}
  />
  <TextField
    label="What spaces become in a path"
    mono
    disabled={isFixed}
    value={set.valueJoiner}
    check={tooLong(ruleTexts.valueJoiner)}
    onedit={(text, editSession) => put(['valueJoiner'], text, editSession)}
  />
  <TextField
    label="Days to a month, at most"
    mono
    disabled={isFixed}
    value={set.monthDays}
    check={(text) => (ruleTexts.monthDays.test(text) ? null : 'Days to a month, such as 30.4.')}
    onedit={(text, editSession) => put(['monthDays'], text, editSession)}
  />
</div>
