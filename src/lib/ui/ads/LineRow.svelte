<script lang="ts">
  import Select from '../parts/Select.svelte';
  import type { FillContext } from '$lib/core/ads/fill-slots';
  import type { Measure } from '$lib/core/ads/measure';
  import { wordSlotProblem } from '$lib/wording/problems';
  import type { EditableLine } from './editable-line';
  import MeasureCount from './MeasureCount.svelte';
  import MeasureRule from './MeasureRule.svelte';
  import SlotField from './SlotField.svelte';
  import type { Shortening } from '$lib/core/ads/shorten';
  import { wordShortening } from '$lib/wording/shortening';
  import Button from '../parts/Button.svelte';
  import RowButton from '../parts/RowButton.svelte';

  interface Props {
    line: EditableLine;
    number: number;
    measure: Measure;
    context: FillContext;
    canFix: boolean;
    onedit: (text: string, editSession: string) => void;
    onfix: (position: number | null) => void;
    onremove: () => void;
    onenter: () => void;
    onmove: (direction: -1 | 1) => void;
    onpastelines: (texts: string[]) => void;
    /** Ways to make a line shorter that is over; none where nothing is known of its group. */
    shorten?: (line: EditableLine) => readonly Shortening[];
    /** Fallbacks that the plan proposes for a live slot. */
    fallbacks?: readonly string[];
  }

  let {
    line,
    number,
    measure,
    context,
    canFix,
    onedit,
    onfix,
    onremove,
    onenter,
    onmove,
    onpastelines,
    shorten,
    fallbacks = [],
  }: Props = $props();

  const positions = ['first', 'second', 'third'];
  const name = $derived(`${line.kind === 'headline' ? 'Headline' : 'Description'} ${number}`);
  const problems = $derived(measure.problems.filter(({ code }) => code !== 'line-too-long' && code !== 'fallback-too-long'));
  const ways = $derived(
    shorten && measure.problems.some(({ code }) => code === 'line-too-long' || code === 'fallback-too-long') ? shorten(line) : [],
  );
  let field: SlotField;

  export const focus = () => field.focus();
</script>

<li class="group border-b border-rule-soft py-0.5" data-line={line.id}>
  <div class="flex items-start gap-2">
    <span class="w-4 pt-0.5 text-end font-serif text-[15px] text-ink-2">{number}</span>
    <SlotField
      bind:this={field}
      label={name}
      value={line.text}
      {context}
      at={`${line.id}:${line.kind}`}
      {onedit}
      {onenter}
      {onmove}
      {onpastelines}
      hint={`${name}, up to ${measure.limit}`}
      isTitle={line.kind === 'headline'}
      {fallbacks}
    />
    {#if line.kind === 'headline'}<span class="pt-1"><MeasureCount {measure} /></span>{/if}
    <RowButton
      class="mt-0.5 rounded-sm px-1 text-ink-2 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100 hover:bg-fold focus-visible:opacity-100"
      label={`Take out ${name.toLowerCase()}`}
      title="Take it out"
      onclick={onremove}>×</RowButton
    >
  </div>
  <div class="grid h-[18px] grid-cols-[minmax(0,1fr)_190px] items-center gap-3 ps-6">
    <MeasureRule {measure} />
    <span class="flex items-center justify-end gap-2 pe-6">
      {#if canFix}
        <label class={`leading-none ${line.fixedAt === null ? 'opacity-0 group-focus-within:opacity-100 group-hover:opacity-100' : ''}`}>
          <span class="sr-only">Position of {name}</span>
          <Select
            class={`h-[18px] rounded-sm border-0 py-0 ps-1.5 pe-6 text-[12px] leading-none font-semibold ${line.fixedAt === null ? 'bg-transparent text-ink-2' : 'bg-slate-tint text-slate'}`}
            value={line.fixedAt === null ? '' : String(line.fixedAt)}
            onchange={(event) => onfix(event.currentTarget.value === '' ? null : Number(event.currentTarget.value))}
          >
            <option value="">any position</option>
            {#each line.kind === 'headline' ? positions : positions.slice(0, 2) as position, index (position)}
              <option value={String(index + 1)}>always {position}</option>
            {/each}
          </Select>
        </label>
      {/if}
      {#if line.kind === 'description'}<MeasureCount {measure} />{/if}
    </span>
  </div>
  {#if ways.length > 0}
    <p class="flex flex-wrap gap-x-3 ps-6 text-[12px]">
      <span class="text-ink-2">Shorter:</span>
      {#each ways as { text, units, fits, what } (text)}<Button
          kind="link"
          title={text}
          onclick={() => onedit(text, `${line.id} shorten ${text}`)}
          >{wordShortening(what)}: <span class={fits ? '' : 'text-madder'}>{units}</span></Button
        >{/each}
    </p>
  {/if}
  {#each problems as problem, index (index)}
    <p class="ps-6 text-[12px] text-madder">{wordSlotProblem(problem.code, problem.data, problem.at)}</p>
  {/each}
</li>
