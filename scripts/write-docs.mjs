/** npm run docs: writes what of the documentation follows from the code: the plan file's JSON Schema, the page of rules and the README's table of keys. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createServer } from 'vite';
import { root, runTool } from './machine.mjs';

const vite = await createServer({ server: { middlewareMode: true, hmr: false }, logLevel: 'error' });
const { planFileJsonSchema } = await vite.ssrLoadModule('/src/lib/core/exchange/plan-file-json-schema.ts');
writeFileSync(join(root, 'docs/plan-file.schema.json'), `${JSON.stringify(planFileJsonSchema(), null, 2)}\n`);
const { findingOfExample } = await vite.ssrLoadModule('/src/tests/rule-examples.ts');
const { sellingLines } = await vite.ssrLoadModule('/src/tests/selling-lines.ts');
const { writeRulesPage } = await vite.ssrLoadModule('/src/lib/wording/rules-page.ts');
writeFileSync(join(root, 'docs/rules.md'), writeRulesPage(findingOfExample, sellingLines));
const { writeKeyTable } = await vite.ssrLoadModule('/src/lib/ui/shell/key-list.ts');
const readme = readFileSync(join(root, 'README.md'), 'utf8');
writeFileSync(
  join(root, 'README.md'),
  readme.replace(/(<!-- written by npm run docs -->)[^]*(<!-- end -->)/, (_, start, end) => `${start}\n\n${writeKeyTable()}\n\n${end}`),
);
runTool('prettier', ['--write', '--log-level', 'warn', 'README.md']);
await vite.close();
