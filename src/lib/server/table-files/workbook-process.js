/**
 * Runs in a process of its own with little memory: reads a workbook from what comes in, and writes its sheets as rows of texts, a JSON line each.
 * It is started from its text, so it takes the reader's place on disk instead of importing it. Letters are counted before any are written: many
 * cells can stand for one text.
 */
const { reader, mostLetters, mostInCell } = JSON.parse(process.env.BIBLION_WORKBOOK ?? '{}');

/** @param {unknown} cell */
const asText = (cell) => {
  if (cell === null || cell === undefined) return '';
  return cell instanceof Date ? cell.toISOString().replace(/T00:00:00\.000Z$/, '') : String(cell);
};

/** @param {unknown} line */
const say = (line) => process.stdout.write(`${JSON.stringify(line)}\n`);

/** The first place where there is too much, or null. @param {{ sheet: string, data: unknown[][] }[]} sheets */
function findTooMuch(sheets) {
  let letters = 0;
  for (const { sheet, data } of sheets)
    for (const [at, row] of data.entries())
      for (const [column, cell] of row.entries()) {
        const { length } = typeof cell === 'string' ? cell : asText(cell);
        if (length > mostInCell) return { sheet, row: at + 1, column: column + 1, letters: length };
        letters += length;
        if (letters > mostLetters) return { sheet, row: at + 1 };
      }
  return null;
}

const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
const { default: readWorkbook } = await import(reader);
/** @type {{ sheet: string, data: unknown[][] }[]} */
const sheets = await readWorkbook(Buffer.concat(chunks), { trim: false });
const tooMuch = findTooMuch(sheets);
if (tooMuch) say({ tooMuch });
else
  for (const { sheet, data } of sheets) {
    say({ sheet });
    for (const row of data) if (!say(row.map(asText))) await new Promise((goOn) => process.stdout.once('drain', goOn));
  }

export {};
