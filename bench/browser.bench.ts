/**
 * The last part of npm run bench: in a real browser, on the built app, the time from a key press to new numbers on the
 * screen at 20 lines. Printed, not asserted.
 */
import { expect, rail, test } from '../e2e/kitchen';
import { CARD } from './card';

const ROUNDS = 40;
const at = (sorted: readonly number[], share: number): number => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;

test('from a key press to new numbers at 20 lines', async ({ page }) => {
  await page.goto('/formulas/new');
  await page.getByLabel(/Paste a card, as it is/).fill(CARD);
  await page.getByRole('button', { name: 'Read the card' }).click();
  await expect(page.getByRole('textbox', { name: 'Line as written' })).toHaveCount(20);
  // in the page: from the key to the frame after the first in which the water's number is another
  await page.evaluate(() => {
    const w = window as unknown as { times: number[] };
    w.times = [];
    const shown = (): string => document.querySelector<HTMLInputElement>('[data-rail=water] input')?.value ?? '';
    window.addEventListener(
      'keydown',
      (e) => {
        const [from, was] = [e.timeStamp, shown()];
        const look = (): void => {
          if (shown() === was) requestAnimationFrame(look);
          else requestAnimationFrame((t) => w.times.push(t - from));
        };
        requestAnimationFrame(look);
      },
      true,
    );
  });
  const measured = async (name: string, key: (n: number) => string): Promise<void> => {
    await page.evaluate(() => {
      (window as unknown as { times: number[] }).times = [];
    });
    for (let n = 0; n < ROUNDS; n++) {
      const was = await rail(page, 'water');
      await page.keyboard.press(key(n));
      await expect.poll(() => rail(page, 'water'), { intervals: [20] }).not.toBe(was);
    }
    await page.waitForTimeout(100);
    const times = (await page.evaluate(() => (window as unknown as { times: number[] }).times)).sort((a, b) => a - b);
    console.log(`${name.padEnd(64)} ${at(times, 0.5).toFixed(0).padStart(5)} ms, 9 of 10 within ${at(times, 0.9).toFixed(0)} ms`);
  };
  // 300 g of flour becomes 3001 g and back
  const line = page.getByRole('textbox', { name: 'Line as written' }).first();
  await line.fill('300');
  await line.fill('300 g flour');
  await line.press('Home');
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
  await measured('key press to new numbers, typing in a line of 20', (n) => (n % 2 === 0 ? '1' : 'Backspace'));
  await page.locator('[data-rail=water] [role=slider]').focus();
  await measured('key press to new numbers, a rail nudged (worker and back)', (n) => (n % 2 === 0 ? 'PageUp' : 'PageDown'));
});
