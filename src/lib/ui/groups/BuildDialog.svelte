<script lang="ts">
  import { untrack } from 'svelte';
  import { matchTypes } from '$lib/core/records/match-types';
  import { mostBuilt } from '$lib/core/keywords/combine';
  import { inOrder } from '$lib/core/store/snapshot';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Input from '../parts/Input.svelte';
  import Radio from '../parts/Radio.svelte';
  import MoneyField from '../parts/MoneyField.svelte';
  import Select from '../parts/Select.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import Tabs from '../parts/Tabs.svelte';
  import TakeOut from '../parts/TakeOut.svelte';
  import TextArea from '../parts/TextArea.svelte';
  import TextField from '../parts/TextField.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { bothMatches, BuildState } from './build-state.svelte';
  import type { SheetState } from './sheet-state.svelte';

  let { open = $bindable(), sheet }: { open: boolean; sheet: SheetState } = $props();

  const shell = getShell();
  const build = new BuildState(
    untrack(() => sheet.planState),
    () => sheet.campaign,
    () => sheet.ungrouped,
  );
  const mostParts = 5;
  const mostShown = 4;
  const { planState } = $derived(sheet);
  const masters = $derived(inOrder(planState.workspace.snapshot.master));
  /** Slots of the page or path that some group has no one value for. */
  const unfilled = $derived([...new Set(build.groups.flatMap(({ isOn, page, path }) => (isOn ? [...page.unknown, ...path.unknown] : [])))]);
  $effect(() => {
    if (!open) return;
    void [
      build.order,
      build.groupBy,
      build.never,
      build.filesOthers,
      build.keptNever,
      build.parts.map(({ name, lines, optional }) => [name, lines, optional]),
    ];
    untrack(() => build.ask());
  });
  $effect(() => () => build.close());

  function rename(at: number, name: string) {
    const part = build.parts[at]!;
    if (name.trim() === '' || build.parts.some((one) => one !== part && one.name === name.trim())) return;
    if (build.groupBy === part.name) build.groupBy = name.trim();
    part.name = name.trim();
  }

  function make() {
    const { groups, keywords, filed } = build.totals;
    if (!build.make()) return;
    shell.announce(
      `${countOf(keywords, 'keyword')} in ${countOf(groups, 'group')}${filed > 0 ? `, ${filed} filed` : ''}. Ctrl Z takes them back.`,
    );
    open = false;
  }
</script>

<Dialog bind:open title="Build from lists" wide>
  <p class="flex flex-wrap items-center gap-3">
    <span class="font-serif font-semibold">{build.line}</span>
    <span class="text-ink-2">one value a line; what stands in brackets may be left out</span>
  </p>
  <div class="grid auto-cols-fr grid-flow-col gap-3">
    {#each build.parts as part, at (at)}
      <section aria-label={`Part ${at + 1}`} class="flex flex-col gap-1">
        <div class="flex items-center gap-1">
          <Input
            class="h-[28px] font-semibold"
            aria-label={`Name of part ${at + 1}`}
            value={part.name}
            onchange={(event) => rename(at, event.currentTarget.value)}
          />
          {#if build.parts.length > 1}<TakeOut label={`Take ${part.name} out`} onclick={() => build.parts.splice(at, 1)} />{/if}
        </div>
        <TextArea rows={6} aria-label={`Values of ${part.name}`} bind:value={part.lines} />
        <div class="flex items-center gap-3">
          {#if build.keptValues.length > 0}
            <Select
              class="h-[26px] min-w-0"
              aria-label={`A kept list for ${part.name}`}
              value=""
              onchange={(event) => {
                const list = build.keptValues.find(({ id }) => id === event.currentTarget.value);
                if (list) part.lines = list.lines.join('\n');
                event.currentTarget.value = '';
              }}
            >
              <option value="" disabled>kept lists…</option>
              {#each build.keptValues as { id, name } (id)}<option value={id}>{name}</option>{/each}
            </Select>
          {/if}
          {#if part.lines.trim() !== ''}<Button
              kind="link"
              class="whitespace-nowrap"
              onclick={() => build.keepValues(part.name, part.lines)}>keep as “{part.name}”</Button
            >{/if}
        </div>
        <Checkbox bind:checked={part.optional} class="flex items-center gap-2">may be left out</Checkbox>
        <Radio name="groups by" value={part.name} bind:group={build.groupBy} class="flex items-center gap-2">makes the groups</Radio>
      </section>
    {/each}
  </div>
  <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
    <Tabs
      label="Order of the parts"
      kind="box"
      tabs={[
        { id: 'given', name: 'in this order' },
        { id: 'every', name: 'in every order' },
      ]}
      value={build.order}
      onpick={(order) => (build.order = order)}
    />
    <label class="flex items-center gap-1.5"
      >match <Select class="h-[26px]" bind:value={build.match}>
        {#each [...matchTypes, bothMatches] as match (match)}<option value={match}>{match}</option>{/each}
      </Select></label
    >
    {#if build.parts.length < mostParts}<Button
        kind="link"
        onclick={() => build.parts.push({ name: `part ${build.parts.length + 1}`, lines: '', optional: true })}>one more part</Button
      >{/if}
    <Checkbox bind:checked={build.filesOthers} class="flex items-center gap-2"
      >file keywords and kept finds that hold a group word, too</Checkbox
    >
  </div>
  <details class="border-t border-rule pt-2">
    <summary class="w-fit cursor-pointer font-semibold">Pages, ads, bid and negatives of new groups</summary>
    <div class="grid grid-cols-5 gap-3 pt-2">
      <TextField
        label="Landing page"
        value={build.page}
        placeholder={`client.example/[[${build.groupBy}]]`}
        onedit={(text) => void (build.page = text)}
      />
      <SelectField
        label="Ad from a master"
        value={build.masterId}
        items={[{ value: '', name: 'none yet' }, ...masters.map(({ id, name }) => ({ value: id as string, name }))]}
        onedit={(id) => (build.masterId = id)}
      />
      <TextField
        label="Its first path"
        value={build.path}
        placeholder={`[[${build.groupBy}]]`}
        onedit={(text) => void (build.path = text)}
      />
      <MoneyField label="Default bid" value={build.bidMinor} ways={planState.amounts} onedit={(minor) => void (build.bidMinor = minor)} />
      <TextField
        label="Negatives of each"
        value={build.negatives}
        placeholder="free, jobs"
        onedit={(text) => void (build.negatives = text)}
      />
    </div>
    {#if unfilled.length > 0}<p class="pt-1 text-ochre">
        {unfilled.map((name) => `[[${name}]]`).join(', ')}: no part of that name, or its value differs within a group.
      </p>{/if}
  </details>
  <div class="grid grid-cols-[minmax(0,1fr)_180px] gap-4 border-t border-rule pt-2">
    <section aria-label="What is built" class="max-h-[24vh] overflow-y-auto">
      {#if build.answer && 'tooMany' in build.answer}
        <p class="text-ochre">
          {build.answer.tooMany.toLocaleString('en-GB')} keywords would be built; {mostBuilt.toLocaleString('en-GB')} are the most. Shorten a
          list.
        </p>
      {:else}
        <p role="status">
          <span class="font-semibold">{countOf(build.totals.keywords, 'keyword')} in {countOf(build.totals.groups, 'group')}</span>
          <span class="text-ink-2"
            >{build.built && build.built.leftOut > 0 ? `${build.built.leftOut} left out as never together` : ''}{build.totals.filed > 0
              ? ` ${build.totals.filed} that stand are filed`
              : ''}</span
          >
        </p>
        <ul>
          {#each build.groups as { name, fresh, stand, others, isOn, page, path, isPathLong } (name)}
            <li class="flex items-baseline gap-2 border-b border-rule-soft py-0.5">
              <Checkbox label={`Make ${name}`} checked={isOn} onchange={() => build.toggle(name)} />
              <span class="w-32 shrink-0 truncate font-semibold" title={name}>{name}</span>
              <span class="w-8 shrink-0 text-end font-mono text-[12px]">{fresh.length + others.length}</span>
              <span class="min-w-0 flex-1 truncate text-ink-2"
                >{page.text !== '' ? `${page.text} · ` : ''}{path.text !== ''
                  ? isPathLong
                    ? 'path too long · '
                    : `/${path.text} · `
                  : ''}{[...fresh, ...others].slice(0, mostShown).join(', ')}{stand > 0 ? ` (${stand} stand already)` : ''}</span
              >
            </li>
          {/each}
        </ul>
      {/if}
    </section>
    <div class="flex flex-col gap-1 text-ink-2">
      <label class="flex flex-col gap-1"
        >never together, a line each
        <TextArea rows={2} placeholder="grand, keyboard" bind:value={build.never} /></label
      >
      {#if build.never.trim() !== ''}<Button kind="link" class="w-fit" onclick={() => build.keepNever()}>in every plan</Button>{/if}
      {#if build.keptNever.length > 0}<p class="text-[12px]">
          In every plan: {build.keptNever.join('; ')}
          <TakeOut label="Forget what never stands together" onclick={() => build.forgetNever()} />
        </p>{/if}
    </div>
  </div>
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={build.totals.keywords + build.totals.filed === 0 || unfilled.length > 0} onclick={make}
      >Make {countOf(build.totals.keywords, 'keyword')} in {countOf(build.totals.groups, 'group')}</Button
    >
  {/snippet}
</Dialog>
