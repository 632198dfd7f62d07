import { describe, expect, it } from 'vitest';
import { emptyBook, applyEdits, type Book } from '$lib/core/store/book';
import type { Change } from '$lib/core/store/changes';
import { decide } from '$lib/core/store/decide';
import { chooseKey, keyPressed, keysOf, researchActions, shippedKeys, showKey, type ResearchAction } from './research-keys';

const make = (book: Book, change: Change | null): Book => {
  const decision = decide(book, change!, 'workspace');
  if (!decision.ok) throw new Error(decision.refusal.code);
  return applyEdits(book, decision.edits);
};
const pressed = (code: string, held: Partial<KeyboardEvent> = {}) =>
  keyPressed({ code, shiftKey: false, ctrlKey: false, metaKey: false, altKey: false, ...held } as KeyboardEvent);

describe('keys of one’s own', () => {
  it('are those that ship until others are chosen', () => {
    const keys = keysOf(emptyBook());
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
    let book = emptyBook();
    for (const [action, key] of steps) {
      book = make(book, chooseKey(book, action, key));
      expect(keysOf(book)[action]).toBe(key);
      expect(new Set(Object.values(keysOf(book))).size).toBe(researchActions.length);
    }
    expect(keysOf(book)).toMatchObject({ keep: 'KeyJ', block: 'KeyP', pass: 'KeyK', fold: 'Shift+KeyG', 'keep-in': 'KeyF' });
    expect(chooseKey(book, 'keep', 'KeyJ')).toBeNull();
    expect(keysOf(make(book, shippedKeys(book)))).toEqual(keysOf(emptyBook()));
  });

  it('are letters, with Shift or without; not what means something everywhere', () => {
    expect(pressed('KeyJ')).toBe('KeyJ');
    expect(pressed('KeyJ', { shiftKey: true })).toBe('Shift+KeyJ');
    expect([pressed('KeyN'), pressed('Digit1'), pressed('Escape'), pressed('KeyJ', { ctrlKey: true })]).toEqual([null, null, null, null]);
  });
});
