import { readHtml } from '../pages/read-html';
import type { Job } from './job';

/** The texts of a page; the body is its HTML in UTF-8. */
export const readHtmlJob: Job = ({ body }) => readHtml(new TextDecoder().decode(body));
