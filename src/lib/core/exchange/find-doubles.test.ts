import { describe, expect, it } from 'vitest';
import { cleanFile } from '../../../tests/clean-plan';
import { checkPlanFile } from './check-plan-file';

describe('a plan file with doubles', () => {
  const [campaign] = cleanFile.campaigns;
  const [group] = campaign!.groups;
  const withGroup = (changed: object) => ({ ...cleanFile, campaigns: [{ ...campaign!, groups: [{ ...group!, ...changed }] }] });
  it.each([
    ['a campaign', { ...cleanFile, campaigns: [campaign, campaign] }, 'campaigns.1'],
    ['a group', { ...cleanFile, campaigns: [{ ...campaign, groups: [group, group] }] }, 'campaigns.0.groups.1'],
    [
      'a keyword',
      withGroup({ keywords: [...group!.keywords, group!.keywords[0]] }),
      `campaigns.0.groups.0.keywords.${group!.keywords.length}`,
    ],
    ['a find', { ...cleanFile, finds: [...cleanFile.finds, cleanFile.finds[0]] }, `finds.${cleanFile.finds.length}`],
    ['a kind of a word', { ...cleanFile, wordKinds: [1, 2].map(() => ({ word: 'steinfeld', kind: 'maker' })) }, 'wordKinds.1'],
    ['a fact', { ...cleanFile, brief: { ...cleanFile.brief, facts: ['Fixed price', 'Fixed price'] } }, 'brief.facts.1'],
  ])('refuses %s that stands twice, with the place', (_, file, path) => {
    expect(checkPlanFile(structuredClone(file))).toMatchObject({ ok: false, code: 'taken', path });
  });
});
