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

/** Keeps the unsent changes of a stream; answers whether the browser had room for them. */
export function keepUnsent(streamId: string, changes: readonly SentChange[]): boolean {
  const key = keyOf(streamId);
  if (changes.length === 0) {
    localStorage.removeItem(key);
    return true;
  }
  try {
    localStorage.setItem(key, JSON.stringify(changes));
    return true;
  } catch (error) {
    if (!(error instanceof DOMException && error.name === 'QuotaExceededError')) throw error;
    // What is kept is older than what waits: better nothing than half of it.
    localStorage.removeItem(key);
    return false;
  }
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
