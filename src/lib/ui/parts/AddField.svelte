<script lang="ts">
  import { findRefusedSigns } from '$lib/core/text/clean';
  import { splitEntries } from '$lib/core/text/split-entries';
  import { wordRefusedSign } from '$lib/wording/problems';

  interface Props {
    label: string;
    placeholder: string;
    /** What parts one entry from the next. */
    splitsAt: 'lines' | 'commas';
    /** Adds entries in one step; answers what is wrong, and then the text stays. */
    onadd: (texts: string[]) => string | null | void;
    onkeydown?: (event: KeyboardEvent, isEmpty: boolean) => void;
    at?: string;
    class?: string;
  }

  let { label, placeholder, splitsAt, onadd, onkeydown, at, class: extra = '' }: Props = $props();

  const id = $props.id();
  let draft = $state('');
  let problem = $state('');

  function take(text: string): boolean {
    const texts = [...new Set(splitEntries(text, splitsAt))];
    const [refused] = texts.flatMap((one) => findRefusedSigns(one));
    problem = refused ? wordRefusedSign(refused) : texts.length > 0 ? (onadd(texts) ?? '') : '';
    return problem === '';
  }
  function add() {
    if (take(draft)) draft = '';
  }

  /** A field of one line would join pasted lines; here each is an entry. */
  function paste(event: ClipboardEvent) {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if (splitEntries(text, 'lines').length < 2) return;
    event.preventDefault();
    if (take(`${draft}${text}`)) draft = '';
    else draft = splitEntries(`${draft}${text}`, 'lines').join('; ');
  }
</script>

<label class="sr-only" for={id}>{label}</label>
<input
  {id}
  class={`rounded border-0 border-b border-transparent bg-transparent px-1 py-0 text-[13px] placeholder:text-ink-3 hover:border-field focus:border-field focus:ring-0 ${extra}`}
  {placeholder}
  autocomplete="off"
  data-at={at}
  aria-invalid={problem !== ''}
  aria-describedby={problem ? `${id}-say` : undefined}
  bind:value={draft}
  oninput={() => (problem = '')}
  onpaste={paste}
  onblur={add}
  onkeydown={(event) => {
    if (event.key === 'Enter') {
      event.preventDefault();
      add();
    }
    onkeydown?.(event, draft === '');
  }}
/>
{#if problem}<p id={`${id}-say`} class="text-[12px] text-madder">{problem}</p>{/if}
