/** What a colour of a chip means: ours or done, against, worth a look, nothing of it. */
export type Tone = 'act' | 'madder' | 'ochre' | 'plain';

/** The classes of each. */
export const tones: Readonly<Record<Tone, string>> = {
  act: 'bg-act-tint text-act',
  madder: 'bg-madder-tint text-madder',
  ochre: 'bg-ochre-tint text-ochre',
  plain: 'bg-fold text-ink-2',
};
