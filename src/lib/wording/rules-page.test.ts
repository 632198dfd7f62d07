import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { findingOfExample } from '../../tests/rule-examples';
import { sellingLines } from '../../tests/selling-lines';
import { ruleList } from '$lib/core/proof/rule-list';
import { writeRulesPage } from './rules-page';

it('the page of rules in docs is the one that the code makes', () => {
  const page = writeRulesPage(findingOfExample, sellingLines);
  expect(readFileSync('docs/rules.md', 'utf8')).toBe(page);
  for (const rule of Object.keys(ruleList)) expect(page).toContain(`| \`${rule}\` |`);
  expect(page).not.toMatch(/undefined|NaN|\[object/);
});
