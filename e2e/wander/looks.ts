import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What is wrong with what a page shows, in words; each of these ends the walk. */
export const wrongWith = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const isSeen = (node: Element): boolean => {
      const { width, height } = node.getBoundingClientRect();
      return width > 0 && height > 0 && getComputedStyle(node).visibility !== 'hidden';
    };
    const seen = (within: ParentNode, what: string): Element[] => [...within.querySelectorAll(what)].filter(isSeen);
    const words = (node: Element): string => (node.textContent ?? '').trim().slice(0, 60);
    const sheet = seen(document, '[aria-modal=true]').at(-1);
    const on: ParentNode = sheet ?? document;
    const wrong: string[] = [];
    const said = document.body.textContent ?? '';
    if (said.includes('This screen cannot be shown.')) wrong.push('an error screen');
    if (/\bundefined\b|\bNaN\b|\[object Object\]/.test(said))
      wrong.push(`a value that is none: ${/.{0,40}(?:undefined|NaN|\[object Object\]).{0,20}/.exec(said)?.[0] ?? ''}`);
    const fetches = document.querySelector('[aria-label^="Fetching "]') !== null;
    if (!fetches && seen(document, 'h1,h2,h3,[role=heading]').length === 0) wrong.push('no heading');
    if (seen(document, 'a[href],button,[role=button]:not([aria-disabled=true]),[role=link]').length === 0)
      wrong.push('no way on');
    const main = seen(on, '[data-testid=main-action]');
    if (main.length > 1) wrong.push(`${main.length} main actions: ${main.map(words).join(' | ')}`);
    const page = document.documentElement;
    if (page.scrollWidth > page.clientWidth + 1)
      wrong.push(`wider than the window by ${page.scrollWidth - page.clientWidth}`);
    // Beyond the edge, and nothing to scroll it in by.
    const rolls = (node: Element): boolean => {
      for (let at: Element | null = node; at; at = at.parentElement)
        if (/auto|scroll/.test(getComputedStyle(at).overflowX) && at.scrollWidth > at.clientWidth) return true;
      return false;
    };
    const texts = seen(on, 'div[dir=auto],span,h1,h2,h3').filter((node) => words(node) !== '');
    for (const node of texts) {
      const { left, right } = node.getBoundingClientRect();
      if ((right > innerWidth + 1 || left < -1) && !rolls(node)) wrong.push(`beyond the edge: ${words(node)}`);
      const { overflowX, textOverflow } = getComputedStyle(node);
      if (overflowX === 'hidden' && node.scrollWidth > node.clientWidth + 1 && textOverflow !== 'ellipsis')
        wrong.push(`cut: ${words(node)}`);
    }
    return [...new Set(wrong)];
  });

/** What still fetches, by its own words. */
export const fetching = (page: Page): Promise<string[]> =>
  page.evaluate(() => [...document.querySelectorAll('[aria-label^="Fetching "]')].map((node) => node.ariaLabel ?? ''));

/** What is too small for a glove: counted, and may only become fewer. */
export const tooSmall = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll('[role=button],button,[role=checkbox],[role=switch],input,textarea')]
      .filter((node) => {
        const { width, height } = node.getBoundingClientRect();
        return width > 0 && height > 0 && (height < 44 || width < 44) && getComputedStyle(node).opacity !== '0';
      })
      .map((node) => (node.ariaLabel ?? node.textContent ?? '').slice(0, 40)),
  );

/** What a machine can see of accessibility, by axe-core: its rules that are broken. */
export async function brokenRules(page: Page): Promise<string[]> {
  await page.evaluate(AXE);
  return page.evaluate(async () => {
    const { violations }: { violations: { id: string }[] } = await Reflect.get(globalThis, 'axe').run({
      resultTypes: ['violations'],
    });
    return violations.map(({ id }) => id);
  });
}
