import * as z from 'zod';
import type { RecordName } from '../records/record-type';
import { rowsInPack, unpackRows, type PackedRows } from './packed-rows';

/** Schema of a pack of rows on their way in: of one record, with these fields and no others; reads it to its rows. */
export const packOf = <T>(record: RecordName, row: z.ZodType<T>, fields: readonly string[]) =>
  z
    .strictObject({
      record: z.literal(record),
      count: z.int().min(1).max(rowsInPack),
      fields: z.record(
        z.enum(fields),
        z.strictObject({
          values: z.array(z.unknown()).min(1).max(rowsInPack),
          at: z.array(z.int().min(0).max(rowsInPack)).max(rowsInPack).nullable(),
        }),
      ),
    })
    .transform((pack) => unpackRows(pack as PackedRows) as unknown[])
    .pipe(z.array(row));
