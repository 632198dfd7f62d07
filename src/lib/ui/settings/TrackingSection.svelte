<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { addTracking, clickSlots, trackingContext, trackingOf } from '$lib/core/ads/tracking';
  import type { Campaign } from '$lib/core/records/campaign';
  import type { TrackingParameter } from '$lib/core/records/tracking-parameter';
  import { trackingWords } from '$lib/wording/settings-findings';
  import Button from '../parts/Button.svelte';
  import { withFields, withoutRow } from '../parts/lists';
  import TextField from '../parts/TextField.svelte';
  import { enterNew, fieldAt } from '../shell/enter-new';

  let { planState, campaign }: { planState: PlanState; campaign: Campaign } = $props();

  const example = $derived(addTracking(trackingOf(planState.plan, campaign), trackingContext(planState.plan, campaign)));
  const setOwn = (tracking: TrackingParameter[], editSession?: string) =>
    void planState.set('campaign', campaign.id, { tracking }, editSession);
  const setPlan = (tracking: TrackingParameter[], editSession?: string) =>
    void planState.set('brief', planState.plan.brief.id, { tracking }, editSession);
  const problemOf = (name: string) => example.problems.find((problem) => problem.name === name)?.code;
</script>

{#snippet list(
  title: string,
  parameters: readonly TrackingParameter[],
  change: (list: TrackingParameter[], editSession?: string) => void,
  at?: string,
)}
  <div>
    <h3 class="flex items-baseline justify-between text-ink-2">
      {title}<Button
        kind="link"
        {at}
        label={`Add a parameter: ${title}`}
        onclick={() => {
          change([...parameters, { name: '', value: '' }]);
          enterNew(fieldAt(`tracking ${title} ${parameters.length - 1}`));
        }}>Add</Button
      >
    </h3>
    {#each parameters as parameter, index (index)}
      {@const put = (fields: Partial<TrackingParameter>, editSession?: string) =>
        change(withFields(parameters, index, fields), editSession)}
      {@const code = problemOf(parameter.name)}
      <div class="grid grid-cols-[90px_minmax(0,1fr)_auto] gap-1 py-0.5">
        <TextField
          label={`Parameter ${index + 1}: ${title}`}
          hideLabel
          mono
          value={parameter.name}
          at={`tracking ${title} ${index}`}
          placeholder="name"
          onedit={(name, editSession) => put({ name }, editSession)}
        />
        <TextField
          label={`Value of ${parameter.name || 'the parameter'}: ${title}`}
          hideLabel
          mono
          value={parameter.value}
          placeholder="[[group]] or a text"
          onedit={(value, editSession) => put({ value }, editSession)}
        />
        <Button kind="quiet" label={`Take out ${parameter.name || 'the parameter'}`} onclick={() => change(withoutRow(parameters, index))}
          >×</Button
        >
      </div>
      {#if code}<p class="text-[12px] text-madder">
          {code === 'twice' ? 'Given twice.' : code === 'in-page' ? 'The page’s address holds it already.' : trackingWords[code]}
        </p>{/if}
    {/each}
  </div>
{/snippet}

<section aria-label="Tracking" class="flex flex-col gap-2 border-b border-rule py-3">
  <h2 class="font-semibold">Tracking parameters</h2>
  {@render list('Of every campaign', planState.plan.brief.tracking, setPlan)}
  {@render list('Of this one', campaign.tracking, setOwn, `${campaign.id}:tracking`)}
  {#if planState.plan.brief.tracking.length + campaign.tracking.length > 0}
    <p class="font-mono text-[11.5px] break-all text-ink-2" aria-label="An example, filled in">
      {example.address || 'No page to show it on.'}
    </p>
  {/if}
  <p class="text-ink-2">
    Plan slots work, <code>[[campaign]]</code> too; on a click the network fills {Object.keys(clickSlots).join(', ')}, written as the column
    layout says.
  </p>
</section>
