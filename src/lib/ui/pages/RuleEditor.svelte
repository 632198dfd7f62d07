<script lang="ts">
  import { tick, untrack } from 'svelte';
  import { comparisonWords, ConditionProblem, conditionOf, readCondition, writeCondition } from '$lib/core/records/condition-text';
  import {
    comparisons,
    isOfNumbers,
    numberComparisons,
    saysSomething,
    textComparisons,
    type Comparison,
  } from '$lib/core/records/page-condition';
  import { conditionOfDraft, draftOf, type DraftPart, type RuleDraft } from '$lib/core/pages/rule-draft';
  import Button from '../parts/Button.svelte';
  import Input from '../parts/Input.svelte';
  import Select from '../parts/Select.svelte';
  import TakeOut from '../parts/TakeOut.svelte';

  interface Props {
    /** What it says now, in words. */
    when: string;
    fields: readonly string[];
    /** The few values of columns of labels. */
    labels: ReadonlyMap<string, readonly string[]>;
    /** Written as it is typed; answers why it is refused. */
    onedit: (when: string, editSession: string) => string | null | void;
    ondone: () => void;
  }

  let { when, fields, labels, onedit, ondone }: Props = $props();

  const blankPart = (): DraftPart => ({ field: 'address', is: 'begins', isNot: false, values: [''] });
  const begun = untrack(() => {
    const condition = conditionOf(when);
    return condition ? draftOf(condition) : { join: 'all' as const, parts: [blankPart()] };
  });
  let draft = $state<RuleDraft>(begun ?? { join: 'all', parts: [blankPart()] });
  let isText = $state(begun === null);
  let text = $state(untrack(() => when));
  let problem = $state('');
  const editSession = `rule ${Date.now()}`;
  const option = (is: Comparison, isNot: boolean) => ({
    value: `${isNot ? 'not ' : ''}${is}`,
    name: isNot ? (is === 'equals' ? 'is not' : `not ${comparisonWords[is]}`) : comparisonWords[is],
  });
  const options = [...comparisons.map((is) => option(is, false)), ...textComparisons.map((is) => option(is, true))];
  /** Not over, not under: only where the rule says so already, as pages without a number would count in. */
  const optionsOf = (part: DraftPart) =>
    part.isNot && isOfNumbers(part) ? [...options, ...numberComparisons.map((is) => option(is, true))] : options;
  const known = $derived([...new Set([...fields, ...draft.parts.map(({ field }) => field)])]);
  const mostChoices = 14;

  /** Typed where a number is wanted, and none. */
  const isNoNumber = (part: DraftPart) =>
    isOfNumbers(part) && part.values.some((value) => value !== '' && !saysSomething({ ...part, value }));

  function write() {
    const condition = draft.parts.some(isNoNumber) ? null : conditionOfDraft(draft);
    problem = condition ? '' : draft.parts.some(isOfNumbers) ? 'Here stands a number, such as 150.' : 'Here stands a value.';
    if (condition) problem = onedit((text = writeCondition(condition)), editSession) ?? '';
  }
  function writeText() {
    try {
      problem = onedit(text.trim() === '' ? '' : writeCondition(readCondition(text)), editSession) ?? '';
    } catch (error) {
      problem = error instanceof ConditionProblem ? error.message : '';
    }
  }
  function change(part: DraftPart, fields: Partial<DraftPart>) {
    Object.assign(part, fields);
    write();
  }
  /** How a field is compared that is picked; of labels one of the few, else what the text holds. */
  const firstComparisons: Readonly<Record<string, Comparison>> = { address: 'begins', price: 'over' };
  function pickField(part: DraftPart, field: string) {
    const own = labels.get(field);
    change(part, { field, is: own ? 'equals' : (firstComparisons[field] ?? 'holds'), values: [''] });
  }
  const pickComparison = (part: DraftPart, said: string) =>
    change(part, { isNot: said.startsWith('not '), is: said.replace('not ', '') as Comparison });
  const toggle = (part: DraftPart, value: string) =>
    change(part, {
      values: part.values.includes(value)
        ? part.values.filter((one) => one !== value)
        : [...part.values.filter((one) => one !== ''), value],
    });
  /** Values as they are typed, parted by commas; a number may have commas of its own. */
  const typedValues = (part: DraftPart, typed: string) => (isOfNumbers(part) ? [typed] : typed.split(',')).map((one) => one.trim());

  let box = $state<HTMLElement>();
  async function addPart(join: RuleDraft['join']) {
    draft.join = join;
    draft.parts.push(blankPart());
    await tick();
    [...(box?.querySelectorAll<HTMLElement>('select') ?? [])].at(-2)?.focus();
  }
  function takeOut(part: DraftPart) {
    draft.parts = draft.parts.filter((one) => one !== part);
    write();
  }
  function turn() {
    isText = !isText;
    if (isText) return;
    const condition = conditionOf(text);
    const read = condition ? draftOf(condition) : null;
    if (read) draft = read;
    else isText = condition !== null;
    problem = read || !condition ? '' : 'This rule is nested deeper than fields show; it stays text.';
  }
  function keydown(event: KeyboardEvent) {
    if (event.key !== 'Enter' && event.key !== 'Escape') return;
    if (event.target instanceof HTMLButtonElement && event.key === 'Enter') return;
    event.preventDefault();
    event.stopPropagation();
    ondone();
  }

  $effect(() => {
    box?.querySelector<HTMLElement>('input, button[aria-pressed], select')?.focus();
  });
</script>

<!-- svelte-ignore a11y_no_static_element_interactions (its fields take the keys) -->
<div bind:this={box} class="flex flex-wrap items-center gap-1.5" onkeydown={keydown}>
  {#if isText}
    <Input class="h-[28px] min-w-0 flex-1 font-mono text-[12.5px]!" aria-label="The rule as text" bind:value={text} oninput={writeText} />
  {:else}
    {#each draft.parts as part, at (part)}
      {@const choices = labels.get(part.field) ?? []}
      {#if at > 0}<button
          type="button"
          class="px-0.5 text-ink-2 underline decoration-dotted"
          title="Change between and, or"
          onclick={() => {
            draft.join = draft.join === 'all' ? 'any' : 'all';
            write();
          }}>{draft.join === 'all' ? 'and' : 'or'}</button
        >{/if}
      <Select
        class="h-[28px]"
        aria-label={`Field ${at + 1}`}
        value={part.field}
        onchange={({ currentTarget }) => pickField(part, currentTarget.value)}
      >
        {#each known as field (field)}<option value={field}>{field}</option>{/each}
      </Select>
      <Select
        class="h-[28px]"
        aria-label={`How field ${at + 1} compares`}
        value={`${part.isNot ? 'not ' : ''}${part.is}`}
        onchange={({ currentTarget }) => pickComparison(part, currentTarget.value)}
      >
        {#each optionsOf(part) as { value, name } (value)}<option {value}>{name}</option>{/each}
      </Select>
      {#if part.is === 'equals' && choices.length > 0 && choices.length <= mostChoices}
        <span role="group" aria-label={`Values of ${part.field}`} class="flex flex-wrap items-center gap-1">
          {#each choices as choice (choice)}<button
              type="button"
              aria-pressed={part.values.includes(choice)}
              class={`h-[24px] rounded-[4px] border px-1.5 text-[12.5px] ${part.values.includes(choice) ? 'border-act bg-act-tint font-semibold text-act' : 'border-field bg-sheet'}`}
              onclick={() => toggle(part, choice)}>{choice}</button
            >{/each}
        </span>
      {:else}
        <Input
          class="h-[28px] w-44! font-mono text-[12.5px]!"
          aria-label={`Value ${at + 1}`}
          placeholder={isOfNumbers(part) ? 'a number' : part.field === 'address' ? '/folder' : 'one, or another'}
          value={part.values.join(', ')}
          oninput={({ currentTarget }) => change(part, { values: typedValues(part, currentTarget.value) })}
        />
      {/if}
      {#if draft.parts.length > 1}<TakeOut label={`Take part ${at + 1} out`} onclick={() => takeOut(part)} />{/if}
    {/each}
    {#if draft.parts.length === 1 || draft.join === 'all'}<Button kind="quiet" onclick={() => void addPart('all')}>+ and</Button>{/if}
    {#if draft.parts.length === 1 || draft.join === 'any'}<Button kind="quiet" onclick={() => void addPart('any')}>+ or</Button>{/if}
  {/if}
  <Button kind="quiet" pressed={isText} onclick={turn}>as text</Button>
  <Button kind="quiet" onclick={ondone}>Done</Button>
  {#if problem}<p class="w-full text-[12px] text-madder" role="status">{problem} Not saved.</p>{/if}
</div>
