import { describe, expect, it } from 'vitest';
import { draftFromRival, type DraftingContext } from './draft-from-rival';

const by: DraftingContext = {
  language: 'en',
  names: ['Brackenford Kilns', 'brackenford-kilns.example', 'Brackenford'],
  known: ['kiln repair', 'kiln servicing', 'We come to your studio', 'Fixed price'],
  limits: { headline: 30, description: 90 },
};
const read = (headlines: string[], descriptions: string[] = [], more: Partial<DraftingContext> = {}) =>
  draftFromRival({ headlines, descriptions }, { ...by, ...more });

describe('a rival’s ad as a draft', () => {
  it('loses its names, with the words that lead to them', () => {
    const [first, second, third] = read(['Kiln Repair by Brackenford', 'Brackenford Kilns', 'Brackenford’s Kiln Servicing']);
    expect(first).toMatchObject({ text: 'Kiln Repair', out: [{ why: 'name', text: 'by Brackenford' }], unknown: [] });
    expect(second?.text).toBe('');
    expect(read([], ['Kiln Repair by Brackenford. Insured, and local.'])[0]).toMatchObject({
      text: 'Kiln Repair. Insured, and local.',
      unknown: ['Insured', 'local'],
    });
    expect(third).toMatchObject({ text: 'Kiln Servicing', out: [{ why: 'name', text: 'Brackenford’s' }] });
  });

  it('loses claims and figures clause by clause, and keeps the rest', () => {
    const [line] = read([], ['The finest kiln repair in Wales. Fixed price, 25 years at work. We come to your studio.']);
    expect(line?.text).toBe('Fixed price, We come to your studio.');
    expect(line?.out).toEqual([
      { why: 'claim', text: 'The finest kiln repair in Wales' },
      { why: 'figure', text: '25 years at work' },
    ]);
    expect(read(['Kiln Repair – from £40'])[0]).toMatchObject({ text: 'Kiln Repair', out: [{ why: 'figure', text: 'from £40' }] });
  });

  it('names what nobody has said of the client', () => {
    expect(read(['Insured Kiln Repair'])[0]).toMatchObject({ text: 'Insured Kiln Repair', unknown: ['Insured'] });
    expect(read(['Ask for a Fixed Price'])[0]?.unknown).toEqual([]);
  });

  it('is plain text: signs of slots in it stand as they are', () => {
    expect(read(['Kiln [[Repair]]'])[0]?.text).toBe('Kiln \\[[Repair\\]]');
  });

  it('says where what is left is too long', () => {
    expect(read(['Kiln repair, kiln servicing, kiln repair'])[0]?.isOver).toBe(true);
  });
});
