<script lang="ts">
  import { untrack } from 'svelte';
  import { formatRoughly } from '$lib/core/money/money';
  import { matchTypes } from '$lib/core/records/match-types';
  import { plainText, writeKeyword } from '$lib/core/keywords/read-keyword';
  import { reachOfNegative } from '$lib/core/research/negative-reach';
  import type { Negative } from '$lib/core/records/negative';
  import { wordSearchRange } from '$lib/wording/research';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Notice from '../parts/Notice.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';
  import type { PlanState } from '../state/plan-state.svelte';

  import { levelOf, originOf } from './negative-origin';

  interface Props {
    planState: PlanState;
    negative: Negative;
    onleave: () => void;
  }

  let { planState, negative, onleave }: Props = $props();

  const mostShown = 8;
  // What is typed here is tried first; the negative changes with the button.
  let text = $state(untrack(() => negative.text));
  let match = $state(untrack(() => negative.match));
  const plain = $derived(plainText(text, planState.plan.rules.refusedKeywordSigns));
  const isOther = $derived(plain !== '' && (plain !== negative.text || match !== negative.match));
  const today = $derived(reachOfNegative(planState.plan, negative));
  const then = $derived(isOther ? reachOfNegative(planState.plan, { ...negative, text: plain, match }) : today);
  const wanted = $derived([...new Set([...then.kept, ...then.keywords].map((one) => one.text))]);
  const textsOf = ({ finds, kept }: typeof today) => new Set([...finds, ...kept].map((find) => find.text));
  const more = $derived([...textsOf(then).difference(textsOf(today))]);
  const fewer = $derived([...textsOf(today).difference(textsOf(then))]);
  const change = () => void planState.set('negative', negative.id, { text: plain, match });
  const listed = (texts: readonly string[]) =>
    `${texts.slice(0, mostShown).join(', ')}${texts.length > mostShown ? ` and ${texts.length - mostShown} more` : ''}`;
</script>

<section aria-label={`The negative ${negative.text}`} class="flex flex-col gap-1.5 border-b border-rule pb-3">
  <div class="flex items-baseline gap-2">
    <h2 class="font-serif text-[17px] break-words text-madder">−{writeKeyword(negative.text, negative.match)}</h2>
    <Button kind="quiet" class="ms-auto" onclick={onleave}>Close</Button>
  </div>
  <p class="text-ink-2">Of {levelOf(planState.snapshot, negative)}. From {originOf(planState.snapshot, negative).long}.</p>
  <TextField
    label="Its words"
    value={text}
    onedit={(typed) => {
      text = typed;
    }}
  />
  <SelectField
    label="Match"
    value={match}
    items={matchTypes.map((value) => ({ value, name: value }))}
    onedit={(picked) => {
      match = picked;
    }}
  />
  <p aria-live="polite">
    {isOther ? 'Would stop' : 'Stops'}
    {countOf(then.finds.length + then.kept.length, 'find')} of {wordSearchRange(then.searches.low, then.searches.high)} searches a month{then.costMinor >
    0
      ? `, about ${formatRoughly(then.costMinor, planState.currency)} of clicks`
      : ''}.
  </p>
  {#if wanted.length > 0}<Notice block>It {isOther ? 'would stop' : 'stops'} what is wanted: {listed(wanted)}.</Notice>{/if}
  {#if isOther}
    {#if more.length > 0}<p>More than now: <span class="text-ink-2">{listed(more)}</span></p>{/if}
    {#if fewer.length > 0}<p>No longer: <span class="text-ink-2">{listed(fewer)}</span></p>{/if}
    <p class="flex gap-2">
      <Button kind="act" onclick={change}>Change it</Button>
      <Button
        onclick={() => {
          text = negative.text;
          match = negative.match;
        }}>As it was</Button
      >
    </p>
  {:else if then.finds.length > 0}<p class="text-[12px] text-ink-2">{listed(then.finds.map((one) => one.text))}</p>{/if}
</section>
