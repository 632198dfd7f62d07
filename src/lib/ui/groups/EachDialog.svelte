<script lang="ts">
  import { fillPattern } from '$lib/core/groups/group-pattern';
  import { childrenOf, inOrder } from '$lib/core/store/snapshot';
  import { readAddress } from '$lib/core/text/address';
  import { countOf, first } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Notice from '../parts/Notice.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import Table from '../parts/Table.svelte';
  import TextField from '../parts/TextField.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { newId } from '../state/synced-store.svelte';
  import { makeProposal, type GroupToMake } from './make-groups';
  import type { SheetState } from './sheet-state.svelte';

  let { open = $bindable(), sheet }: { open: boolean; sheet: SheetState } = $props();

  const shell = getShell();
  const mostShown = 8;
  let namePattern = $state('[[keyword]]');
  let pagePattern = $state('');
  let ads = $state('copied');
  const { planState } = $derived(sheet);
  /** Chosen keywords of the campaign at hand; those of others stay there. */
  const keywords = $derived(
    open
      ? sheet.chosenIds.flatMap((id) => {
          const keyword = planState.snapshot.keyword.get(id);
          return keyword && planState.snapshot.group.get(keyword.groupId)?.campaignId === sheet.campaign?.id ? [keyword] : [];
        })
      : [],
  );
  const rows = $derived(
    [...new Map(keywords.map((keyword) => [keyword.text, keyword])).values()].map(({ text, groupId }, at) => {
      const left = planState.snapshot.group.get(groupId);
      const values = { keyword: text, group: left?.name ?? '', number: String(at + 1), campaign: sheet.campaign?.name ?? '' };
      const name = fillPattern(namePattern, values);
      const page = fillPattern(pagePattern, values, { isAddress: true });
      return {
        text,
        name: first(name.text),
        page: page.text || (left?.landingPage ?? ''),
        bid: left?.defaultBidMinor ?? null,
        unknown: [...name.unknown, ...page.unknown],
      };
    }),
  );
  const unknown = $derived([...new Set(rows.flatMap((row) => row.unknown))]);
  const isUnread = $derived(rows.some(({ page }) => page !== '' && !readAddress(page)));
  const masters = $derived(inOrder(planState.workspace.snapshot.master));
  const choices = $derived([
    { value: 'copied', name: 'copied from the group they leave' },
    ...masters.map(({ id, name }) => ({ value: id as string, name: `from the master ${name}` })),
    { value: 'none', name: 'none yet' },
  ]);

  function make() {
    const campaignId = sheet.campaign?.id;
    if (campaignId === undefined || rows.length === 0 || unknown.length > 0) return;
    const master = masters.find(({ id }) => id === ads);
    const wanted = rows.map(({ text, name, page, bid }): GroupToMake => ({
      groupId: null,
      name: name || first(text),
      theme: text,
      texts: [text],
      landingPage: page,
      defaultBidMinor: bid,
    }));
    const change = makeProposal(planState.snapshot, campaignId, wanted, {
      newId,
      match: planState.plan.house.defaultMatch,
      ads: master
        ? { master, lines: childrenOf(planState.workspace.snapshot.masterLine, 'masterId', master.id) }
        : ads === 'none'
          ? 'none'
          : 'copied',
    });
    if (planState.make(change)) return;
    sheet.chosen = new Set();
    shell.announce(`${countOf(wanted.length, 'group')} of one keyword made. Ctrl Z takes them back.`);
    open = false;
  }
</script>

<Dialog bind:open title={`A group for each of ${countOf(rows.length, 'keyword')}`} wide>
  <div class="grid grid-cols-2 gap-3">
    <TextField label="Names" value={namePattern} onedit={(text) => void (namePattern = text)} hint="[[keyword]], [[group]], [[number]]" />
    <SelectField label="Their ads" value={ads} items={choices} onedit={(value) => (ads = value)} />
    <TextField
      class="col-span-2"
      label="Landing pages"
      value={pagePattern}
      placeholder="as of the group they leave"
      onedit={(text) => void (pagePattern = text)}
      hint="client.example/[[keyword]] becomes client.example/upright-piano-tuning"
    />
  </div>
  {#if unknown.length > 0}<Notice block>Nothing fills {unknown.map((name) => `[[${name}]]`).join(', ')}.</Notice>
  {:else if isUnread}<Notice block>One of the pages is no address.</Notice>{/if}
  <Table caption="The groups" heads={[{ name: 'Keyword' }, { name: 'Group' }, { name: 'Landing page' }]}>
    {#each rows.slice(0, mostShown) as { text, name, page } (text)}
      <tr class="border-t border-rule-soft"
        ><td class="py-0.5 pe-3 text-ink-2">{text}</td><td class="pe-3 font-semibold">{name}</td><td class="[overflow-wrap:anywhere]"
          >{page || 'the brief’s'}</td
        ></tr
      >
    {/each}
  </Table>
  {#if rows.length > mostShown}<p class="text-ink-2">and {rows.length - mostShown} more</p>{/if}
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={rows.length === 0 || unknown.length > 0} onclick={make}>Make {countOf(rows.length, 'group')}</Button>
  {/snippet}
</Dialog>
