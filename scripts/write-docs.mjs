/** npm run docs: writes what of the documentation follows from the code: the plan file's JSON Schema and the page of rules. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createServer } from 'vite';
import { root } from './machine.mjs';

const vite = await createServer({ server: { middlewareMode: true, hmr: false }, logLevel: 'error' });
const { planFileJsonSchema } = await vite.ssrLoadModule('/src/lib/core/exchange/plan-file-json-schema.ts');
writeFileSync(join(root, 'docs/plan-file.schema.json'), `${JSON.stringify(planFileJsonSchema(), null, 2)}\n`);
const { findingOfExample } = await vite.ssrLoadModule('/src/tests/rule-examples.ts');
const { writeRulesPage } = await vite.ssrLoadModule('/src/lib/wording/rules-page.ts');
writeFileSync(join(root, 'docs/rules.md'), writeRulesPage(findingOfExample));
await vite.close();
