import type { SentChange } from '$lib/core/store/changes';

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
  if (writeSaved(key, changes)) return true;
  // What is kept is older than what waits: better nothing than half of it.
  localStorage.removeItem(key);
  return false;
}

/** Whether there was room. */
function writeSaved(key: string, changes: readonly SentChange[]): boolean {
  try {
    localStorage.setItem(key, JSON.stringify(changes));
    return true;
  } catch (error) {
    if (error instanceof DOMException && error.name === 'QuotaExceededError') return false;
    throw error;
  }
}

/** Changes as a browser's storage holds them; none where the storage holds no list. */
function readSaved(key: string): SentChange[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? '[]');
    return Array.isArray(kept) ? (kept as SentChange[]) : [];
  } catch {
    return [];
  }
}

/**
 * The unsent changes of this tab before its reload, and of tabs that are gone. They stay in the storage, under this tab's name, until
 * `forgetUnsent` hears that the server has them.
 */
export async function takeOverUnsent(streamId: string): Promise<SentChange[]> {
  const own = keyOf(streamId);
  const held = (await navigator.locks?.query())?.held?.map(({ name }) => name) ?? [];
  const others = Object.keys(localStorage).filter(
    (key) =>
      key !== own && key.startsWith(`${prefix} ${streamId} `) && !held.includes(`biblion-tab-${key.slice(key.lastIndexOf(' ') + 1)}`),
  );
  const known = new Map([own, ...others].flatMap((key) => readSaved(key)).map((change) => [change.id, change]));
  const changes = [...known.values()];
  // Where there is no room for them twice, they stay where they are: sent again, they are made once.
  if (others.length > 0 && writeSaved(own, changes)) for (const key of others) localStorage.removeItem(key);
  return changes;
}

/** Takes one change off the kept ones: the server has answered it. */
export function forgetUnsent(streamId: string, changeId: string): void {
  const key = keyOf(streamId);
  keepUnsent(
    streamId,
    readSaved(key).filter(({ id }) => id !== changeId),
  );
}
