<script lang="ts">
  import TakeOut from '../parts/TakeOut.svelte';
  import Select from '../parts/Select.svelte';
  import { wordLanguage } from '$lib/wording/texts';
  import { languageItems } from '../parts/languages';
  import RowButton from '../parts/RowButton.svelte';

  interface Props {
    languages: readonly string[];
    onedit: (languages: string[]) => void;
    at: string;
  }

  let { languages, onedit, at }: Props = $props();

  const left = $derived(languageItems.filter(({ value }) => !languages.includes(value)));

  function raise(index: number) {
    const next = [...languages];
    const [moved] = next.splice(index, 1);
    if (moved) next.splice(index - 1, 0, moved);
    onedit(next);
  }
</script>

<ol class="flex flex-wrap items-center gap-1.5" aria-label="Languages, the first one names and stems">
  {#each languages as language, index (language)}
    <li class="flex items-center rounded-sm bg-fold ps-2 font-semibold text-ink-2">
      {index === 0 && languages.length > 1 ? '1st ' : ''}{wordLanguage(language)}
      {#if index > 0}<RowButton
          class="px-1 hover:text-ink"
          label={`${wordLanguage(language)} earlier`}
          title="Earlier in the order"
          onclick={() => raise(index)}>‹</RowButton
        >{/if}
      <TakeOut label={`Take out ${wordLanguage(language)}`} onclick={() => onedit(languages.filter((one) => one !== language))} />
    </li>
  {/each}
  <li>
    <Select class="h-[26px] text-ink-2" aria-label="Add a language" {at} value="" onpick={(language) => onedit([...languages, language])}>
      <option value="">add…</option>
      {#each left as { value, name } (value)}<option {value}>{name}</option>{/each}
    </Select>
  </li>
</ol>
