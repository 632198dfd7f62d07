<script lang="ts">
  import type { Account } from '$lib/core/records/account';
  import type { Client } from '$lib/core/records/client';
  import Button from '../parts/Button.svelte';
  import CurrencyDialog from './CurrencyDialog.svelte';
  import TextField from '../parts/TextField.svelte';
  import { getWorkspace } from '../state/workspace.svelte';

  let { client, account }: { client: Client; account: Account } = $props();

  const workspace = getWorkspace();
  let isEditing = $state(false);
  let isChangingCurrency = $state(false);
</script>

<div class="flex items-baseline gap-3">
  <h2 class="font-serif text-[17px]">{client.name}</h2>
  <p class="text-ink-2">{client.site}</p>
  <Button kind="quiet" label={`Edit ${client.name}`} onclick={() => (isEditing = !isEditing)}>{isEditing ? 'Done' : 'Edit'}</Button>
  <p class="ms-auto text-ink-2">account in {account.currency} · {account.timeZone}</p>
</div>
{#if isEditing}
  <div class="grid grid-cols-3 items-start gap-3 border-s-3 border-rule py-2 ps-3">
    <TextField
      label="Client"
      value={client.name}
      commit="leave"
      onedit={(name) => (name.trim() === '' ? 'A name is needed.' : void workspace.set('client', client.id, { name }))}
    />
    <TextField
      label="Site"
      value={client.site}
      onedit={(site, editSession) => void workspace.set('client', client.id, { site }, editSession)}
    />
    <p class="pt-6 text-ink-2">
      Currency and time zone stand with the account; another currency is another account’s plan.
      <Button kind="link" onclick={() => (isChangingCurrency = true)}>The account itself has another currency…</Button>
    </p>
  </div>
{/if}
{#if isChangingCurrency}<CurrencyDialog {account} bind:open={isChangingCurrency} />{/if}
