<script lang="ts">
  import Input from '$lib/ui/parts/Input.svelte';
  import { onMount, tick } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import { page } from '$app/state';
  import type { Finding } from '$lib/core/proof/finding';
  import Button from '$lib/ui/parts/Button.svelte';
  import Dialog from '$lib/ui/parts/Dialog.svelte';
  import KeyCap from '$lib/ui/parts/KeyCap.svelte';
  import FindingRow from '$lib/ui/proof/FindingRow.svelte';
  import { ProofState } from '$lib/ui/proof/proof-state.svelte';
  import ProofMargin from '$lib/ui/proof/ProofMargin.svelte';
  import HouseView from '$lib/ui/rules/HouseView.svelte';
  import RulesView from '$lib/ui/rules/RulesView.svelte';
  import ChapterHead from '$lib/ui/shell/ChapterHead.svelte';
  import { asCommand } from '$lib/ui/shell/keys';
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
  import TabLink from '$lib/ui/shell/TabLink.svelte';
  import { getShell } from '$lib/ui/shell/shell.svelte';
  import { getPlanState } from '$lib/ui/state/plan-state.svelte';
  import { wordFinding } from '$lib/wording/findings';
  import { countOf } from '$lib/wording/texts';
  import Notice from '$lib/ui/parts/Notice.svelte';
  import EmptyState from '$lib/ui/parts/EmptyState.svelte';

  const planState = getPlanState();
  const shell = getShell();
  const proofState = new ProofState(planState);
  const { proof } = $derived(proofState);
  const titles = { fix: 'Must be fixed', look: 'Worth a look', suggestion: 'Suggestions' };
  const tones = { fix: 'text-madder', look: 'text-ochre', suggestion: 'text-slate' };
  const view = $derived(page.url.searchParams.get('view') ?? 'findings');
  const isRules = $derived(view === 'rules' || view === 'house');

  async function focusRow(finding: Finding | undefined) {
    if (!finding) return;
    proofState.choose(finding);
    await tick();
    document.querySelector<HTMLElement>(`[data-finding-link="${CSS.escape(finding.id)}"]`)?.focus();
  }

  onMount(() => {
    const free = (act: () => void) => asCommand(act, { isElsewhere: () => isRules });
    return tinykeys(window, {
      ArrowDown: free(() => void focusRow(proofState.further(1))),
      ArrowUp: free(() => void focusRow(proofState.further(-1))),
      KeyM: free(() => void focusRow(proofState.mendCurrent())),
      KeyA: free(() => proofState.askAside(proofState.current)),
    });
  });
</script>

<svelte:head><title>Proof · {planState.plan.plan.name} · Biblion</title></svelte:head>

{#snippet proofMargin()}<ProofMargin {planState} />{/snippet}

<PlanShell {planState} chapter="proof" margin={isRules ? undefined : proofMargin}>
  <div class="flex h-full flex-col">
    <ChapterHead title="Proof">
      {#snippet tabs()}
        <TabLink href="?view=findings" isCurrent={!isRules}>Findings</TabLink>
        <TabLink href="?view=rules" isCurrent={view === 'rules'}>Rule sets</TabLink>
        <TabLink href="?view=house" isCurrent={view === 'house'}>House rules</TabLink>
      {/snippet}
      {#snippet actions()}
        <Button
          disabled={proofState.safe.length === 0}
          onclick={() => shell.announce(`${countOf(planState.mendAllSafe(), 'finding')} mended; one undo takes all back.`)}
          >Mend all that are safe <span class="font-mono">{proofState.safe.length}</span></Button
        >
      {/snippet}
    </ChapterHead>
    {#if view === 'rules'}<RulesView {planState} />{:else if view === 'house'}<HouseView {planState} />{:else}
      <div class="flex items-center gap-6 border-b border-rule px-[22px] py-2" data-proof-counts>
        {#each proofState.bySeverity as { severity, findings } (severity)}
          <p class="flex items-baseline gap-2 whitespace-nowrap">
            <span class={`font-serif text-[24px] leading-7 ${tones[severity]}`}>{planState.reader.isRead ? findings.length : '…'}</span>
            {titles[severity].toLowerCase()}
          </p>
        {/each}
        <p class="flex items-baseline gap-2 whitespace-nowrap">
          <span class="font-serif text-[24px] leading-7 text-act">{planState.reader.isRead ? proofState.quiet : '…'}</span> found nothing
        </p>
        <p class="ms-auto flex shrink-0 items-center gap-1.5 whitespace-nowrap text-ink-2">
          <KeyCap keys="Enter" /> go there <KeyCap keys="M" /> mend <KeyCap keys="A" /> set aside
        </p>
      </div>
      <div class="min-h-0 flex-1 overflow-y-auto pb-6">
        {#if !planState.reader.isRead}
          <Notice tone="doing" class="py-16 text-center">reading …</Notice>
        {:else if proof.findings.length === 0}
          <EmptyState tone="good">The proof reads clean.</EmptyState>
        {/if}
        {#each proofState.bySeverity as { severity, findings } (severity)}
          {#if findings.length > 0}
            <section aria-label={titles[severity]}>
              <h2 class="bg-paper px-[22px] pt-2 pb-1">
                <span class={`font-serif text-[16px] ${tones[severity]}`}>{titles[severity]}</span>
                <span class="text-ink-2">{findings.length}</span>
              </h2>
              <ul>
                {#each findings.slice(0, proofState.mostShown) as finding (finding.id)}
                  <FindingRow
                    {planState}
                    {finding}
                    isCurrent={finding.id === proofState.current?.id}
                    onchoose={() => proofState.choose(finding)}
                    onaside={() => proofState.askAside(finding)}
                  />
                {/each}
              </ul>
            </section>
          {/if}
        {/each}
        {#if proof.aside.length > 0}
          <section aria-label="Set aside" class="mx-[22px] mt-4 border-t border-rule pt-2">
            <h2 class="font-semibold">
              Set aside <span class="font-normal text-ink-2">{proof.aside.length}; each returns when what it found changes</span>
            </h2>
            {#each proof.aside as finding (finding.id)}
              {@const row = [...planState.snapshot.setAside.values()].find(
                ({ rule, record }) => rule === finding.rule && record === finding.record,
              )}
              {@const words = wordFinding(finding, planState.currency)}
              <p class="py-1">
                <span class="font-semibold">{words.title}</span>
                <span class="text-ink-2">{words.detail} “{row?.reason}”</span>
                <Button kind="link" onclick={() => planState.bringBack(finding)}>Bring it back</Button>
              </p>
            {/each}
          </section>
        {/if}
        {#if planState.reader.isRead}<p class="px-[22px] pt-4 text-ink-2">{proofState.readOver}</p>{/if}
      </div>
    {/if}
  </div>
</PlanShell>

<Dialog bind:open={() => proofState.aside !== null, (open) => !open && proofState.askAside(null)} title="Set aside">
  {#if proofState.aside}
    {@const words = wordFinding(proofState.aside, planState.currency)}
    <p><span class="font-semibold">{words.title}</span> · {words.detail}</p>
    <form
      class="grid gap-3"
      onsubmit={(event) => {
        event.preventDefault();
        proofState.setAside();
      }}
    >
      <label class="grid gap-0.5"
        ><span class="text-ink-2">Why it may stand</span><Input class="h-[30px]" bind:value={proofState.reason} data-autofocus /></label
      >
      <div class="flex justify-end gap-2">
        <Button onclick={() => proofState.askAside(null)}>Not now</Button>
        <Button kind="act" type="submit" disabled={proofState.reason.trim() === ''}>Set aside</Button>
      </div>
    </form>
  {/if}
</Dialog>
