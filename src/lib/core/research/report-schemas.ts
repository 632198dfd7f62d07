import * as z from 'zod';
import { packOf } from '../store/pack-schema';
import { sentId } from '../records/fields';
import { report, reportRow } from '../records/report';
import type { ReportHead } from './incoming-report';

/** What is said of a report that is brought in, before its lines come. */
export const reportHead: z.ZodType<ReportHead> = z.strictObject({
  id: sentId,
  key: z.string().max(4000),
  report: z.strictObject({
    name: report.shape.name,
    on: report.shape.importedOn,
    from: report.shape.from,
    until: report.shape.until,
    totals: z.strictObject({ clicks: report.shape.totalClicks, costMinor: report.shape.totalCostMinor }).nullable(),
  }),
});

/** A pack of lines of a report on their way in. */
export const reportPack = packOf('reportRow', reportRow.omit({ id: true, reportId: true, position: true }));
