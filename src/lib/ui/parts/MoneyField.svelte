<script lang="ts">
  import { parseAmount, writeAmount } from '$lib/core/budget/money';
  import TextField from './TextField.svelte';

  interface Props {
    label: string;
    /** Minor units, or null where nothing is set. */
    value: number | null;
    currency: string;
    onedit: (minor: number | null, sitting: string) => string | null | void;
    at?: string;
    hideLabel?: boolean;
    hint?: string;
    placeholder?: string;
    class?: string;
  }

  let { label, value, currency, onedit, at, hideLabel, hint, placeholder, class: extra }: Props = $props();

  const check = (text: string) =>
    text.trim() === '' || parseAmount(text, currency) !== null ? null : `An amount in ${currency}, such as ${writeAmount(160, currency)}.`;
</script>

<TextField
  {label}
  value={value === null ? '' : writeAmount(value, currency)}
  {check}
  onedit={(text, sitting) => onedit(text.trim() === '' ? null : parseAmount(text, currency), sitting)}
  {at}
  {hideLabel}
  {hint}
  {placeholder}
  mono
  suffix={currency}
  class={extra}
/>
