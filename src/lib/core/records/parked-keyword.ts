import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import { keyword, keywordRecord, type Keyword } from './keyword';
import * as field from './fields';

/** A keyword that was taken out of play and stays at hand: as it stood in its group. */
export const parkedKeyword = /* @__PURE__ */ made(() => z.strictObject({ ...keyword.shape, id: field.id<'parkedKeyword'>() }));
export type ParkedKeyword = z.infer<typeof parkedKeyword>;

/** What the store needs to know of parked keywords, and what a new one holds. */
export const parkedKeywordRecord = { ...keywordRecord } as const satisfies RecordType<ParkedKeyword>;

/** A keyword as it is parked, or a parked one as it stands in its group again, under an id of its own. */
export const moved = (row: ParkedKeyword | Keyword, id: string) => ({ ...row, id });
