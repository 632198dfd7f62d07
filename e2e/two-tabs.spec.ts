import { expect, type Page } from '@playwright/test';
import { doWithPlan, planId, typeOver, untilSaved } from './actions';
import { testOnDemo as test } from './own-server';

const offerOf = (page: Page) => page.getByLabel('One offer or product line');

/** The plan on two tabs of one browser, both on the brief. */
async function openTwice(page: Page): Promise<{ id: string; other: Page }> {
  const id = await planId(page, 'Spring launch');
  const other = await page.context().newPage();
  for (const tab of [page, other]) {
    await tab.goto(`/plans/${id}/brief`);
    await expect(offerOf(tab)).toBeVisible();
  }
  return { id, other };
}

test('a second tab is up to date without a reload, and edits of different fields merge', async ({ page }) => {
  const { id, other } = await openTwice(page);
  await typeOver(offerOf(page), 'Tuning at home');
  await expect(offerOf(other)).toHaveValue('Tuning at home');
  await typeOver(other.getByLabel('Landing page'), 'ottlemere.example/at-home');
  await expect(page.getByLabel('Landing page')).toHaveValue('ottlemere.example/at-home');
  await untilSaved(other);
  const { brief } = await (await page.request.get(`/api/plans/${id}`)).json();
  expect(brief).toMatchObject({ offer: 'Tuning at home', landingPage: 'ottlemere.example/at-home' });

  // One order of steps for both tabs: either of them undoes the last one.
  await other.getByRole('heading', { name: 'Brief', exact: true }).click();
  await other.keyboard.press('Control+z');
  await expect(page.getByLabel('Landing page')).not.toHaveValue('ottlemere.example/at-home');
  await expect(offerOf(page)).toHaveValue('Tuning at home');
});

test('an edit on a stale copy is refused with both texts side by side, and can still be written', async ({ page }) => {
  const { id, other } = await openTwice(page);
  // The first tab cannot send for a while; the second one writes the same field.
  await page.route('**/changes', (route) => (route.request().method() === 'POST' ? route.abort() : route.continue()));
  await typeOver(offerOf(page), 'Mine, typed while away');
  await expect(page.locator('[data-saved]')).toHaveAttribute('data-saved', 'waiting');
  await typeOver(offerOf(other), 'Theirs, written first');
  await untilSaved(other);
  await page.unroute('**/changes');

  const notice = page.getByRole('alert').filter({ hasText: 'Not saved' });
  await expect(notice).toContainText('This field was changed elsewhere meanwhile.');
  await expect(notice).toContainText('Mine, typed while away');
  await expect(notice).toContainText('Theirs, written first');
  await notice.getByRole('button', { name: 'Write mine' }).click();
  await expect(notice).toHaveCount(0);
  await untilSaved(page);
  await expect(offerOf(other)).toHaveValue('Mine, typed while away');
  expect((await (await page.request.get(`/api/plans/${id}`)).json()).brief.offer).toBe('Mine, typed while away');
});

test('a name that another tab changed while it was typed is not written over unseen', async ({ page }) => {
  const { id, other } = await openTwice(page);
  for (const tab of [page, other]) await tab.goto(`/plans/${id}/groups`);
  const nameOf = (tab: Page) => tab.getByLabel('Name of the group');
  await typeOver(nameOf(page), 'Mine');
  await typeOver(nameOf(other), 'Theirs');
  await nameOf(other).press('Enter');
  await expect(page.getByRole('link', { name: /^Theirs/ }).first()).toBeVisible();
  await nameOf(page).press('Tab');
  await expect(page.getByText('Changed elsewhere meanwhile to “Theirs”. Enter writes yours, Escape leaves theirs.')).toBeVisible();
  await expect(nameOf(page)).toHaveValue('Mine');
  await expect(nameOf(other)).toHaveValue('Theirs');
  await nameOf(page).press('Enter');
  await expect(nameOf(other)).toHaveValue('Mine');
  await typeOver(nameOf(page), 'Once more, without a word');
  await nameOf(page).press('Enter');
  await expect(nameOf(other)).toHaveValue('Once more, without a word');
});

test('an edit inside something deleted in another tab keeps its text and brings it back', async ({ page }) => {
  const { id, other } = await openTwice(page);
  await page.goto(`/plans/${id}/groups`);
  await page.locator('[data-keyword="piano tuning"]').click({ position: { x: 60, y: 12 } });
  // The first tab cannot send for a while; in the second one the group is taken out.
  await page.route('**/changes', (route) => (route.request().method() === 'POST' ? route.abort() : route.continue()));
  const { rows } = await (await page.request.get(`/api/plans/${id}/changes`)).json();
  const keyword = rows.keyword.find(({ text }: { text: string }) => text === 'piano tuning');
  await typeOver(page.getByLabel('Theme words'), 'Typed while it was taken out');
  await expect(page.locator('[data-saved]')).toHaveAttribute('data-saved', 'waiting');
  await other.goto(`/plans/${id}/groups`);
  await other.locator('[data-keyword="piano tuning"]').click({ position: { x: 60, y: 12 } });
  await other.getByRole('button', { name: 'Delete the group' }).click();
  await untilSaved(other);
  await page.unroute('**/changes');

  const notice = page.getByRole('alert').filter({ hasText: 'Not saved' });
  await expect(notice).toContainText('The group it changes is no longer there.');
  await expect(notice).toContainText('Typed while it was taken out');
  await notice.getByRole('button', { name: 'Bring it back and write mine' }).click();
  await expect(notice).toHaveCount(0);
  await expect(other.locator('[data-keyword="piano tuning"]')).toBeVisible();
  const after = await (await page.request.get(`/api/plans/${id}/changes`)).json();
  expect(after.rows.group.find(({ id }: { id: string }) => id === keyword.groupId).theme).toBe('Typed while it was taken out');
  expect(after.rows.keyword).toHaveLength(rows.keyword.length);
});

test('a plan deleted in one tab says so in the other, and nothing breaks', async ({ page }) => {
  const { other } = await openTwice(page);
  await page.goto('/');
  await doWithPlan(page, 'Spring launch', 'Delete');
  await expect(page.locator('[data-plan="Spring launch"]')).toHaveCount(0);
  await expect(other.getByRole('heading', { name: 'This plan has left the Shelf' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-plan="Spring launch"]')).toBeVisible();
  await expect(offerOf(other)).toBeVisible();
});

test('ten tabs, a second browser and the interface are all up to date within a second', async ({ page, browser, server }) => {
  const { id, other } = await openTwice(page);
  const tabs = [page, other];
  while (tabs.length < 10) {
    const tab = await page.context().newPage();
    await tab.goto(`/plans/${id}/brief`);
    await expect(offerOf(tab)).toBeVisible();
    tabs.push(tab);
  }
  const elsewhere = await (await browser.newContext({ baseURL: server.url })).newPage();
  await elsewhere.goto(`/plans/${id}/brief`);
  await typeOver(offerOf(elsewhere), 'From another browser');
  await untilSaved(elsewhere);
  for (const tab of tabs) await expect(offerOf(tab)).toHaveValue('From another browser', { timeout: 2000 });

  // A change made by the HTTP interface, by nobody's tab.
  const path = `/api/plans/${id}/changes`;
  const { revision, rows } = await (await page.request.get(path)).json();
  const change = { type: 'set', record: 'brief', ids: [rows.brief[0].id], fields: { offer: 'From a script' } };
  await page.request.post(path, { headers: { origin: server.url }, data: { id: 'by-script', revision, change } });
  for (const tab of [...tabs, elsewhere]) await expect(offerOf(tab)).toHaveValue('From a script', { timeout: 2000 });

  // The tab that listens for all closes; another one takes over.
  await page.close();
  await typeOver(offerOf(elsewhere), 'After the first tab closed');
  await untilSaved(elsewhere);
  for (const tab of tabs.slice(1)) await expect(offerOf(tab)).toHaveValue('After the first tab closed', { timeout: 4000 });
});
