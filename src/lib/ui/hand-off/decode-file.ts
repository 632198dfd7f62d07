import type { DecodedFile } from '$lib/core/exchange/read-rows';

/** Has the server read a file as rows of texts; throws with what is wrong and where. */
export async function decodeFile(file: File): Promise<DecodedFile> {
  const response = await fetch(`/api/tables?name=${encodeURIComponent(file.name)}`, {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body: file,
  });
  const answer = (await response.json()) as DecodedFile & { message?: string };
  if (!response.ok) throw new Error(`${file.name}: ${answer.message ?? 'it was not read.'}`);
  // Sheets of several files stand beside each other under the file's name too.
  const sheets = answer.sheets.map((sheet) => (sheet.name === file.name ? sheet : { ...sheet, name: `${file.name}, ${sheet.name}` }));
  return { ...answer, sheets };
}

/** The rows of the largest sheet of a file. */
export async function readLargestSheet(file: File): Promise<readonly (readonly string[])[]> {
  const { sheets } = await decodeFile(file);
  return [...sheets].sort((a, b) => b.rows.length - a.rows.length)[0]?.rows ?? [];
}

/** What the server calls an encoding, as a layout calls it; null where no layout writes it. */
export const layoutEncoding = (encoding: string | null) =>
  encoding === 'utf-16le' || encoding === 'utf-16be' ? 'utf-16' : encoding === 'utf-8' || encoding === 'windows-1252' ? encoding : null;
