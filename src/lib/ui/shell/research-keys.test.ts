import { describe, expect, it } from 'vitest';
import { emptySnapshot, applyEdits, type Snapshot } from '$lib/core/store/snapshot';
import type { Change } from '$lib/core/store/changes';
import { decide } from '$lib/core/store/decide';
import { chooseKey, keyPressed, keysOf, researchActions, shippedKeys, showKey, type ResearchAction } from './research-keys';

const make = (snapshot: Snapshot, change: Change | null): Snapshot => {
  const decision = decide(snapshot, change!, 'workspace');
  if (!decision.ok) throw new Error(decision.refusal.code);
  return applyEdits(snapshot, decision.edits);
};
const pressed = (code: string, held: Partial<KeyboardEvent> = {}) =>
  keyPressed({ code, shiftKey: false, ctrlKey: false, metaKey: false, altKey: false, ...held } as KeyboardEvent);

describe('keys of one’s own', () => {
  it('are those that ship until others are chosen', () => {
    const keys = keysOf(emptySnapshot());
    expect(keys.keep).toBe('KeyK');
    expect(new Set(Object.values(keys)).size).toBe(researchActions.length);
    expect(showKey(keys['keep-in'])).toBe('Shift G');
  });

  it('change places with the action that had them, in whatever order they are chosen, and can be taken back', () => {
    const steps: [ResearchAction, string][] = [
      ['keep', 'KeyB'],
      ['keep', 'KeyJ'],
      ['pass', 'KeyK'],
      ['fold', 'Shift+KeyG'],
    ];
    let snapshot = emptySnapshot();
    for (const [action, key] of steps) {
      snapshot = make(snapshot, chooseKey(snapshot, action, key));
      expect(keysOf(snapshot)[action]).toBe(key);
      expect(new Set(Object.values(keysOf(snapshot))).size).toBe(researchActions.length);
    }
    expect(keysOf(snapshot)).toMatchObject({ keep: 'KeyJ', block: 'KeyP', pass: 'KeyK', fold: 'Shift+KeyG', 'keep-in': 'KeyF' });
    expect(chooseKey(snapshot, 'keep', 'KeyJ')).toBeNull();
    expect(keysOf(make(snapshot, shippedKeys(snapshot)))).toEqual(keysOf(emptySnapshot()));
  });

  it('are letters, with Shift or without; not what means something everywhere', () => {
    expect(pressed('KeyJ')).toBe('KeyJ');
    expect(pressed('KeyJ', { shiftKey: true })).toBe('Shift+KeyJ');
    expect([pressed('KeyN'), pressed('Digit1'), pressed('Escape'), pressed('KeyJ', { ctrlKey: true })]).toEqual([null, null, null, null]);
  });
});
