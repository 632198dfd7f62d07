<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import TextArea from '../parts/TextArea.svelte';
  import { readAddress } from '$lib/core/text/address';
  import type { Campaign } from '$lib/core/records/campaign';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';

  let { planState, campaign }: { planState: PlanState; campaign: Campaign } = $props();

  const id = $props.id();
  const mostShown = 8;
  let draft = $state('');
  const set = (placementsOff: string[]) => void planState.set('campaign', campaign.id, { placementsOff });

  function add() {
    const texts = draft.split(/[\s,;]+/).filter((text) => text !== '' && text.length <= 2048);
    const fresh = [...new Set(texts)].filter((text) => !campaign.placementsOff.includes(text));
    if (fresh.length > 0) set([...campaign.placementsOff, ...fresh].slice(0, 5000));
    draft = '';
  }
</script>

<section aria-label="Kept off" class="flex flex-col gap-1 py-3" data-at={`${campaign.id}:placementsOff`}>
  <h2 class="font-semibold">
    Kept off{campaign.placementsOff.length > 0 ? `: ${countOf(campaign.placementsOff.length, 'site or page', 'sites and pages')}` : ''}
  </h2>
  <ul>
    {#each campaign.placementsOff.slice(0, mostShown) as text, at (at)}
      <li class="flex items-center justify-between gap-2">
        <span class={`truncate ${readAddress(text) ? '' : 'text-madder'}`} title={text}
          >{text}{readAddress(text) ? '' : ', no address'}</span
        >
        <Button kind="quiet" label={`Take out ${text}`} onclick={() => set(campaign.placementsOff.filter((one) => one !== text))}>×</Button>
      </li>
    {/each}
  </ul>
  {#if campaign.placementsOff.length > mostShown}
    <p class="text-ink-2">
      and {campaign.placementsOff.length - mostShown} more. <Button kind="link" onclick={() => set([])}>Take all out</Button>
    </p>
  {/if}
  <label class="sr-only" for={id}>Sites and pages to keep off, pasted or typed</label>
  <TextArea
    {id}
    rows={2}
    class="w-full px-2 py-1 placeholder:text-ink-3"
    placeholder="games.example, paste a list…"
    bind:value={draft}
    onblur={add}
    onkeydown={(event) => {
      if (event.key === 'Enter' && !event.shiftKey) {
        event.preventDefault();
        add();
      }
    }}
  />
</section>
