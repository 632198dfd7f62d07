import { expect, type Locator, type Page } from '@playwright/test';

/** Presses Tab until an element has the focus, once it is there: what the keyboard cannot reach fails here. */
export async function tabTo(page: Page, target: Locator, most = 220): Promise<void> {
  await expect(target).toBeVisible();
  for (let press = 0; press < most; press++) {
    if (
      await target
        .evaluate((element) => element === document.activeElement || element === (element.getRootNode() as ShadowRoot).activeElement)
        .catch(() => false)
    )
      return;
    await page.keyboard.press('Tab');
  }
  throw new Error('The keyboard does not reach it.');
}

/** Reaches a field by Tab and types into it, over what stands there. */
export async function typeInto(page: Page, target: Locator, text: string): Promise<void> {
  await tabTo(page, target);
  await page.keyboard.press('Control+a');
  await page.keyboard.type(text);
}

/** Types into a field over what stands there, key by key, as the mouse has found it. */
export async function typeOver(field: Locator, text: string): Promise<void> {
  await field.click();
  await field.press('Control+a');
  if (text === '') await field.press('Delete');
  else await field.pressSequentially(text);
}

/** Waits until everything typed is with the server. */
export const untilSaved = (page: Page) => expect(page.locator('[data-saved]').first()).toHaveAttribute('data-saved', 'saved');

/** The id of a plan by its name. */
export async function planId(page: Page, name: string): Promise<string> {
  const { plans } = (await (await page.request.get('/api/plans')).json()) as {
    plans: { id: string; name: string }[];
  };
  const found = plans.find((plan) => plan.name === name);
  if (!found) throw new Error(`No plan ${name}`);
  return found.id;
}

/** Does what stands in the menu of a plan on the Shelf. */
export async function doWithPlan(page: Page, name: string, what: 'Rename' | 'Archive' | 'Take back' | 'Delete'): Promise<void> {
  await page.getByRole('button', { name: `More for ${name}`, exact: true }).click();
  await page.getByRole('menuitem', { name: what }).click();
}
