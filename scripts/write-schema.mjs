/** npm run schema: writes the JSON Schema of the plan file from its Zod schema into docs. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createServer } from 'vite';
import { root } from './machine.mjs';

const vite = await createServer({ server: { middlewareMode: true, hmr: false }, logLevel: 'error' });
const { planFileJsonSchema } = await vite.ssrLoadModule('/src/lib/core/exchange/plan-file-json-schema.ts');
writeFileSync(join(root, 'docs/plan-file.schema.json'), `${JSON.stringify(planFileJsonSchema(), null, 2)}\n`);
await vite.close();
