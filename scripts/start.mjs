/** npm start: the server on the freelancer's own data file. */
import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { ownDataFile } from './data-file.mjs';
import { say, startNode } from './machine.mjs';
import { prepare } from './prepare.mjs';

const data = ownDataFile();
prepare();
mkdirSync(dirname(data), { recursive: true });
say(`starting on your data file ${data}`);
startNode(['scripts/serve.mjs'], { ...process.env, BIBLION_DATA: data });
