import { countStrings, mostBuilt } from '$lib/core/keywords/combine';
import { buildGroups, type BuildAsked, type Built } from '$lib/core/keywords/file-by-words';

/** What was built; only how many there would be where they are too many. */
export type BuildAnswer = { built: Built } | { tooMany: number };

onmessage = ({ data }: MessageEvent<BuildAsked>) => {
  const count = countStrings(data.pattern);
  postMessage((count > mostBuilt ? { tooMany: count } : { built: buildGroups(data) }) satisfies BuildAnswer);
};
