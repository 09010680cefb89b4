/**
 * Judging: what was seen, what likely caused it by this batch's own numbers, and the change as a proposal on the Bench.
 */
import { axe, expect, newFormula, start, test } from './kitchen';

test('gummy and tough: ranked with this batch’s numbers, and a change to look at on the Bench', async ({ page }) => {
  await page.goto('/');
  await page
    .getByRole('region', { name: 'Formulas' })
    .getByRole('link', { name: 'Regatta griddle cakes', exact: true })
    .click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  await page.getByLabel('Portion', { exact: true }).fill('118');
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
  await page.getByRole('link', { name: 'Outcome', exact: true }).click();
  const causes = page.getByRole('region', { name: 'Likely causes' });
  await expect(causes).toHaveCount(0);
  await page.getByRole('button', { name: 'Tender, tough, gummy: in words …' }).click();
  await page.getByRole('button', { name: 'gummy middle', exact: true }).click();
  await expect(causes.getByRole('listitem').first()).toContainText('Portion too large');
  await expect(causes.getByRole('listitem').first()).toContainText('here: portions of 118 ml, usually 60 ml');
  // one mark and a portion twice the usual: nothing else stands out
  await expect(page.getByText('Nothing stands out as the reason.')).toContainText(
    'A step for colour and crumb and spread would tell more.',
  );
  // grey-green and harsh: the soda, how much of it, and what would show it, as the change for next time
  await page.getByRole('button', { name: 'grey-green crumb', exact: true }).click();
  await page.getByRole('button', { name: /^Face, edge/ }).click();
  await page.getByRole('button', { name: /harsh$/ }).click();
  const happened = page.getByRole('region', { name: /^What most likely happened: about \d in 10$/ });
  await expect(happened).toContainText(/Too much baking soda went in: \d+ to \d+ g instead of \d+ g/);
  await happened.getByRole('button', { name: /^Next time: Weigh the baking soda twice/ }).click();
  await expect(page.getByLabel('One change for next time')).toHaveValue(/^Weigh the baking soda twice next time/);
  await page.getByRole('button', { name: /harsh$/ }).click();
  await page.getByRole('button', { name: 'grey-green crumb', exact: true }).click();
  await expect(happened).toHaveCount(0);
  // what is written of the times speaks too
  await page.getByLabel(/^First side/).fill('1:15');
  await expect(causes.getByText('here: first side 1:15, usually about 2:20')).toBeVisible();
  await page.getByRole('button', { name: 'tough', exact: true }).click();
  await axe(page);
  await page.getByRole('link', { name: 'Try it on the Bench' }).first().click();
  await page.waitForURL(/towards=tender/);
  const proposal = page.getByRole('region', { name: 'Proposal' });
  await expect(proposal).toContainText('More tender');
  await proposal.getByRole('button', { name: /^Take/ }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 3')).toBeVisible();
});

test('an outcome’s change is offered at the next making, tried, judged, and told in the history', async ({ page }) => {
  const make = async (): Promise<void> => {
    await page.getByRole('button', { name: 'Scale and make' }).click();
    await page.waitForURL(/plan/);
    await page.getByRole('switch', { name: 'take it from stock' }).click();
    await page.getByRole('button', { name: 'Start this batch' }).click();
    await page.waitForURL(/prep/);
  };
  const outcome = async (verdict: string, change: string): Promise<void> => {
    await page.getByRole('link', { name: 'Outcome', exact: true }).click();
    await page.getByRole('radio', { name: verdict, exact: true }).click();
    await page.getByLabel('One change for next time').fill(change);
    await page.getByRole('button', { name: 'Write it in the log' }).click();
    await expect(page.getByText('Written in the log')).toBeVisible();
  };
  const open = async (): Promise<void> => {
    await page.goto('/');
    await page
      .getByRole('region', { name: 'Formulas' })
      .getByRole('link', { name: 'Lock-side crepes', exact: true })
      .click();
    await page.waitForURL(/formulas/);
  };
  await open();
  await make();
  await outcome('Fair', 'Less liquid.');
  await open();
  const next = page.getByRole('region', { name: 'Next time' });
  await expect(next).toContainText('Next time: Less liquid.');
  // put off by mistake, and taken back
  await next.getByRole('button', { name: 'Not now' }).click();
  await expect(next).toHaveCount(0);
  await page.locator('[data-sonner-toast]').getByRole('button', { name: 'Undo' }).click();
  await next.getByRole('button', { name: 'Try it' }).click();
  // what it would do to the numbers, as a proposal
  await page.waitForURL(/towards=thicker/);
  await expect(page.getByRole('region', { name: 'Proposal' })).toBeVisible();
  await page.getByRole('region', { name: 'Proposal' }).getByRole('button', { name: /^Take/ }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/Saved as version/)).toBeVisible();
  await expect(next).toContainText('The next batch tries: Less liquid.');
  await axe(page);
  await make();
  await expect(page.getByText('This batch tries: Less liquid.')).toBeVisible();
  await outcome('Good', '');
  await open();
  await expect(next).toHaveCount(0);
  await page.getByRole('link', { name: 'Versions and comparing' }).click();
  const history = page.getByRole('region', { name: 'What came of it' });
  await expect(history.getByRole('listitem').first()).toContainText('Tried: Less liquid. It came out better');
  await expect(history.getByRole('listitem').nth(1)).toContainText('Next time: Less liquid. (being tried)');
  await axe(page);
});

test('a flat batch is traced to what looks alike, and parted by the test that was made', async ({ page }) => {
  await newFormula(
    page,
    'Quay cakes\n250 g flour\n12 g baking powder\n3 g salt\n320 g milk\n2 eggs\n25 g sugar\n30 g butter, melted',
  );
  const batch = await start(page);
  await page.goto(`${batch}/outcome`);
  const tap = (scale: string, word: string) =>
    page.getByRole('group', { name: scale }).getByRole('button', { name: word, exact: true }).click();
  await page.getByRole('radio', { name: 'Poor', exact: true }).click();
  await tap('colour', 'golden');
  await tap('crumb', 'dense');
  await page.getByRole('button', { name: /^Face, edge/ }).click();
  await tap('spread', 'as wanted');
  const tests = page.getByRole('list', { name: 'What a test would tell' });
  await expect(page.getByText(/It may be: .*the powder was an old tin/i)).toContainText(/too little baking powder/i);
  await expect(tests).toContainText('A spoon of the powder in hot water has to foam at once.');
  // the test is made: the tin is out, and what is left stands out
  await tests.getByRole('radio', { name: 'It foamed at once' }).click();
  const happened = page.getByRole('region', { name: /What most likely happened/ });
  const tin = page.getByText('The powder was an old tin');
  await expect(tin).toHaveCount(0);
  await axe(page);
  await page.getByRole('button', { name: 'Write it in the log' }).click();
  await page.waitForURL(/log/);
  // what the test showed is kept with the batch, and can be taken the other way
  await page.goto(`${batch}/outcome`);
  await expect(page.getByRole('radio', { name: 'It foamed at once' })).toBeChecked();
  await page.getByRole('radio', { name: 'It hardly foamed' }).click();
  await expect(happened.getByRole('listitem').first()).toContainText('The powder was an old tin');
});
