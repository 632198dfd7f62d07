<script lang="ts">
  import { onMount } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import { formatMoney } from '$lib/core/money/money';
  import type { OwnGroup } from '$lib/core/terms/own-group';
  import { countOf, quote } from '$lib/wording/texts';
  import { judgementWords } from '$lib/wording/terms';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Input from '../parts/Input.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import Notice from '../parts/Notice.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { TermsState } from './terms-state.svelte';

  let { terms }: { terms: TermsState } = $props();

  const shell = getShell();
  const { planState } = $derived(terms);
  const { names } = $derived(terms);
  const money = (minor: number) => formatMoney(Math.round(minor), planState.currency);
  const { chosen } = $derived(terms);
  const own = $derived(terms.ownGroup);
  const moved = $derived(own?.apart.flatMap((one) => one.moved) ?? []);
  const negatives = $derived(own?.apart.reduce((sum, one) => sum + one.negatives.length, 0) ?? 0);

  const mostNamed = 3;
  const firstOf = (texts: readonly string[]) =>
    texts.slice(0, mostNamed).join(', ') +
    (texts.length > mostNamed ? ` and ${(texts.length - mostNamed).toLocaleString('en-GB')} more` : '');

  /** What making it does to the groups around it, a sentence each. */
  function effectsOf({ along, staying }: OwnGroup): string[] {
    const one = (count: number, word: string) => (count === 1 ? `${word}s` : word);
    const says = [`The old groups get ${countOf(negatives, 'exact negative')} that block nothing else, no keyword of theirs.`];
    if (moved.length > 0) {
      const marks = moved.map(({ text, match }) => `${text} (${match})`);
      says.push(`${countOf(moved.length, 'keyword')} of theirs ${one(moved.length, 'move')} here: ${firstOf(marks)}.`);
    }
    if (along.length > 0) {
      const texts = firstOf(along.map(({ text }) => text));
      says.push(`${countOf(along.length, 'more term')} ${one(along.length, 'come')} along, answered by its keywords too: ${texts}.`);
    }
    if (staying.count > 0) {
      const words = staying.words.map(quote).join(' or ');
      says.push(
        `${countOf(staying.count, 'more term')} with ${words} ${one(staying.count, 'stay')} where ${staying.count === 1 ? 'it is' : 'they are'}.`,
      );
    }
    return says;
  }
  const effects = $derived(own ? effectsOf(own) : []);

  function make() {
    const name = terms.makeOwnGroup();
    if (name) shell.announce(`${name} made; the old groups are kept apart. Ctrl Z takes it back.`);
  }
  onMount(() =>
    tinykeys(window, {
      '$mod+Enter': (event) => {
        if (document.querySelector('dialog[open]')) return;
        event.preventDefault();
        make();
      },
    }),
  );
</script>

<section aria-label="A group of its own" class="flex flex-col gap-2.5">
  <h2><b class="font-semibold">A group of its own</b> <span class="text-ink-2">not made yet</span></h2>
  <Input
    class="h-[32px] font-serif text-[15px]"
    aria-label="Name of the group"
    bind:value={() => terms.name, (name) => (terms.typedName = name)}
  />
  <table class="w-full">
    <thead class="text-ink-2"
      ><tr
        ><th class="text-start font-normal">{countOf(chosen.length, 'term')}, exact</th><th class="text-end font-normal">clicks</th><th
          class="ps-2 text-end font-normal lowercase">{names.short}</th
        ></tr
      ></thead
    >
    <tbody>
      {#each chosen as term (term.text)}
        <tr
          ><td class="pe-2">{term.text}</td><td class="text-end font-mono text-[12.5px]">{term.clicks}</td><td
            class="text-end font-mono text-[12.5px]">{term.judgedOn.conversions}</td
          ></tr
        >
      {/each}
      {#if own}<tr class="font-semibold"
          ><td>Together, {money(own.sum.costMinor)}</td><td class="text-end font-mono text-[12.5px]">{own.sum.clicks}</td><td
            class="text-end font-mono text-[12.5px]">{own.sum.conversions}</td
          ></tr
        >{/if}
    </tbody>
  </table>
  {#if own}
    {#if own.judged}
      <p class="text-ink-2">
        <b class={`font-semibold ${own.judged.judgement === 'converting' ? 'text-act' : 'text-ink'}`}
          >{judgementWords[own.judged.judgement]}</b
        >{own.sum.conversions > 0 ? `: ${money(own.sum.costMinor / own.sum.conversions)} each` : ''}{own.judged.rate &&
        own.judged.rate[0] > 0
          ? `; at the low end of the rate, ${(own.judged.rate[0] * 100).toFixed(1)} %, ${money((own.judged.clickCostMinor ?? 0) / own.judged.rate[0])}`
          : ''}.{own.tooEarlyAlone > 0 ? ` Alone, ${own.tooEarlyAlone} are too early.` : ''}
      </p>
    {/if}
    <hr class="border-rule" />
    <dl class="grid grid-cols-[52px_1fr] gap-x-2 gap-y-1">
      <dt class="text-ink-2">Bid</dt>
      <dd>
        {#if own.bidMinor !== null}<b class="font-semibold">{money(own.bidMinor)}</b> a click’s worth, low end{:else}as {own.from.name}{/if}
      </dd>
      <dt class="text-ink-2">Match</dt>
      <dd><Checkbox bind:checked={terms.own.isPhraseToo}>as phrase too</Checkbox></dd>
      <dt class="text-ink-2">Page</dt>
      <dd>
        <Input
          class="h-[28px]"
          aria-label="Landing page"
          placeholder={own.from.landingPage || planState.plan.brief.landingPage || 'as before'}
          bind:value={terms.own.landingPage}
        />
      </dd>
      <dt class="text-ink-2">Ads</dt>
      <dd>
        {own.ads === 0 ? 'none to copy' : `${own.ads} of ${own.from.name}`}{own.linesChanged > 0
          ? `, ${countOf(own.linesChanged, 'line')} on ${quote(own.theme)}`
          : ''}
      </dd>
    </dl>
    <hr class="border-rule" />
    <h3 class="font-semibold">What it would do</h3>
    <table class="w-full">
      <thead class="text-ink-2"
        ><tr
          ><th class="text-start font-normal">Clicks of the reports</th><th class="text-end font-normal">before</th><th
            class="ps-2 text-end font-normal">then</th
          ></tr
        ></thead
      >
      <tbody>
        <tr
          ><td>{own.name}</td><td class="text-end font-mono text-[12.5px]">0</td><td class="text-end font-mono text-[12.5px] font-semibold"
            >{own.sum.clicks + own.along.reduce((clicks, term) => clicks + term.clicks, 0)}</td
          ></tr
        >
        {#each own.apart as { group, clicksBefore, clicksAfter } (group.id)}
          <tr
            ><td class="pe-2">{group.name}</td><td class="text-end font-mono text-[12.5px]">{clicksBefore}</td><td
              class="text-end font-mono text-[12.5px]">{clicksAfter}</td
            ></tr
          >
        {/each}
      </tbody>
    </table>
    <ul class="flex flex-col gap-1 text-ink-2">
      {#each effects as effect (effect)}<li>{effect}</li>{/each}
    </ul>
    {#if own.blocked.length > 0}
      <Notice>
        {own.blocked.map(({ text, negative }) => `${quote(text)} is blocked by the negative ${quote(negative)}`).join('; ')}: take it out in
        Groups, or leave these terms.
      </Notice>
    {/if}
    <div class="flex flex-wrap gap-2">
      <Button kind="act" onclick={make}>Make it <KeyCap keys="Ctrl Enter" /></Button>
      <Button onclick={() => (terms.ticked = new Set())}>Not now</Button>
    </div>
  {:else}<Notice>No group of the plan is known to have answered these terms.</Notice>{/if}
</section>
