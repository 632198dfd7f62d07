/**
 * Runs in a thread of its own with little memory: reads a workbook's sheets as rows of texts.
 * It is started from its text, so it takes the reader's place on disk instead of importing it.
 */
import('node:worker_threads').then(async ({ parentPort, workerData }) => {
  const { default: readWorkbook } = await import(workerData.reader);

  /** @param {unknown} cell */
  const asText = (cell) => {
    if (cell === null || cell === undefined) return '';
    return cell instanceof Date ? cell.toISOString().replace(/T00:00:00\.000Z$/, '') : String(cell);
  };

  /** @type {{ sheet: string, data: unknown[][] }[]} */
  const sheets = await readWorkbook(Buffer.from(workerData.bytes), { trim: false });
  parentPort?.postMessage(sheets.map(({ sheet, data }) => ({ name: sheet, rows: data.map((row) => row.map(asText)) })));
});
