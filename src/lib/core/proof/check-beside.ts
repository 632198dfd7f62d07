import { childrenOf } from '../store/snapshot';
import { said, wordsOfExtra } from './check-extras';
import { extrasShown } from '../view/extras-shown';
import { wholeWords } from '../text/escape-pattern';
import type { PlanView } from '../view/plan-view';
import type { Ad } from '../records/ad';
import type { AdLine } from '../records/ad-line';
import type { Extra } from '../records/extra';
import type { Group } from '../records/group';
import type { Report } from './finding';
import { named, place } from './measured-ad';

interface LineOfAd {
  ad: Ad;
  line: AdLine;
}

/** Lines that say what an extra beside them says already. */
function checkRepeats(group: Group, lines: readonly LineOfAd[], extras: readonly Extra[]): Report[] {
  const bySaid = new Map(extras.flatMap((extra) => wordsOfExtra(extra).map(({ text }) => [said(text), extra] as const)));
  return lines.flatMap(({ ad, line }): Report[] => {
    const extra = said(line.text) === '' ? undefined : bySaid.get(said(line.text));
    if (!extra) return [];
    const data = { ...named({ group, ad }), kind: extra.kind, text: line.text };
    return [{ rule: 'ads.extra-repeats', record: line.id, where: place({ group, ad }, line.kind), data }];
  });
}

/** Lines that say the code of a dated offer in another spelling: typed so it would be refused. */
function checkCodes(group: Group, lines: readonly LineOfAd[], codes: readonly string[]): Report[] {
  const found = codes.map((code) => ({ code, pattern: wholeWords(code, 'giu') }));
  return lines.flatMap(({ ad, line }) =>
    found.flatMap(({ code, pattern }): Report[] => {
      const other = [...line.text.matchAll(pattern)].map(([typed]) => typed).find((typed) => typed !== code);
      if (other === undefined) return [];
      const text = line.text.replace(pattern, () => code);
      return [
        {
          rule: 'ads.code-spelling',
          record: line.id,
          where: place({ group, ad }, line.kind),
          data: { ...named({ group, ad }), code, typed: other },
          mend: {
            kind: 'safe',
            change: { type: 'set', record: 'adLine', ids: [line.id], fields: { text }, was: { text: line.text } },
            data: { code },
          },
        },
      ];
    }),
  );
}

/** The ads of a group beside the extras that they are shown with. */
export function checkBeside(view: PlanView, group: Group): Report[] {
  if (view.snapshot.extra.size === 0) return [];
  const extras = extrasShown(view.snapshot, group).flatMap((shown) => shown.extras);
  const ads = childrenOf(view.snapshot.ad, 'groupId', group.id);
  const lines = ads.flatMap((ad) => childrenOf(view.snapshot.adLine, 'adId', ad.id).map((line) => ({ ad, line })));
  const codes = [...new Set(extras.flatMap(({ code }) => (code.trim() === '' ? [] : [code.trim()])))];
  return [...checkRepeats(group, lines, extras), ...checkCodes(group, lines, codes)];
}
