import * as z from 'zod';
import type { RecordName } from '../records/record-type';
import { rowsInPack, unpackRows, type PackedRows } from './packed-rows';

/** Schema of a pack of rows on their way in: of one record, with the fields of a row and no others; reads it to its rows. */
export const packOf = <Shape extends z.ZodRawShape>(record: RecordName, row: z.ZodObject<Shape>) =>
  z
    .strictObject({
      record: z.literal(record),
      count: z.int().min(1).max(rowsInPack),
      fields: z.record(
        z.enum(Object.keys(row.shape)),
        z.strictObject({
          values: z.array(z.unknown()).min(1).max(rowsInPack),
          at: z.array(z.int().min(0).max(rowsInPack)).max(rowsInPack).nullable(),
        }),
      ),
    })
    .transform((pack) => unpackRows(pack as PackedRows) as unknown[])
    .pipe(z.array(row));
