import type { SentChange } from '$lib/core/plan/changes';

/** Changes not yet acknowledged, kept in the browser so that a reload loses nothing. One list a tab and stream. */
const prefix = 'biblion-unsent';

/** A name for this tab that survives a reload. */
function nameTab(): string {
  const kept = sessionStorage.getItem('biblion-tab');
  const name = kept ?? crypto.randomUUID();
  sessionStorage.setItem('biblion-tab', name);
  // Held as long as the tab lives: by it other tabs know whose unsent changes are still looked after.
  void navigator.locks?.request(`biblion-tab-${name}`, () => new Promise(() => {}));
  return name;
}

let tab: string | null = null;
const keyOf = (streamId: string) => `${prefix} ${streamId} ${(tab ??= nameTab())}`;

/** Keeps the unsent changes of a stream. */
export function keepUnsent(streamId: string, changes: readonly SentChange[]): void {
  if (changes.length === 0) localStorage.removeItem(keyOf(streamId));
  else localStorage.setItem(keyOf(streamId), JSON.stringify(changes));
}

/** Takes over the unsent changes of this tab before its reload, and of tabs that are gone. */
export async function takeUnsent(streamId: string): Promise<SentChange[]> {
  const own = keyOf(streamId);
  const held = (await navigator.locks?.query())?.held?.map(({ name }) => name) ?? [];
  const keys = Object.keys(localStorage).filter((key) => {
    if (!key.startsWith(`${prefix} ${streamId} `)) return false;
    return key === own || !held.includes(`biblion-tab-${key.split(' ').at(-1)}`);
  });
  return keys.flatMap((key) => {
    const changes = JSON.parse(localStorage.getItem(key) ?? '[]') as SentChange[];
    localStorage.removeItem(key);
    return changes;
  });
}
