<script lang="ts">
  import Input from '../parts/Input.svelte';
  import Select from '../parts/Select.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import { goto } from '$app/navigation';
  import { inOrder } from '$lib/core/store/snapshot';
  import { areNearEqual, Letters } from '$lib/core/text/near-equal';
  import { languageItems } from '../parts/languages';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import { getWorkspace } from '../state/workspace.svelte';
  import { currencyItems } from './currencies';
  import { newPlanFile, readInPlan } from './new-plan';
  import Notice from '../parts/Notice.svelte';

  let { open = $bindable() }: { open: boolean } = $props();

  const workspace = getWorkspace();
  const clients = $derived(inOrder(workspace.snapshot.client));
  const foldName = (name: string) => name.trim().toLowerCase().replace(/\s+/g, ' ');
  const isLike = (name: string, typed: string) =>
    ` ${name}`.includes(` ${typed}`) || typed.startsWith(`${name} `) || areNearEqual(new Letters(name), new Letters(typed));
  const zones = Intl.supportedValuesOf('timeZone');

  let clientName = $state('');
  let site = $state('');
  let currency = $state('GBP');
  let timeZone = $state(Intl.DateTimeFormat().resolvedOptions().timeZone);
  let planName = $state('');
  let language = $state('en');
  let problem = $state('');
  let isSending = $state(false);

  /** A client that is known brings its account along. */
  const known = $derived(clients.find(({ name }) => foldName(name) === foldName(clientName)));
  /** Clients that what is typed may mean: one typed in part must not become a second one unseen. */
  const meant = $derived(
    known || foldName(clientName).length < 2 ? [] : clients.filter(({ name }) => isLike(foldName(name), foldName(clientName))).slice(0, 3),
  );
  let isAnother = $state(false);
  $effect(() => {
    const account = known && inOrder(workspace.snapshot.account).find(({ clientId }) => clientId === known.id);
    if (!known || !account) return;
    site = known.site;
    currency = account.currency;
    timeZone = account.timeZone;
  });

  async function create(event: SubmitEvent) {
    event.preventDefault();
    if (clientName.trim() === '' || planName.trim() === '') {
      problem = 'A client and a name for the plan are needed.';
      return;
    }
    if (meant.length > 0 && !isAnother) {
      problem = 'Say first which client this is.';
      return;
    }
    isSending = true;
    try {
      const { id } = await readInPlan(newPlanFile({ clientName: known?.name ?? clientName, site, currency, timeZone, planName, language }));
      open = false;
      await workspace.refresh();
      await goto(`/plans/${id}/brief`);
    } catch (error) {
      problem = error instanceof Error ? error.message : String(error);
    } finally {
      isSending = false;
    }
  }
</script>

<Dialog bind:open title="New plan">
  <form class="grid grid-cols-2 gap-3" onsubmit={create}>
    <label class="grid gap-0.5"
      ><span class="text-ink-2">Client</span><Input
        list="clients"
        bind:value={clientName}
        oninput={() => (isAnother = false)}
        data-autofocus
      /></label
    >
    <datalist id="clients"
      >{#each clients as { id, name } (id)}<option value={name}></option>{/each}</datalist
    >
    <label class="grid gap-0.5"
      ><span class="text-ink-2">The client’s site</span><Input bind:value={site} placeholder="client.example" /></label
    >
    <label class="grid gap-0.5"
      ><span class="text-ink-2">Account’s currency</span>
      <Select class="h-[30px] w-full" bind:value={currency}
        >{#each currencyItems as item (item.value)}<option value={item.value}>{item.name}</option>{/each}</Select
      ></label
    >
    <label class="grid gap-0.5"
      ><span class="text-ink-2">Account’s time zone</span>
      <Select class="h-[30px] w-full" bind:value={timeZone}
        >{#each zones.includes(timeZone) ? zones : [timeZone, ...zones] as zone (zone)}<option>{zone}</option>{/each}</Select
      ></label
    >
    <label class="grid gap-0.5"
      ><span class="text-ink-2">Name of the plan</span><Input bind:value={planName} placeholder="Spring launch" /></label
    >
    <SelectField label="Language of the searchers" value={language} items={languageItems} onedit={(value) => (language = value)} />
    {#if meant.length > 0}
      <fieldset class="col-span-2 flex flex-wrap items-baseline gap-x-3 gap-y-1 border-s-3 border-ochre ps-2.5">
        <legend class="float-start me-3">Which client?</legend>
        {#each meant as { id, name } (id)}
          <Button
            kind="link"
            onclick={() => {
              clientName = name;
              problem = '';
            }}>{name}</Button
          >
        {/each}
        <Checkbox class="flex items-center gap-1.5" bind:checked={isAnother}>another one, called “{clientName.trim()}”</Checkbox>
      </fieldset>
    {/if}
    {#if problem}<Notice class="col-span-2">{problem}</Notice>{/if}
    <div class="col-span-2 flex justify-end gap-2 pt-1">
      <Button onclick={() => (open = false)}>Not now</Button>
      <Button kind="act" type="submit" disabled={isSending}>Make the plan</Button>
    </div>
  </form>
</Dialog>
