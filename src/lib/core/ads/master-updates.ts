import { childrenOf, nextPosition } from '../store/snapshot';
import type { SimpleChange } from '../store/changes';
import { groupsInOrder, type PlanView } from '../view/plan-view';
import type { Ad } from '../records/ad';
import type { AdLine, LineKindOfAd, MasterLine } from '../records/ad-line';
import type { Group } from '../records/group';
import type { Master } from '../records/master';
import { measureLine, type Measure } from './measure';
import { keywordTexts, lineContext } from './slot-values';

/** A line or path of an ad that its master would change: old beside new, with the measure that the new one has there. */
export interface MasterLineUpdate {
  kind: LineKindOfAd | 'path';
  /** Null: the line is new, or leaves. */
  before: string | null;
  after: string | null;
  measure: Measure | null;
  change: SimpleChange;
}

/** What a changed master would bring to one ad that it made. */
export interface MasterUpdate {
  ad: Ad;
  group: Group;
  updates: MasterLineUpdate[];
  /** Lines that were made the ad's own: they are left alone. */
  own: string[];
  /** Whether the ad remembers which lines came from the master; else what it lacks may have been taken out on purpose. */
  isRemembered: boolean;
}

const paths = ['path1', 'path2'] as const;

/** Whether an ad was made from a master: by a line that came from it, or by its name. */
function isOf(ad: Ad, lines: readonly AdLine[], master: Master, ids: ReadonlySet<string>): boolean {
  return ad.masterName === master.name || lines.some(({ masterLineId }) => ids.has(masterLineId));
}

/** The line of an ad that a master's line became; of ads from before it was remembered, the one that says the same. */
const lineOf = (lines: readonly AdLine[], own: MasterLine) =>
  lines.find(({ masterLineId }) => masterLineId === own.id) ??
  lines.find(({ masterLineId, kind, text }) => masterLineId === '' && kind === own.kind && text === own.text);

class AdUpdates {
  readonly updates: MasterLineUpdate[] = [];
  readonly own: string[] = [];
  private readonly keywords: readonly string[];
  private position: number;

  constructor(
    private readonly view: PlanView,
    private readonly group: Group,
    private readonly ad: Ad,
    private readonly lines: readonly AdLine[],
    private readonly newId: () => string,
  ) {
    this.keywords = keywordTexts(view, group.id);
    this.position = nextPosition(lines);
  }

  private measure(kind: LineKindOfAd | 'path', text: string): Measure {
    return measureLine(text, this.keywords, lineContext(this.view, this.group, this.ad.format, kind));
  }

  line(master: MasterLine): void {
    const { kind, text, fixedAt } = master;
    const line = lineOf(this.lines, master);
    const marks = { masterLineId: master.id as string, masterText: text };
    if (!line) {
      if (text.trim() === '') return;
      const row = { id: this.newId(), adId: this.ad.id, kind, text, fixedAt, ...marks, position: this.position++ };
      const change: SimpleChange = { type: 'add', record: 'adLine', rows: [row] };
      this.updates.push({ kind, before: null, after: text, measure: this.measure(kind, text), change });
      return;
    }
    const isOwn = line.masterLineId !== '' && line.text !== line.masterText;
    if (isOwn) {
      if (line.masterText !== text) this.own.push(line.text);
      return;
    }
    if (line.text === text) return;
    const change: SimpleChange = {
      type: 'set',
      record: 'adLine',
      ids: [line.id],
      fields: { text, ...marks },
      was: { text: line.text },
    };
    this.updates.push({ kind, before: line.text, after: text, measure: this.measure(kind, text), change });
  }

  /** Lines whose master line is gone leave too, unless they were made the ad's own. */
  goneLines(ids: ReadonlySet<string>): void {
    for (const { id, kind, text, masterLineId, masterText } of this.lines) {
      if (masterLineId === '' || ids.has(masterLineId)) continue;
      if (text !== masterText) this.own.push(text);
      else this.updates.push({ kind, before: text, after: null, measure: null, change: { type: 'remove', record: 'adLine', ids: [id] } });
    }
  }

  paths(master: Master): void {
    paths.forEach((field, at) => {
      const [mine, theirs, came] = [this.ad[field], master[field], this.ad.masterPaths[at]];
      if (mine === theirs || came === undefined) return;
      if (mine !== came) {
        if (came !== theirs) this.own.push(mine);
        return;
      }
      const masterPaths = paths.map((one, index) => (one === field ? theirs : (this.ad.masterPaths[index] ?? '')));
      const change: SimpleChange = {
        type: 'set',
        record: 'ad',
        ids: [this.ad.id],
        fields: { [field]: theirs, masterPaths },
        was: { [field]: mine },
      };
      this.updates.push({ kind: 'path', before: mine, after: theirs, measure: this.measure('path', theirs), change });
    });
  }
}

/** What a master would bring to the ads it made, in the order of the plan; ads that follow it already, and have nothing of their own, are left out. */
export function findMasterUpdates(view: PlanView, master: Master, masterLines: readonly MasterLine[], newId: () => string): MasterUpdate[] {
  const ids: ReadonlySet<string> = new Set(masterLines.map(({ id }) => id as string));
  return groupsInOrder(view).flatMap((group) =>
    childrenOf(view.snapshot.ad, 'groupId', group.id).flatMap((ad): MasterUpdate[] => {
      const lines = childrenOf(view.snapshot.adLine, 'adId', ad.id);
      if (!isOf(ad, lines, master, ids)) return [];
      const found = new AdUpdates(view, group, ad, lines, newId);
      for (const line of masterLines) found.line(line);
      if (ad.masterName === master.name) found.goneLines(ids);
      found.paths(master);
      const { updates, own } = found;
      const isRemembered = lines.some(({ masterLineId }) => ids.has(masterLineId));
      return updates.length + own.length > 0 ? [{ ad, group, updates, own, isRemembered }] : [];
    }),
  );
}
