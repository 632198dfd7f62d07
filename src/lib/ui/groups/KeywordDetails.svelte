<script lang="ts">
  import type { Keyword } from '$lib/core/records/keyword';
  import { readAddress } from '$lib/core/text/address';
  import { landingPageOf } from '$lib/core/view/plan-view';
  import { writeKeyword } from '$lib/core/keywords/read-keyword';
  import { countOf } from '$lib/wording/texts';
  import ChipList from '../parts/ChipList.svelte';
  import TextField from '../parts/TextField.svelte';
  import type { PlanState } from '../state/plan-state.svelte';

  let { planState, keywords }: { planState: PlanState; keywords: readonly Keyword[] } = $props();

  const [first, ...others] = $derived(keywords);
  const ids = $derived(keywords.map(({ id }) => id as string));
  /** What all of them have; empty where they differ. */
  const same = <Field extends 'landingPage' | 'note'>(field: Field) =>
    others.every((one) => one[field] === first?.[field]) ? (first?.[field] ?? '') : '';
  const labels = $derived(first?.labels.filter((label) => others.every((one) => one.labels.includes(label))) ?? []);
  const inherited = $derived(first ? landingPageOf(planState.plan, { groupId: first.groupId, landingPage: '' }) : '');

  const set = (fields: Partial<Keyword>) => {
    const refusal = planState.make({ type: 'set', record: 'keyword', ids, fields });
    return refusal ? 'Not saved.' : null;
  };
  const setLabels = (change: (labels: readonly string[]) => string[]) =>
    void planState.make({ type: 'set-each', record: 'keyword', rows: keywords.map((one) => ({ id: one.id, labels: change(one.labels) })) });
</script>

<section aria-label="The chosen keywords" class="flex flex-col gap-2 border-b border-rule pb-3">
  <h2 class="font-serif text-[17px] break-words">
    {keywords.length === 1 && first ? writeKeyword(first.text, first.match) : countOf(keywords.length, 'keyword')}
  </h2>
  <TextField
    label="A landing page of its own"
    at={`${first?.id ?? ''}:landingPage`}
    value={same('landingPage')}
    commit="leave"
    placeholder={others.length > 0 ? 'they may differ' : inherited}
    check={(text) => (text.trim() === '' || readAddress(text) ? null : 'No address.')}
    onedit={(landingPage) => set({ landingPage: landingPage.trim() })}
  />
  <TextField label="Note" value={same('note')} commit="leave" onedit={(note) => set({ note })} />
  <div class="flex flex-col gap-0.5">
    <span class="text-ink-2">Labels</span>
    <ChipList
      label="Labels"
      items={labels.map((text) => ({ id: text, text }))}
      splitsAt="commas"
      onadd={(texts) => setLabels((own) => [...new Set([...own, ...texts])])}
      onremove={(label) => setLabels((own) => own.filter((one) => one !== label))}
    />
  </div>
</section>
