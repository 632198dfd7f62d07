<script lang="ts">
  import { fillPattern } from '$lib/core/groups/group-pattern';
  import type { Group } from '$lib/core/records/group';
  import { childrenOf } from '$lib/core/store/snapshot';
  import { readAddress } from '$lib/core/text/address';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import Table from '../parts/Table.svelte';
  import TextField from '../parts/TextField.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { SheetState } from './sheet-state.svelte';

  let { open = $bindable(), sheet }: { open: boolean; sheet: SheetState } = $props();

  const shell = getShell();
  const mostShown = 100;
  let namePattern = $state('[[name]]');
  let pagePattern = $state('');
  const { planState } = $derived(sheet);
  /** The groups of the chosen keywords, else all of the campaign. */
  const groups = $derived.by((): readonly Group[] => {
    if (!open) return [];
    const { keyword } = planState.snapshot;
    const ids = new Set([...sheet.chosen].flatMap((id) => keyword.get(id)?.groupId ?? []));
    return ids.size > 0 ? sheet.groups.filter(({ id }) => ids.has(id)) : sheet.groups;
  });
  const rows = $derived.by(() => {
    const taken = new Set(sheet.groups.filter((group) => !groups.includes(group)).map(({ name }) => name));
    return groups.map((group, at) => {
      const values = {
        name: group.name,
        theme: group.theme || group.name.toLowerCase(),
        keyword: childrenOf(planState.snapshot.keyword, 'groupId', group.id)[0]?.text ?? group.name.toLowerCase(),
        number: String(at + 1),
        campaign: sheet.campaign?.name ?? '',
      };
      const name = fillPattern(namePattern, values);
      const page = fillPattern(pagePattern, values, { isAddress: true });
      const to = { name: name.text || group.name, landingPage: page.text || group.landingPage };
      const problem =
        name.unknown.length + page.unknown.length > 0
          ? `nothing fills ${[...name.unknown, ...page.unknown].map((one) => `[[${one}]]`).join(', ')}`
          : taken.has(to.name)
            ? 'that name stands already'
            : to.landingPage !== '' && !readAddress(to.landingPage)
              ? 'no address'
              : null;
      taken.add(to.name);
      return { group, to, problem, isOther: to.name !== group.name || to.landingPage !== group.landingPage };
    });
  });
  const changed = $derived(rows.filter(({ isOther }) => isOther));
  const isWrong = $derived(rows.some(({ problem }) => problem !== null));

  function rename() {
    const each = changed.map(({ group, to }) => ({ id: group.id as string, ...to }));
    if (each.length === 0 || isWrong || planState.make({ type: 'set-each', record: 'group', rows: each })) return;
    shell.announce(`${countOf(each.length, 'group')} changed. Ctrl Z changes them back.`);
    open = false;
  }
</script>

<Dialog bind:open title={`Names and pages of ${countOf(groups.length, 'group')}`} wide>
  <div class="grid grid-cols-2 gap-3">
    <TextField
      label="Names"
      value={namePattern}
      onedit={(text) => void (namePattern = text)}
      hint="[[name]], [[theme]], [[keyword]], [[number]], [[campaign]]"
    />
    <TextField
      label="Landing pages"
      value={pagePattern}
      placeholder="as they are"
      onedit={(text) => void (pagePattern = text)}
      hint="client.example/[[theme]]"
    />
  </div>
  <ScrollArea label="Every group" class="max-h-[46vh]">
    <Table caption="Every group" sticky="paper" heads={[{ name: 'Now' }, { name: 'Then' }, { name: 'Landing page' }]}>
      {#each rows.slice(0, mostShown) as { group, to, problem, isOther } (group.id)}
        <tr class={`border-t border-rule-soft ${isOther ? '' : 'text-ink-2'}`}>
          <td class="py-0.5 pe-3 text-ink-2">{group.name}</td>
          <td class="pe-3 font-semibold"
            >{to.name}{#if problem}<span class="ps-2 font-normal text-madder">{problem}</span>{/if}</td
          >
          <td class="[overflow-wrap:anywhere]">{to.landingPage || 'the brief’s'}</td>
        </tr>
      {/each}
    </Table>
    {#if rows.length > mostShown}<p class="text-ink-2">and {rows.length - mostShown} more</p>{/if}
  </ScrollArea>
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={changed.length === 0 || isWrong} onclick={rename}>Change {countOf(changed.length, 'group')}</Button>
  {/snippet}
</Dialog>
