<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { blank } from '$lib/core/records/record-types';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import type { FillContext } from '$lib/core/ads/fill-slots';
  import { measureLine } from '$lib/core/ads/measure';
  import { lineContext } from '$lib/core/ads/slot-values';
  import { childrenOf, inOrder, nextPosition } from '$lib/core/store/snapshot';
  import type { Campaign } from '$lib/core/records/campaign';
  import type { LineKindOfAd, MasterLine } from '$lib/core/records/ad-line';
  import { adDifferences, type AdDifference } from '$lib/core/records/ad';
  import { differ, type DifferingVersion } from '$lib/core/ads/differ';
  import { differenceWords } from '$lib/wording/ad-tests';
  import Button from '../parts/Button.svelte';
  import Menu from '../parts/Menu.svelte';
  import Tabs from '../parts/Tabs.svelte';
  import MasterSlots from './MasterSlots.svelte';
  import MasterTable from './MasterTable.svelte';
  import { differContext } from './versions';
  import TextField from '../parts/TextField.svelte';
  import { enterNew, fieldAt } from '../shell/enter-new';
  import { getShell } from '../shell/shell.svelte';
  import { newId } from '../state/synced-store.svelte';
  import ApplyMaster from './ApplyMaster.svelte';
  import { pastedChange } from './pasted-change';
  import { proposeFallbacks } from './ad-state.svelte';
  import PathField from './PathField.svelte';
  import LineList from './LineList.svelte';

  /** The campaign at hand, whose values masters are measured with. */
  let { planState, campaign }: { planState: PlanState; campaign: Campaign | null } = $props();

  const shell = getShell();
  const { workspace } = $derived(planState);
  const masters = $derived(inOrder(workspace.snapshot.master));
  const master = $derived(masters.find(({ id }) => id === page.url.searchParams.get('master')) ?? masters[0] ?? null);
  const lines = $derived(master ? childrenOf(workspace.snapshot.masterLine, 'masterId', master.id) : []);
  const sampleGroup = $derived(
    (campaign && childrenOf(planState.snapshot.group, 'campaignId', campaign.id)[0]) ?? inOrder(planState.snapshot.group)[0] ?? null,
  );
  const format = $derived(planState.plan.rules.formats[master?.format ?? 'responsive']);
  const noValues = { group: '', place: '', client: '', offer: '', price: '' };
  /** The first group's values; before there is one, every slot stands as its fallback. */
  const contextFor = (kind: LineKindOfAd | 'path'): FillContext =>
    sampleGroup
      ? lineContext(planState.plan, sampleGroup, master?.format ?? 'responsive', kind)
      : {
          limit: kind === 'path' ? format.paths.limit : kind === 'headline' ? format.headlines.limit : format.descriptions.limit,
          language: 'en',
          values: noValues,
          kind: kind === 'path' ? 'path' : 'line',
          joiner: planState.plan.rules.valueJoiner,
        };
  const pathContext = $derived(contextFor('path'));
  const contexts = $derived({ headline: contextFor('headline'), description: contextFor('description') });
  /** Each live slot is measured by its fallback alone. */
  const measures = $derived(new Map(lines.map((line) => [line.id as string, measureLine(line.text, [], contexts[line.kind])])));
  let isApplying = $state(page.url.searchParams.has('apply'));
  const shows = [
    { id: 'lines', name: 'Lines' },
    { id: 'table', name: 'What each line becomes' },
  ] as const;
  let show = $state<'lines' | 'table'>('lines');
  /** A second master made from this one that differs in one thing. */
  const seconds = $derived(
    adDifferences.map((by) => {
      const version = sampleGroup && lines.length > 0 ? differ(lines, by, differContext(planState.plan, sampleGroup)) : null;
      return { name: differenceWords[by], disabled: version === null, run: () => version && addSecond(by, version) };
    }),
  );
  /** A master's address; the group at hand stays, and with it the campaign whose groups are ticked. */
  const addressOf = (id: string) => {
    const group = page.url.searchParams.get('group');
    return `?view=masters&master=${id}${group ? `&group=${group}` : ''}`;
  };

  function add() {
    const id = newId();
    const names = new Set(masters.map(({ name }) => name));
    let name = 'New master';
    for (let number = 2; names.has(name); number++) name = `New master ${number}`;
    const row = blank('master', { id, name, position: nextPosition(masters) });
    const kinds: LineKindOfAd[] = ['headline', 'headline', 'headline', 'description', 'description'];
    const rows = kinds.map((kind, position) => blank('masterLine', { id: newId(), masterId: id, kind, position }));
    workspace.make({
      type: 'several',
      name: 'ad-added',
      changes: [
        { type: 'add', record: 'master', rows: [row] },
        { type: 'add', record: 'masterLine', rows },
      ],
    });
    show = 'lines';
    void goto(addressOf(id), { keepFocus: true });
    enterNew(fieldAt(`${id}:name`));
  }

  function addSecond(by: AdDifference, version: DifferingVersion<MasterLine>) {
    if (!master) return;
    const id = newId();
    const taken = new Set(masters.map(({ name }) => name));
    const wanted = `${master.name}, ${differenceWords[by]}`;
    let name = wanted;
    for (let number = 2; taken.has(name); number++) name = `${wanted} ${number}`;
    const rows = version.lines.map((line, position) => ({ ...line, id: newId(), masterId: id, position }));
    workspace.make({
      type: 'several',
      name: 'ad-added',
      changes: [
        { type: 'add', record: 'master', rows: [{ ...master, id, name, position: nextPosition(masters) }] },
        { type: 'add', record: 'masterLine', rows },
      ],
    });
    show = 'lines';
    void goto(addressOf(id), { keepFocus: true });
    const line = rows[version.changed[0] ?? 0];
    if (line) enterNew(fieldAt(`${line.id}:${line.kind}`));
  }

  function addLine(kind: LineKindOfAd): string {
    const id = newId();
    if (master) workspace.add('masterLine', blank('masterLine', { id, masterId: master.id, kind, position: nextPosition(lines) }));
    return id;
  }

  function remove() {
    if (!master) return;
    workspace.make({ type: 'remove', record: 'master', ids: [master.id] });
    shell.announce('Master taken out; the Shelf’s undo brings it back.');
  }
</script>

<div class="flex items-center gap-2 border-b border-rule-soft py-2">
  <p class="me-2 text-ink-2">Written once, with slots for theme, place, price and offer; applied to many groups.</p>
  <Button class="ms-auto" onclick={add}>New master</Button>
</div>
{#if masters.length > 0}
  <nav class="flex flex-wrap gap-1.5 py-2" aria-label="Masters">
    {#each masters as { id, name } (id)}
      <a
        href={addressOf(id)}
        aria-current={id === master?.id ? 'true' : undefined}
        class={`rounded border px-2.5 py-0.5 ${id === master?.id ? 'border-plum bg-plum-tint font-semibold text-plum' : 'border-rule bg-sheet hover:bg-fold'}`}
        >{name}</a
      >
    {/each}
  </nav>
{/if}
{#if master}
  {@const own = master}
  {#key own.id}
    <div class="flex items-end gap-3 py-1">
      <TextField
        label="Name"
        value={own.name}
        commit="leave"
        at={`${own.id}:name`}
        class="min-w-0 flex-1"
        onedit={(name) => (name.trim() === '' ? 'A name is needed.' : void workspace.set('master', own.id, { name }))}
      />
      <Button kind="quiet" class="ms-auto" onclick={remove}>Take out</Button>
      <Menu name="Second one…" label={`A second master made from ${own.name}`} items={seconds} />
      <Button kind="act" disabled={planState.snapshot.group.size === 0} onclick={() => (isApplying = true)}>Apply to groups…</Button>
    </div>
    <div class="w-fit pb-1">
      <Tabs label="Show" kind="box" tabs={shows} value={show} onpick={(id) => (show = id)} />
    </div>
    {#if show === 'table'}
      <MasterTable {planState} master={own} {lines} />
    {:else}
      {#each ['headline', 'description'] as const as kind (kind)}
        <LineList
          {kind}
          rule={kind === 'headline' ? format.headlines : format.descriptions}
          lines={lines.filter((line) => line.kind === kind)}
          {measures}
          context={contexts[kind]}
          canFix
          fallbacks={proposeFallbacks([campaign?.themeWord ?? '', planState.plan.brief.offer], contexts[kind])}
          note={kind === 'headline' && sampleGroup ? `measured with the values of ${sampleGroup.name}` : ''}
          onadd={() => addLine(kind)}
          onedit={(id, text, editSession) => void workspace.set('masterLine', id, { text }, editSession)}
          onfix={(id, fixedAt) => void workspace.set('masterLine', id, { fixedAt })}
          onremove={(id) => void workspace.make({ type: 'remove', record: 'masterLine', ids: [id] })}
          onpastelines={(pasted) => void workspace.make(pastedChange('masterLine', { masterId: own.id }, kind, pasted))}
        />
      {/each}
      <section aria-label="Paths of the address shown" class="py-3">
        <h2 class="pb-0.5 text-ink-2">Shown address, after each ad’s own domain</h2>
        <div class="flex items-start gap-1.5">
          {#each ['path1', 'path2'] as const as field, at (field)}
            <PathField
              label={`Path ${at + 1}`}
              value={own[field]}
              context={pathContext}
              keywords={[]}
              at={`${own.id}:${field}`}
              onedit={(text, editSession) => void workspace.set('master', own.id, { [field]: text }, editSession)}
            />
          {/each}
        </div>
      </section>
      <MasterSlots {planState} {lines} paths={[own.path1, own.path2]} />
    {/if}
    <ApplyMaster {planState} bind:open={isApplying} master={own} {lines} {campaign} />
  {/key}
{:else}
  <div class="flex flex-col items-center gap-3 py-16">
    <p>No master yet. Write one ad with slots such as [[place|Town]], and every group gets its own.</p>
    <Button kind="act" onclick={add}>Write the first master</Button>
  </div>
{/if}
