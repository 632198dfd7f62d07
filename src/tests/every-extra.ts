import type { PlanFile } from '$lib/core/exchange/plan-file';
import { saysNothing } from '$lib/core/records/extra';

/** An extra of each kind that holds more than a text, with the signs that part lists in tables. */
export const everyExtra: PlanFile['extras'] = [
  { ...saysNothing, kind: 'listed-values', header: 'Types', values: ['Grand; boudoir', 'Upright | studio', 'Back\\slash'] },
  {
    ...saysNothing,
    kind: 'call',
    phone: '+441335342000',
    phoneCountry: 'GB',
    hours: [
      { day: 1, from: 9, to: 17 },
      { day: 6, from: 9, to: 12 },
    ],
  },
  {
    ...saysNothing,
    kind: 'price-rows',
    header: 'Services',
    prices: [
      { text: 'Tuning', description: 'one visit; at home', priceMinor: 9600, address: 'https://ottlemere.example/tuning' },
      { text: 'Pitch raise', description: '', priceMinor: null, address: '' },
      { text: 'Voicing | regulation', description: 'a day', priceMinor: 24_050, address: 'https://ottlemere.example/voicing?a=1|2' },
    ],
  },
  {
    ...saysNothing,
    kind: 'dated-offer',
    text: 'New-year tuning',
    startsOn: '2027-01-02',
    endsOn: '2027-01-31',
    code: 'NEW2027',
    leastMinor: 9000,
    setName: 'Winter',
  },
  { ...saysNothing, kind: 'place', text: '4 Mill Lane, Ottlemere' },
  { ...saysNothing, kind: 'business-name', text: 'Ottlemere Pianos' },
];
