<script lang="ts">
  import type { Snippet } from 'svelte';
  import { amountWays } from '$lib/core/money/typed-amount';
  import AddField from '../AddField.svelte';
  import Badge from '../Badge.svelte';
  import Button from '../Button.svelte';
  import Checkbox from '../Checkbox.svelte';
  import ChipList from '../ChipList.svelte';
  import DateField from '../DateField.svelte';
  import Dialog from '../Dialog.svelte';
  import EmptyState from '../EmptyState.svelte';
  import Input from '../Input.svelte';
  import KeyCap from '../KeyCap.svelte';
  import Menu from '../Menu.svelte';
  import MoneyField from '../MoneyField.svelte';
  import Notice from '../Notice.svelte';
  import Progress from '../Progress.svelte';
  import Radio from '../Radio.svelte';
  import RowButton from '../RowButton.svelte';
  import ScrollArea from '../ScrollArea.svelte';
  import SearchList from '../SearchList.svelte';
  import Select from '../Select.svelte';
  import SelectField from '../SelectField.svelte';
  import SeverityMark from '../SeverityMark.svelte';
  import Table from '../Table.svelte';
  import Tabs from '../Tabs.svelte';
  import TextArea from '../TextArea.svelte';
  import TextField from '../TextField.svelte';
  import Tip from '../Tip.svelte';
  import Toast from '../Toast.svelte';

  const ways = amountWays({ currency: 'GBP', timeZone: 'Europe/London' });
  let isTicked = $state(true);
  let choice = $state<'tuning' | 'repair'>('tuning');
  let match = $state('phrase');
  let name = $state('Spring launch');
  let lines = $state('cold frames\nsmall glasshouses');
  let text = $state('Sail by June');
  let amount = $state<number | null>(160);
  let date = $state<string | null>('2027-01-12');
  let items = $state([
    { id: '1', text: 'digital pianos' },
    { id: '2', text: 'lessons' },
  ]);
  let isOpen = $state(false);
  let isToasted = $state(false);
  let isRowOpen = $state(true);
  let tab = $state<'open' | 'kept'>('open');
  const tabs = [
    { id: 'open', name: 'to judge', count: '38' },
    { id: 'kept', name: 'kept', count: '124' },
  ] as const;
  let query = $state('');
  let done = $state('nothing yet');
  const texts = ['restringing', 'pitch raise', 'voicing', 'regulation', 'key tops', 'soundboard'];
</script>

{#snippet part(title: string, states: Snippet)}
  <section class="mb-5 break-inside-avoid" aria-label={title}>
    <h2 class="mb-1.5 border-b border-rule font-semibold text-ink-2">{title}</h2>
    <div class="flex flex-wrap items-start gap-3">{@render states()}</div>
  </section>
{/snippet}

{#snippet buttons()}
  <Button kind="act">Hand off</Button><Button kind="act" disabled>Hand off</Button><Button>Copy</Button><Button disabled>Copy</Button>
  <Button pressed>Sheet</Button><Button keys="M">Move to…</Button><Button kind="link">Paste a list…</Button><Button kind="quiet"
    >Take out…</Button
  >
{/snippet}
{#snippet ticks()}
  <Checkbox bind:checked={isTicked}>keep them all at once</Checkbox><Checkbox checked={false}>grouped</Checkbox>
  <Checkbox checked disabled>not to be changed</Checkbox><Checkbox checked={false} label="Choose piano tuning" />
{/snippet}
{#snippet radios()}
  <Radio name="choice" value="tuning" bind:group={choice}>people who are there</Radio>
  <Radio name="choice" value="repair" bind:group={choice}>or who ask from afar</Radio>
{/snippet}
{#snippet selects()}
  <Select aria-label="Match type" bind:value={match}><option>phrase</option><option>exact</option></Select>
  <SelectField
    label="Goal"
    value="leads"
    items={[
      { value: 'leads', name: 'leads' },
      { value: 'sales', name: 'sales' },
    ]}
    onedit={() => undefined}
  />
{/snippet}
{#snippet inputs()}
  <Input aria-label="Name" bind:value={name} /><Input aria-label="Search" value="" placeholder="a search, as someone types it" />
  <TextArea aria-label="Lines" bind:value={lines} class="h-16" spellcheck="false" />
{/snippet}
{#snippet fields()}
  <TextField label="Theme" value={text} onedit={(next) => void (text = next)} class="w-40" />
  <TextField label="With a hint" value="" placeholder="nothing yet" hint="Empty: the page of the brief." onedit={() => null} class="w-40" />
  <TextField label="Wrong" value="12 miles" check={() => 'A number of kilometres.'} onedit={() => null} class="w-40" />
  <TextField label="Not to be changed" value="GBP" disabled mono onedit={() => null} class="w-40" />
  <MoneyField label="Bid" value={amount} {ways} onedit={(next) => void (amount = next)} class="w-32" />
  <MoneyField label="Bid, inherited" value={null} placeholder={160} {ways} onedit={() => null} class="w-32" />
  <DateField label="Starts" value={date} locale="en-GB" onedit={(next) => void (date = next)} class="w-40" />
{/snippet}
{#snippet chips()}
  <ChipList
    label="Not offered"
    tone="madder"
    {items}
    splitsAt="commas"
    onadd={(added) => void (items = [...items, ...added.map((one) => ({ id: one, text: one }))])}
    onremove={(id) => void (items = items.filter((item) => item.id !== id))}
  />
  <AddField label="Add a fact" placeholder="add…" splitsAt="lines" onadd={() => 'It stands already.'} />
{/snippet}
{#snippet marks()}
  <SeverityMark severity="fix" count={3} /><SeverityMark severity="look" count={8} /><SeverityMark severity="suggestion" />
  <SeverityMark severity="fix" /><KeyCap keys="Ctrl K" />
{/snippet}
{#snippet table()}
  <Table
    caption="Keywords of a group"
    heads={[{ name: 'Keyword' }, { name: 'Match', room: 'w-24' }, { name: 'Searches', room: 'w-24', isFigure: true }]}
  >
    {#each texts.slice(0, 3) as keyword, index (keyword)}
      <tr class="border-b border-rule-soft"
        ><td class="py-1">{keyword}</td><td class="text-ink-2">phrase</td><td class="text-end font-mono">{(index + 1) * 10}</td></tr
      >
    {/each}
  </Table>
{/snippet}
{#snippet scrolling()}
  <ScrollArea label="Words" class="h-16 w-48 border border-rule px-2"
    >{#each texts as one (one)}<p>{one}</p>{/each}</ScrollArea
  >
{/snippet}
{#snippet tabRows()}
  <div class="flex gap-4"><Tabs label="Finds" {tabs} value={tab} onpick={(id) => (tab = id)} /></div>
  <Tabs label="Shown as" kind="box" {tabs} value={tab} onpick={(id) => (tab = id)} />
{/snippet}
{#snippet notices()}
  <Notice>The server does not answer.</Notice><Notice tone="look">Three lines still state the old price.</Notice><Notice tone="doing"
    >Reading …</Notice
  >
  <Notice block class="w-full">“autumn.json” was not read in: it is cut off.</Notice><Notice tone="look" block class="w-full"
    >The back-up stands in place.</Notice
  >
  <Notice tone="doing" block class="w-full">Asking the market: 3 of 8.</Notice>
  <Progress label="Asked" done={3} of={8} class="w-40" /><Progress label="Reading" done={null} class="w-40" />
{/snippet}
{#snippet badges()}
  <Badge>plain</Badge><Badge tone="act">included</Badge><Badge tone="madder">excluded</Badge><Badge tone="ochre">worth a look</Badge>
  <Tip says="The market’s figures of July, for Edinburgh and 20 miles around.">1,600–2,400</Tip>
{/snippet}
{#snippet rowButtons()}
  <RowButton class="w-full hover:bg-fold" expanded={isRowOpen} onclick={() => (isRowOpen = !isRowOpen)}>A row that opens</RowButton>
  <RowButton class="w-full justify-between bg-ochre-tint px-3 font-semibold" pressed onclick={() => undefined}
    ><span>the one chosen</span><span class="font-mono text-[12px]">12</span></RowButton
  >
{/snippet}
{#snippet searching()}
  <SearchList
    label="Any text"
    placeholder="Type to narrow"
    bind:query
    found={texts.filter((one) => one.includes(query)).map((one, at) => ({ id: one, name: one, kind: 'Word', note: String(at) }))}
    class="h-28 w-72"
    onpick={({ name: picked }) => (done = picked)}
  />
  <Menu
    name="More"
    label="More for the plan"
    items={[
      { name: 'Rename', run: () => (done = 'renamed') },
      { name: 'Delete', run: () => (done = 'deleted'), disabled: true },
    ]}
  />
  <span class="text-ink-2">{done}</span>
{/snippet}
{#snippet emptiness()}
  <EmptyState class="w-full">Nothing waits.</EmptyState><EmptyState tone="good" class="w-full">The proof reads clean.</EmptyState>
{/snippet}
{#snippet dialog()}
  <Button onclick={() => (isToasted = !isToasted)}>Refuse an edit</Button>
  <Button onclick={() => (isOpen = true)}>Open a dialog…</Button>
{/snippet}

<main class="h-screen overflow-y-auto px-8 py-5">
  <h1 class="mb-4 font-serif text-[22px]">All parts, in all states</h1>
  <div class="columns-2 gap-10">
    {@render part('Buttons', buttons)}
    {@render part('Tick boxes', ticks)}
    {@render part('One of several', radios)}
    {@render part('Lists of choices', selects)}
    {@render part('Lines and areas', inputs)}
    {@render part('Fields', fields)}
    {@render part('Chips', chips)}
    {@render part('Marks and keys', marks)}
    {@render part('Tables', table)}
    {@render part('What scrolls', scrolling)}
    {@render part('Tabs', tabRows)}
    {@render part('Notices and progress', notices)}
    {@render part('Badges and what is said of them', badges)}
    {@render part('Whole rows', rowButtons)}
    {@render part('Lists that are searched, menus', searching)}
    {@render part('Empty states', emptiness)}
    {@render part('Dialogs and what was refused', dialog)}
  </div>
</main>
<Dialog bind:open={isOpen} title="A dialog">
  <p>Ctrl Enter does its main thing, Esc closes it.</p>
  {#snippet footer()}
    <Button onclick={() => (isOpen = false)}>Not now</Button><Button kind="act" onclick={() => (isOpen = false)}>Do it</Button>
  {/snippet}
</Dialog>
{#if isToasted}
  <Toast title="Not saved" aside="1 more after this one">
    <p>Somebody else has changed it meanwhile.</p>
    {#snippet actions()}<Button kind="act" onclick={() => (isToasted = false)}>Write mine</Button>{/snippet}
  </Toast>
{/if}
