/**
 * A pancake that is wanted: kept with the formula, three versions held against it; a photograph of a face taken and
 * compared.
 */
import sharp from 'sharp';
import { axe, expect, newFormula, start, test } from './kitchen';

const face = (background: string) =>
  sharp({ create: { width: 1200, height: 900, channels: 3, background: '#f4efe6' } })
    .composite([
      {
        input: Buffer.from(
          `<svg width="1200" height="900"><circle cx="600" cy="450" r="380" fill="${background}"/></svg>`,
        ),
      },
    ])
    .jpeg()
    .toBuffer();

test('a target kept, three versions scored against it, and photographs of two of them side by side', async ({
  page,
  expected,
}) => {
  await newFormula(page, 'Mill cakes\n250 g flour\n10 g baking powder\n3 g salt\n350 g milk\n2 eggs\n30 g oil');
  const formula = new URL(page.url()).pathname.replace(/\/plan.*/, '');
  await page.goto(`${formula}/target`);
  const tap = (scale: string, word: string) =>
    page.getByRole('group', { name: scale }).getByRole('button', { name: word, exact: true }).click();
  await tap('colour', 'golden');
  await tap('crumb', 'open');
  await page.getByLabel('Height of one').fill('tall');
  await page.getByRole('button', { name: 'Keep the target' }).click();
  await expect(page.getByText('Height: a number of mm.')).toBeVisible();
  await page.getByLabel('Height of one').fill('20');
  await page.getByLabel(/^In words/).fill('As at the mill, on the terrace.');
  await page.getByRole('button', { name: 'Keep the target' }).click();
  await expect(page.getByText('The target is kept with the formula')).toBeVisible();
  await axe(page);

  const outcomes: string[] = [];
  // colour and crumb two steps off: 50 % each, 6 of 20 mm: 40 %; one step off: 75 % each, 2 of 20 mm: 80 %; met
  for (const [n, colour, crumb, mm, score] of [
    [1, 'pale', 'tight', '14', '47 %'],
    [2, 'light', 'even', '18', '77 %'],
    [3, 'golden', 'open', '20', '100 %'],
  ] as const) {
    if (n > 1) {
      // another version
      await page.goto(formula);
      await page
        .getByRole('textbox', { name: 'Line on the card' })
        .nth(1)
        .fill(`${10 + n} g baking powder`);
      await page.getByRole('button', { name: 'Save', exact: true }).click();
      await expect(page.getByText(`version ${n}`).first()).toBeVisible();
    }
    await page.goto(`${formula}/plan`);
    await page.getByRole('switch', { name: 'take it from stock' }).click();
    const batch = await start(page);
    await page.goto(`${batch}/outcome`);
    outcomes.push(`${batch}/outcome`);
    await tap('colour', colour);
    await tap('crumb', crumb);
    await page.getByLabel('Height of one').fill(mm);
    await expect(page.getByRole('region', { name: 'Against its target' })).toContainText(score);
    if (n > 1) {
      const photos = page.getByRole('region', { name: 'Photographs' });
      await photos.locator('input[type=file]').setInputFiles({
        name: 'face.jpg',
        mimeType: 'image/jpeg',
        buffer: await face(n === 2 ? '#e3c58c' : '#b9752f'),
      });
      await expect(photos.getByRole('img')).toHaveCount(1);
    }
    await page.getByRole('radio', { name: n === 1 ? 'Fair' : 'Good', exact: true }).click();
    await page.getByRole('button', { name: 'Write it in the log' }).click();
    await page.waitForURL(/\/log$/);
    if (n === 1) {
      // what it missed, and the wish that leads nearer, a proposal on the Bench
      await page.goto(formula);
      const band = page.getByRole('region', { name: 'Target' });
      await expect(band).toContainText('47 % by the last making');
      await expect(band).toContainText('crumb tight, wanted open');
      await band.getByRole('link', { name: 'Taller' }).click();
      await expect(page.getByRole('button', { name: /^Take (it|this)|^Apply/ }).first()).toBeVisible();
    }
  }

  await page.goto(`${formula}/history`);
  const came = page.getByRole('region', { name: 'What came of it' });
  await expect(came).toContainText('47 %, 77 %, 100 %, the first making to the last: it comes nearer.');
  await expect(came.getByRole('listitem').first()).toContainText('100 % of its target');
  await expect(came.getByRole('button', { name: /look at it large/ })).toHaveCount(2);
  await axe(page);

  await page.goto('/log');
  const rows = page.getByRole('row').filter({ hasText: 'Mill cakes' });
  for (const n of [0, 1]) await rows.nth(n).getByRole('checkbox').check();
  await page.getByRole('button', { name: /^Compare the two/ }).click();
  await page.waitForURL(/compare/);
  const side = page.getByRole('region', { name: 'Photographs' });
  await expect(side.getByRole('img')).toHaveCount(2);
  // drawn, and not only named
  for (const img of await side.getByRole('img').all())
    await expect.poll(() => img.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBeGreaterThan(400);
  await axe(page);

  // looked at large, taken away, and back
  await page.goto(outcomes[2] ?? '');
  const photos = page.getByRole('region', { name: 'Photographs' });
  await photos.getByRole('button', { name: 'Face, photograph 1: look at it large' }).click();
  await expect(page.getByRole('dialog', { name: 'Face, photograph 1' }).getByRole('img')).toBeVisible();
  await page.keyboard.press('Escape');
  expected.push(/422/);
  await photos
    .locator('input[type=file]')
    .setInputFiles({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('250 g flour') });
  await expect(photos.getByRole('alert')).toContainText('notes.png: It is broken, or no photograph');
  await photos.getByRole('button', { name: 'Take photograph 1 away' }).click();
  await expect(photos.getByRole('img')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(photos.getByRole('img')).toHaveCount(1);
});
