import { holdsPhrase } from '../rules/word-lists';
import type { Report } from './finding';
import { named, place, type MeasuredAd } from './measured-ad';

type MeasuredLine = MeasuredAd['lines'][number];

/** Whether a line is shown whenever its ad is: the third headline and the second description may be left out. */
function isSureToShow({ ad }: MeasuredAd, { line, number }: MeasuredLine): boolean {
  if (ad.format === 'classic') return true;
  const position = ad.format === 'responsive' ? line.fixedAt : number;
  return position !== null && position <= (line.kind === 'headline' ? 2 : 1);
}

/** Texts that the brief calls necessary: each must stand in a line that is sure to be shown. */
export function checkNecessary(ad: MeasuredAd): Report[] {
  return ad.view.brief.necessary.flatMap((text): Report[] => {
    const holding = ad.lines.filter(({ measure }) => holdsPhrase(measure.textWithFallback, text));
    if (holding.some((line) => isSureToShow(ad, line))) return [];
    const [first] = holding;
    const where = place(ad, `${first?.line.kind ?? 'descriptions'}`);
    return [
      first
        ? { rule: 'ads.necessary-unsure', record: first.line.id, where, data: { ...named(ad), text, kind: first.line.kind } }
        : { rule: 'ads.necessary-missing', record: ad.ad.id, where, data: { ...named(ad), text } },
    ];
  });
}
