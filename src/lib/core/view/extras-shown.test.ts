import { describe, expect, it } from 'vitest';
import { addLike, cleanFile, row, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { saysNothing, type Extra } from '../records/extra';
import type { Snapshot } from '../store/snapshot';
import { extraOwners, extrasOf, extrasShown, levelOf, type ExtraOwner } from './extras-shown';

const clean = snapshotOfFile(cleanFile);
const group = row(clean, 'group', 0);
const ofGroup = { campaignId: null, groupId: group.id };
const ofCampaign = { campaignId: group.campaignId, groupId: null };
const withExtra = (snapshot: Snapshot, owner: ExtraOwner, said: Partial<Extra>) =>
  addLike(snapshot, 'extra', { ...saysNothing, ...owner, ...said });
const shownIn = (snapshot: Snapshot) =>
  Object.fromEntries(
    extrasShown(snapshot, group).map(({ kind, level, extras, over }) => [kind, { level, texts: extras.map(({ text }) => text), over }]),
  );

describe('what ads of a group are shown with', () => {
  it('is of the plan as long as nothing nearer stands', () => {
    expect(shownIn(clean)).toEqual({
      sitelink: { level: 'plan', texts: ['Prices', 'Pitch raise'], over: [] },
      callout: { level: 'plan', texts: ['Evening visits'], over: [] },
    });
  });

  it('is of the nearest level that has any of the kind, and of that alone', () => {
    let snapshot = withExtra(clean, ofCampaign, { kind: 'callout', text: 'Of the campaign' });
    snapshot = withExtra(snapshot, ofGroup, { kind: 'sitelink', text: 'Of the group' });
    snapshot = withExtra(snapshot, ofCampaign, { kind: 'sitelink', text: 'Of the campaign too' });
    expect(shownIn(snapshot)).toEqual({
      sitelink: { level: 'group', texts: ['Of the group'], over: ['campaign', 'plan'] },
      callout: { level: 'campaign', texts: ['Of the campaign'], over: ['plan'] },
    });
  });

  it('stands once with each owner: what all owners have is all there is', () => {
    const snapshot = withExtra(withExtra(clean, ofGroup, { text: 'a' }), ofCampaign, { text: 'b' });
    const owners = [...extraOwners(viewOf(snapshot))];
    expect(owners.slice(0, 3).map(levelOf)).toEqual(['plan', 'campaign', 'group']);
    const all = owners.flatMap((owner) => extrasOf(snapshot, owner).map(({ id }) => id));
    expect(all.sort()).toEqual([...snapshot.extra.keys()].sort());
  });
});
