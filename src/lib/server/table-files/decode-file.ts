import { RequestRefused } from '../outcome';
import { decodeDelimited, type DecodedFile } from './decode-text';
import { decodeWorkbook } from './decode-workbook';

/** Reads a file of tables by what it is, whatever it is called: a workbook begins as an archive. */
export async function decodeFile(bytes: Uint8Array, name: string): Promise<DecodedFile> {
  if (bytes.length === 0) throw new RequestRefused(422, 'empty-file', 'The file is empty.', 'file');
  const isArchive = bytes[0] === 0x50 && bytes[1] === 0x4b;
  return isArchive ? decodeWorkbook(bytes) : decodeDelimited(bytes, name);
}
