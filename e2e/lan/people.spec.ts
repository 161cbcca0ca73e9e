import type { CouponPage } from '../../core/record/shapes/record-schema';
import { expect, expectAccessible, newCoupon, tapFinding } from '../harness';
import { beSomebody, signIn, test } from './workshop';

test('a bead carries who ran it and who judged it, on both their phones', async ({ phone, server }) => {
  const [{ page: adas }, { page: bens }] = [await phone(), await phone()];
  await signIn(adas, 'Ada’s phone');
  await adas.getByRole('link', { name: 'Say who you are' }).click();
  await expectAccessible(adas);
  await beSomebody(adas, 'Ada of the Locks');
  await signIn(bens, 'Ben’s phone');
  await beSomebody(bens, 'Ben Quay');
  await newCoupon(adas, 'Shared plate');
  await tapFinding(adas, 'See', 'Ropey, humped');
  await adas.getByRole('button', { name: 'Log bead 1' }).click();
  const id = async (): Promise<string | undefined> =>
    (await server.get<CouponPage>('/coupons')).coupons.find(
      ({ title, beadCount }) => title === 'Shared plate' && beadCount === 1,
    )?.id;
  await expect.poll(id).toBeDefined();
  const address = `/coupon/${await id()}`;
  await bens.goto(address);
  const bead = bens.getByRole('article', { name: 'Bead 1' });
  await expect(bead.getByText(/, run by Ada of the Locks$/)).toBeVisible();
  await bead.getByRole('button', { name: 'Judge or note' }).click();
  await bead.getByRole('radio', { name: 'sound', exact: true }).click();
  await bead.getByRole('button', { name: 'Keep it' }).click();
  await expect(bead.getByText(/, judged by Ben Quay$/)).toBeVisible();
  await adas.goto(address);
  await expect(
    adas.getByRole('article', { name: 'Bead 1' }).getByText(/, run by Ada of the Locks, judged by Ben Quay$/),
  ).toBeVisible();
  await adas.getByRole('button', { name: 'What was changed' }).click();
  await expect(adas.getByRole('region', { name: 'What was changed' }).getByText(/, Ben Quay; before: /)).toBeVisible();
  // What they sign is signed with their name.
  await bens.goto('/rig');
  await expect(bens.getByRole('link', { name: 'Who are you?' })).toContainText('Ben Quay');
});

test('how somebody welds and what they learned follow them; a name with a pass phrase is theirs alone', async ({
  phone,
  keeper,
}) => {
  const [{ page: one }, { page: other }] = [await phone(), await phone()];
  await signIn(one, 'Phone');
  await beSomebody(one, 'Cleo');
  await one.goto('/rig/habits');
  const kept = one.waitForResponse(
    (response) => response.request().method() === 'PATCH' && response.url().endsWith('/following'),
  );
  await one.getByRole('radio', { name: 'in, in/min, cfh' }).click();
  await kept;
  await one.goto('/school/what-first');
  await one.goto('/people');
  await one.getByRole('button', { name: 'A pass phrase of your own' }).click();
  const own = one.getByRole('region', { name: 'A pass phrase of your own' });
  await own.getByRole('textbox').fill('abc');
  await expect(own.getByText('takes 4 letters or more')).toBeVisible();
  await own.getByRole('textbox').fill('her own word');
  await expectAccessible(one);
  await own.getByRole('button', { name: 'Set it' }).click();
  await expect(one.getByRole('radio', { name: 'Cleo' })).toContainText('has a pass phrase');

  await signIn(other, 'Tablet');
  await other.goto('/people');
  await other.getByRole('radio', { name: 'Cleo' }).click();
  const phrase = other.getByRole('textbox', { name: 'Pass phrase of Cleo' });
  await phrase.fill('a guess');
  await other.getByRole('button', { name: 'I am Cleo' }).click();
  await expect(other.getByText('That is not the pass phrase of Cleo.')).toBeVisible();
  await expectAccessible(other);
  await phrase.fill('her own word');
  await phrase.press('Enter');
  await expect(other.getByText('This device is Cleo’s now.')).toBeVisible();
  await other.goto('/rig/habits');
  await expect(other.getByRole('radio', { name: 'in, in/min, cfh' })).toBeChecked();
  // Another who takes the tablet over welds as before.
  await beSomebody(other, 'Dan');

  // The keeper makes her a keeper too: then she shuts devices out from her own phone.
  await one.goto('/devices');
  await expect(one.getByRole('article', { name: 'Tablet' })).toBeVisible();
  await expect(one.getByRole('button', { name: 'Shut out Tablet' })).toHaveCount(0);
  await keeper.goto('/people');
  const keeping = keeper.getByRole('article', { name: 'Keeping Cleo' });
  await keeping.getByRole('button', { name: 'Make a keeper' }).click();
  await expect(keeping.getByRole('button', { name: 'Keeper no more' })).toBeVisible();
  await expectAccessible(keeper);
  await one.reload();
  await expect(one.getByRole('button', { name: 'Shut out Tablet' })).toBeVisible();
});
