<script lang="ts">
  import { answerSorts, mostAsked, mostTold, type AnswerRule, type AnswerSort, type ManyAnswers } from '$lib/core/groups/answer-many';
  import { inOrder } from '$lib/core/store/snapshot';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Notice from '../parts/Notice.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import Table from '../parts/Table.svelte';
  import Tabs from '../parts/Tabs.svelte';
  import TextArea from '../parts/TextArea.svelte';
  import type { PlanState } from '../state/plan-state.svelte';

  interface Props {
    open: boolean;
    planState: PlanState;
    campaignId: string;
    nameOf: (groupId: string) => string;
  }

  let { open = $bindable(), planState, campaignId, nameOf }: Props = $props();

  const sortWords: Readonly<Record<AnswerSort, string>> = {
    unanswered: 'nobody answers',
    elsewhere: 'another campaign answers',
    shared: 'several groups match',
    answered: 'one group answers',
  };
  const ruleWords: Readonly<Record<AnswerRule, string>> = {
    exact: 'exact',
    'own-words': 'its own words',
    phrase: 'phrase',
    broad: 'broad',
  };
  let typed = $state('');
  let sort = $state<AnswerSort>('unanswered');
  let answers = $state.raw<ManyAnswers | null>(null);
  let isAsking = $state(false);
  const lines = $derived(typed.split('\n').filter((line) => line.trim() !== ''));

  /** What reports say was searched, each once. */
  const reported = $derived(
    open ? [...new Set([...planState.snapshot.reportRow.values()].map(({ text }) => text))].slice(0, mostAsked) : [],
  );

  /** The first column of each line: a report's other columns are left. */
  const firstCell = (line: string) => line.split('\t')[0]!;

  async function ask(searches: readonly string[]) {
    isAsking = true;
    answers = await planState.reader.ask('many-searches', { campaignId, searches });
    isAsking = false;
    sort = answerSorts.find((one) => answers![one].count > 0) ?? 'answered';
  }

  const tabs = $derived(answerSorts.map((id) => ({ id, name: sortWords[id], count: answers?.[id].count.toLocaleString('en-GB') ?? '' })));
</script>

<Dialog bind:open title="Who answers many searches" wide>
  <TextArea
    rows={answers ? 3 : 8}
    data-autofocus
    aria-label="Searches, one a line"
    placeholder="searches, one a line; of a table the first column"
    bind:value={typed}
  />
  <p class="flex items-center gap-3">
    <Button kind="act" disabled={lines.length === 0 || lines.length > mostAsked || isAsking} onclick={() => void ask(lines.map(firstCell))}
      >Ask for these {lines.length.toLocaleString('en-GB')}</Button
    >
    <Button disabled={isAsking} onclick={() => void ask(inOrder(planState.snapshot.find).map(({ text }) => text))}
      >Ask for all {planState.snapshot.find.size.toLocaleString('en-GB')} finds</Button
    >
    {#if reported.length > 0}<Button disabled={isAsking} onclick={() => void ask(reported)}
        >Ask for the {reported.length.toLocaleString('en-GB')} of reports</Button
      >{/if}
    {#if lines.length > mostAsked}<span class="text-ochre">At most {mostAsked.toLocaleString('en-GB')} at once.</span>{/if}
  </p>
  {#if isAsking}<Notice tone="doing">Asking …</Notice>{/if}
  {#if answers}
    {@const told = answers[sort]}
    <div class="flex h-[36px] items-stretch gap-4 border-b border-rule">
      <Tabs label="What becomes of them" {tabs} value={sort} onpick={(one) => (sort = one)} />
    </div>
    <ScrollArea label="What becomes of each" class="max-h-[40vh]">
      <Table
        caption={sortWords[sort]}
        sticky="sheet"
        heads={[{ name: 'Search' }, { name: 'Answered by' }, { name: 'By' }, { name: 'Also matched, or blocked' }]}
      >
        {#each told.first as { search, group, keyword, rule, also, blocked } (search)}
          <tr class="border-t border-rule-soft align-top">
            <td class="py-0.5 pe-3">{search}</td>
            <td class="py-0.5 pe-3 font-semibold">{group === null ? '–' : nameOf(group)}</td>
            <td class="py-0.5 pe-3 text-ink-2">{rule === null ? '' : `${ruleWords[rule]} “${keyword ?? ''}”`}</td>
            <td class="py-0.5 text-ink-2"
              >{also.map(nameOf).join(', ')}
              {#if blocked.length > 0}<span class="text-madder"
                  >{blocked.map((one) => `${nameOf(one.group)} by “${one.negative}”`).join(', ')}</span
                >{/if}</td
            >
          </tr>
        {/each}
      </Table>
      {#if told.count > told.first.length}<p class="pt-1 text-ink-2">
          The first {mostTold} of {told.count.toLocaleString('en-GB')}.
        </p>{/if}
    </ScrollArea>
  {/if}
</Dialog>
