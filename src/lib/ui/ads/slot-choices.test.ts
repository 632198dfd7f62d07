import { describe, expect, it } from 'vitest';
import { readSlotStage, takeSlotChoice, type SlotOptions } from './slot-choices';

const by: SlotOptions = {
  names: ['keyword', 'group', 'place', 'price'],
  values: { place: 'Cardiff', group: 'kiln repair' },
  fallbacks: ['Kiln Repair', 'Kilns'],
  cases: ['lower', 'sentence', 'title', 'upper'],
  liveCase: 'title',
};
const names = (typed: string) => readSlotStage(typed, by).choices.map(({ name }) => name);

describe('a slot chosen by keys', () => {
  it('is asked for first, with what fills it', () => {
    expect(readSlotStage('p', by)).toMatchObject({
      asks: 'slot',
      choices: [
        { name: 'place', says: 'Cardiff' },
        { name: 'price', says: 'no value yet' },
      ],
    });
    expect(takeSlotChoice(readSlotStage('p', by), 'place')).toEqual({ text: '[[place|', isDone: false });
  });

  it('then its fallback: a live slot needs one, which the plan proposes', () => {
    expect(names('keyword|')).toEqual(['Kiln Repair', 'Kilns']);
    expect(names('keyword|ki')).toEqual(['ki', 'Kiln Repair', 'Kilns']);
    expect(names('place|')).toEqual(['no fallback']);
    expect(names('place|Town')).toEqual(['Town']);
    expect(takeSlotChoice(readSlotStage('keyword|', by), 'Kilns')).toEqual({ text: '[[keyword|Kilns|', isDone: false });
  });

  it('then its letters, a live slot in those of a title where the language has them', () => {
    expect(names('keyword|Kilns|')).toEqual(['title', 'as it stands', 'lower', 'sentence', 'upper']);
    expect(names('place|Town|')[0]).toBe('as it stands');
    expect(names('place|Town|up')).toEqual(['upper']);
    expect(takeSlotChoice(readSlotStage('keyword|Kilns|', by), 'title')).toEqual({ text: '[[keyword|Kilns|title]]', isDone: true });
    expect(takeSlotChoice(readSlotStage('place||', by), '')).toEqual({ text: '[[place]]', isDone: true });
    expect(takeSlotChoice(readSlotStage('place|Town|', by), 'upper')).toEqual({ text: '[[place|Town|upper]]', isDone: true });
  });
});
