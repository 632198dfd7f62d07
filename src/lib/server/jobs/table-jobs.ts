import { decodeFile, decodeList } from '../table-files/decode-file';
import type { Job } from './job';

const mostOfName = 255;

/** A file of tables as rows of texts. */
export const decodeTableJob: Job = ({ body, query }) => decodeFile(body, (query.name ?? '').slice(0, mostOfName));

/** A file as one text and what parts its cells. */
export const decodeListJob: Job = ({ body }) => decodeList(body);
