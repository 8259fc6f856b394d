import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect } from './support.js';

// What is looked at on every page.

/** Which rules of accessibility: all of them, or those that a theme changes, or those that a width does. */
type Rules = 'all' | 'colours' | 'but-colours';

function axeFor(page: Page, rules: Rules): AxeBuilder {
  const axe = new AxeBuilder({ page });
  if (rules === 'colours') return axe.withRules(['color-contrast']);
  return rules === 'but-colours' ? axe.disableRules(['color-contrast']) : axe;
}

/** A page at rest: what fades in or out is half as dark meanwhile, and is no finding. */
async function atRest(page: Page): Promise<void> {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.waitForFunction(() =>
    document
      .getAnimations()
      .every(
        (one) => one.playState !== 'running' || one.effect?.getTiming().iterations === Infinity,
      ),
  );
}

export async function expectNoViolations(page: Page, rules: Rules = 'all'): Promise<void> {
  await atRest(page);
  const { violations } = await axeFor(page, rules).analyze();
  expect(
    violations.map((v) => ({
      id: v.id,
      where: v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160)),
    })),
  ).toEqual([]);
}

/** How far a page can be scrolled sideways, in pixels. */
export const sideways = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

/** As large as a thumb (WCAG 2.2, 2.5.5), in pixels. */
const THUMB = 44;

/**
 * What of a page is pressed and is smaller than a thumb. Links within a line of words are as high as the line, and sessions
 * that are drawn to scale as large as they are long: both may.
 */
export const tooSmall = (page: Page): Promise<string[]> =>
  page.evaluate((thumb) => {
    const pressed = [
      ...document.querySelectorAll<HTMLElement>(
        'a[href], button:enabled, input:enabled, summary, [role=radio], [role=combobox]',
      ),
    ];
    const isSeen = (e: HTMLElement): boolean =>
      e.checkVisibility({ visibilityProperty: true }) && !e.classList.contains('sr-only');
    const mayBeSmall = (e: HTMLElement): boolean =>
      getComputedStyle(e).display === 'inline' || getComputedStyle(e).position === 'absolute';
    const box = (e: HTMLElement): Element =>
      e.matches('[type=checkbox], [type=radio]') ? (e.closest('label') ?? e) : e;
    return pressed
      .filter((e) => isSeen(e) && !mayBeSmall(e))
      .map((e) => ({ e, height: box(e).getBoundingClientRect().height }))
      .filter(({ height }) => height > 0 && height < thumb - 0.5)
      .map(({ e, height }) =>
        `${Math.round(height)}: ${e.tagName} ${e.getAttribute('aria-label') ?? e.textContent}`.slice(
          0,
          80,
        ),
      );
  }, THUMB);

/** What of a page cannot be reached by Tab, and what does not show that it has been. */
export async function byTab(page: Page): Promise<{ missed: string[]; unmarked: string[] }> {
  const wanted = await page.evaluate(() => {
    const all = [
      ...document.querySelectorAll<HTMLElement>(
        'a[href], button:enabled, input:enabled, select:enabled, textarea:enabled, summary',
      ),
    ].filter((e) => e.tabIndex >= 0 && e.checkVisibility({ visibilityProperty: true }));
    all.forEach((e, i) => {
      e.dataset.nth = String(i);
    });
    return all.map((e) =>
      `${e.tagName} ${e.getAttribute('aria-label') ?? e.textContent}`.slice(0, 60),
    );
  });
  const reached = new Set<number>();
  const unmarked: string[] = [];
  for (let i = 0; i < 2 * wanted.length + 10 && reached.size < wanted.length; i++) {
    await page.keyboard.press('Tab');
    const at = await page.evaluate(() => {
      const e = document.activeElement as HTMLElement;
      const style = getComputedStyle(e);
      return {
        nth: e.dataset.nth,
        marked: style.outlineStyle !== 'none' && style.outlineWidth !== '0px',
      };
    });
    if (at.nth === undefined) continue;
    reached.add(Number(at.nth));
    if (!at.marked) unmarked.push(wanted[Number(at.nth)]!);
  }
  return { missed: wanted.filter((_, i) => !reached.has(i)), unmarked };
}
