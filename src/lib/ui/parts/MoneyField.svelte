<script lang="ts">
  import { readAmountBlock, readTypedAmount, writeTypedAmount, type AmountWays } from '$lib/core/money/typed-amount';
  import { wordAmountProblem } from '$lib/wording/amounts';
  import { findPastedColumn } from './column-keys';
  import TextField from './TextField.svelte';

  interface Props {
    label: string;
    /** Minor units, or null where nothing is set. */
    value: number | null;
    /** How the account's amounts are typed and shown. */
    ways: AmountWays;
    onedit: (minor: number | null, editSession: string) => string | null | void;
    at?: string;
    hideLabel?: boolean;
    hint?: string;
    /** What stands where the field is empty: an inherited amount, or a word. */
    placeholder?: number | string | null;
    /** A name that fields of one column share: Enter and arrows go along it. */
    column?: string;
    /** Takes a block pasted here: an amount for this row and each after it. Answers what is wrong, or nothing. */
    onpasteblock?: (amounts: (number | null)[]) => string | null | void;
    isCompact?: boolean;
    tabindex?: number;
    onfocus?: () => void;
    class?: string;
  }

  let { value, ways, onedit, placeholder, onpasteblock, isCompact = false, class: extra, ...rest }: Props = $props();

  const check = (text: string) => {
    if (text.trim() === '') return null;
    const read = readTypedAmount(text, ways);
    return read.ok ? null : wordAmountProblem(read.problem, ways);
  };
  function edit(text: string, editSession: string) {
    const read = text.trim() === '' ? null : readTypedAmount(text, ways);
    return onedit(read?.ok ? read.minor : null, editSession);
  }

  function pasteLines(text: string): string | null | undefined {
    const lines = onpasteblock ? findPastedColumn(text) : null;
    if (!lines) return undefined;
    const read = readAmountBlock(lines, ways);
    return read.ok
      ? (onpasteblock?.(read.amounts) ?? null)
      : `“${read.text}” in line ${read.line}: ${wordAmountProblem(read.problem, ways)} Nothing was pasted.`;
  }
</script>

<TextField
  {...rest}
  value={value === null ? '' : writeTypedAmount(value, ways)}
  {check}
  onedit={edit}
  placeholder={typeof placeholder === 'number' ? writeTypedAmount(placeholder, ways) : (placeholder ?? undefined)}
  onpastelines={pasteLines}
  mono
  {isCompact}
  suffix={isCompact ? undefined : ways.currency}
  class={extra}
/>
