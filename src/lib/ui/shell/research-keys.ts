import type { KeyChoice } from '$lib/core/records/key-choice';
import type { Change } from '$lib/core/store/changes';
import type { Snapshot } from '$lib/core/store/snapshot';

/** What single keys do in Research, with the keys that they have until others are chosen. */
export const researchActions = [
  { id: 'keep', key: 'KeyK', does: 'Keep' },
  { id: 'block', key: 'KeyB', does: 'Block' },
  { id: 'pass', key: 'KeyP', does: 'Pass' },
  { id: 'later', key: 'KeyL', does: 'Look later' },
  { id: 'open', key: 'KeyO', does: 'Take the verdict off' },
  { id: 'keep-fitting', key: 'KeyG', does: 'Keep in the group it fits' },
  { id: 'keep-in', key: 'Shift+KeyG', does: 'Keep in a group of your choice' },
  { id: 'swap-place', key: 'KeyT', does: 'Keep with one of our towns in another’s stead' },
  { id: 'negative', key: 'KeyE', does: 'Block by the whole find or by the words against it' },
  { id: 'accept', key: 'KeyA', does: 'Accept proposed verdicts' },
  { id: 'next-word', key: 'KeyW', does: 'The next word to judge; the verdict keys judge it' },
  { id: 'stands', key: 'KeyR', does: 'The word stands for finds to come' },
  { id: 'fold', key: 'KeyF', does: 'Fold a heading' },
  { id: 'fold-out', key: 'Shift+KeyF', does: 'All headings out again' },
  { id: 'names', key: 'KeyM', does: 'Say what unknown names are' },
  { id: 'look-up', key: 'KeyU', does: 'Look up what unclear finds show' },
] as const satisfies readonly { id: string; key: string; does: string }[];
export type ResearchAction = (typeof researchActions)[number]['id'];

/** Keys that mean the same on every screen. */
const takenEverywhere: ReadonlySet<string> = new Set(['KeyN']);

/** A key as it is shown: `Shift+KeyG` is “Shift G”. */
export const showKey = (key: string) => key.replace('Shift+Key', 'Shift ').replace('Key', '');

/** The key of each action: the freelancer's own, else the one it ships with. */
export function keysOf({ keyChoice }: Pick<Snapshot, 'keyChoice'>): Record<ResearchAction, string> {
  return Object.fromEntries(researchActions.map(({ id, key }) => [id, keyChoice.get(`research-${id}`)?.key ?? key])) as Record<
    ResearchAction,
    string
  >;
}

/** The key that was pressed, where it can be chosen for an action; null where it is none, or means something everywhere. */
export function keyPressed({ code, shiftKey, ctrlKey, metaKey, altKey }: KeyboardEvent): string | null {
  if (ctrlKey || metaKey || altKey || !/^Key[A-Z]$/.test(code)) return null;
  const key = shiftKey ? `Shift+${code}` : code;
  return takenEverywhere.has(key) ? null : key;
}

/** The change that gives an action a key, one step; the action that had it takes the other's. Null where it has it already. */
export function chooseKey(snapshot: Pick<Snapshot, 'keyChoice'>, action: ResearchAction, key: string): Change | null {
  const keys = keysOf(snapshot);
  if (keys[action] === key) return null;
  const other = researchActions.find(({ id }) => keys[id] === key)?.id;
  const next: [ResearchAction, string][] = [[action, key], ...(other ? [[other, keys[action]] as [ResearchAction, string]] : [])];
  return {
    type: 'several',
    name: 'keys-changed',
    changes: next.map(([id, own]) => {
      const row: KeyChoice = { id: `research-${id}`, key: own };
      return snapshot.keyChoice.has(row.id)
        ? { type: 'set', record: 'keyChoice', ids: [row.id], fields: { key: own } }
        : { type: 'add', record: 'keyChoice', rows: [{ ...row }] };
    }),
  };
}

/** The change that takes all chosen keys back. */
export const shippedKeys = ({ keyChoice }: Pick<Snapshot, 'keyChoice'>): Change => ({
  type: 'remove',
  record: 'keyChoice',
  ids: [...keyChoice.keys()],
});
