import { describe, expect, it } from 'vitest';
import { shortCampaignName, shortCampaignNames } from './campaign-names';

const campaign = { id: 'a', name: 'leads_fife_search_tuning', nameIsTyped: false, placeWord: 'fife', themeWord: 'tuning' };

describe('short names of campaigns', () => {
  it('are place and theme, until the name is typed or they say nothing', () => {
    expect(shortCampaignName(campaign)).toBe('fife · tuning');
    expect(shortCampaignName({ ...campaign, name: 'Spring in Fife', nameIsTyped: true })).toBe('Spring in Fife');
    expect(shortCampaignName({ ...campaign, placeWord: '', themeWord: '' })).toBe('leads_fife_search_tuning');
  });

  it('that would read alike stand whole', () => {
    const names = shortCampaignNames([campaign, { ...campaign, id: 'b', name: 'leads_fife_search_tuning_2' }]);
    expect([...names.values()]).toEqual(['leads_fife_search_tuning', 'leads_fife_search_tuning_2']);
  });
});
