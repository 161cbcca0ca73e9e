import {
  closeVerdict,
  expect,
  expectAccessible,
  isPhone,
  newCoupon,
  newCouponByHand,
  openVerdict,
  test,
} from './harness';

test('what a job suggests is asked, and a yes holds the figures back until it is made safe', async ({ page }) => {
  // The title says that it is a tank; nothing of it is answered in the form.
  await newCouponByHand(page, 'Old tank', { thickness: '3', workpiece: null, harmless: false });
  const start = page.getByRole('region', { name: 'Start with' });
  await expect(start.getByText('The figures wait until this is answered.')).toBeVisible();
  await expect(start.getByText(/\d V$/)).toHaveCount(0);
  if (isPhone(page)) await expect(page.getByText('First: answer what this job asks')).toBeVisible();
  await expectAccessible(page);
  const answerTo = (question: RegExp, said: string) =>
    start.getByRole('radiogroup', { name: question }).getByRole('radio', { name: said }).click();
  await answerTo(/ever held something/, 'Closed, or once held something');
  await answerTo(/degreaser/, 'Cleaned with neither');
  await answerTo(/get inside/, 'Done from outside, way out wide');
  await answerTo(/anyone be hurt/, 'Nobody could be hurt');
  await expect(start.getByText('The figures wait until what the stop asks for is done.')).toBeVisible();
  await expect(start.getByText(/\d V$/)).toHaveCount(0);
  if (isPhone(page)) await expect(page.getByText('Stop: do first what it asks for')).toBeVisible();
  await expectAccessible(page);
  await start.getByRole('button', { name: /^Done: Cleaned, vented/ }).click();
  await expect(start.getByText(/^\d+(\.\d)? V$/)).toBeVisible();
  // It is kept with the job.
  await page.reload();
  await expect(start.getByText(/^\d+(\.\d)? V$/)).toBeVisible();
});

test('what was sound on a like job of this rig is offered before what is computed', async ({ page }, { project }) => {
  const thickness = project.name === 'phone' ? '7' : '9.5';
  await newCoupon(page, 'Proving plate', { thickness, position: 'horizontal' });
  await openVerdict(page);
  await page.getByRole('region', { name: 'Start with' }).getByRole('button', { name: 'Use these figures' }).click();
  await closeVerdict(page);
  const volts = await page.getByRole('button', { name: /^Volts, \d/ }).getAttribute('aria-label');
  await page.getByRole('button', { name: 'Log bead 1' }).click();
  await page
    .getByRole('group', { name: /^Bead 1 is logged/ })
    .getByRole('button', { name: 'sound' })
    .click();
  await expect(page.getByRole('link', { name: /^Bead 1, sound/ })).toBeVisible();
  await newCoupon(page, 'Like plate', { thickness, position: 'horizontal' });
  const start = page.getByRole('region', { name: 'Start with' });
  await expect(start.getByText(/^Proven on this rig: Proving plate, bead 1, /)).toBeVisible();
  await start.getByRole('button', { name: 'Use the proven figures' }).click();
  await expect(page.getByRole('button', { name: volts!, exact: true })).toBeVisible();
  // The hand stays in sight until the bead is run.
  await openVerdict(page);
  await expect(page.getByRole('region', { name: 'How to run it' })).toBeVisible();
});

test('the joint is chosen by its picture, and the analysis of a steel asks for its preheat', async ({ page }) => {
  await newCoupon(page, 'Hard shaft', { thickness: '30' });
  await page.getByRole('link', { name: /^Job: Hard shaft/ }).click();
  await page.getByRole('radiogroup', { name: 'Joint' }).getByRole('radio', { name: 'outside corner' }).click();
  const steel = page.getByRole('group', { name: 'Steel', exact: true });
  await expect(steel.getByText(/taken for plain structural steel, 0.40 %. Preheat 20 °C/)).toBeVisible();
  await steel.getByRole('checkbox', { name: 'From its analysis' }).click();
  await steel.getByRole('textbox', { name: 'Carbon, %', exact: true }).fill('0,30');
  await steel.getByRole('textbox', { name: 'Manganese, %' }).fill('0.9');
  await expect(steel.getByRole('textbox', { name: 'Carbon equivalent, %' })).toHaveValue('0.45');
  await expect(steel.getByText('Preheat 75 °C')).toBeVisible();
  // What cannot be a share is said beside its field, and moves nothing.
  await steel.getByRole('textbox', { name: 'Chromium, %' }).fill('400');
  await expect(steel.getByText('Takes 0 to 30 %.')).toBeVisible();
  await expect(steel.getByRole('textbox', { name: 'Carbon equivalent, %' })).toHaveValue('0.45');
  await steel.getByRole('textbox', { name: 'Chromium, %' }).fill('1');
  await expect(steel.getByRole('textbox', { name: 'Carbon equivalent, %' })).toHaveValue('0.65');
  await expect(steel.getByText('So hard a steel is welded only by a procedure tried on it.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await openVerdict(page);
  await expect(page.getByText(/only by a procedure/i).first()).toBeVisible();
  // Aluminium is not asked.
  await closeVerdict(page);
  await page.getByRole('link', { name: /^Job: Hard shaft/ }).click();
  await page.getByRole('radio', { name: 'aluminium', exact: true }).click();
  await expect(page.getByRole('group', { name: 'Steel', exact: true })).toHaveCount(0);
});
