<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { composeName } from '$lib/core/view/campaign-name';
  import { goals } from '$lib/core/records/brief';
  import type { Campaign } from '$lib/core/records/campaign';
  import { units } from '$lib/core/text/text-length';
  import { wordRefusalCode } from '$lib/wording/refusals';
  import Button from '../parts/Button.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import TextField from '../parts/TextField.svelte';

  let { planState, campaign }: { planState: PlanState; campaign: Campaign } = $props();

  const pattern = $derived(composeName(campaign, planState.plan.house.naming));

  /** Sets a part; a name that follows the pattern goes along. */
  function setPart(fields: Partial<Campaign>): string | null {
    const name = campaign.nameIsTyped ? {} : { name: composeName({ ...campaign, ...fields }, planState.plan.house.naming) };
    const refusal = planState.set('campaign', campaign.id, { ...fields, ...name });
    return refusal ? `${wordRefusalCode(refusal)} Campaign names are unique.` : null;
  }

  function setName(name: string): string | null {
    if (name.trim() === '') return 'A name is needed.';
    const refusal = planState.set('campaign', campaign.id, { name, nameIsTyped: name !== pattern });
    return refusal ? wordRefusalCode(refusal) : null;
  }
  const networks = [
    { value: 'search', name: 'search' },
    { value: 'partners', name: 'with partners' },
  ];
</script>

<section aria-label="Name" class="border-b border-rule pb-3">
  <div class="grid grid-cols-4 gap-2.5">
    <SelectField
      label="Goal"
      value={campaign.goal}
      items={goals.map((value) => ({ value, name: value }))}
      onedit={(goal) => void setPart({ goal })}
      at={`${campaign.id}:goal`}
    />
    <TextField label="Place" value={campaign.placeWord} commit="leave" onedit={(placeWord) => setPart({ placeWord })} />
    <SelectField
      label="Network"
      value={campaign.partnerSites ? 'partners' : 'search'}
      items={networks}
      onedit={(value) => void setPart({ partnerSites: value === 'partners' })}
    />
    <TextField
      label="Theme"
      value={campaign.themeWord}
      commit="leave"
      at={`${campaign.id}:themeWord`}
      onedit={(themeWord) => setPart({ themeWord })}
    />
  </div>
  <div class="mt-2 flex items-end gap-3">
    <TextField
      label="Name of the campaign"
      value={campaign.name}
      commit="leave"
      mono
      class="flex-1"
      at={`${campaign.id}:name`}
      onedit={setName}
      suffix={`${units(campaign.name)}/${planState.plan.rules.nameLimit}`}
    />
    {#if campaign.name !== pattern}<Button onclick={() => void setName(pattern)}>Name by the pattern</Button>{/if}
  </div>
</section>
