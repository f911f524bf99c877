import { coordinatesOf, drag, expect, joinClass, openFirstSheet, signIn, test } from '../bogen.js';
import { violations } from '../violations.js';

const shot = process.env['SHOTS'];

test('a term in a text is asked: one sentence, and a small figure to move; instructors add their own', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await page.getByRole('button', { name: 'What to do with the course Lines of a viol' }).click();
  await page.getByRole('button', { name: 'Glossary' }).click();
  await expect(page.getByRole('heading', { name: 'Glossary' })).toBeVisible();
  await page.getByRole('button', { name: 'Add a term' }).click();
  await page.getByLabel('Term', { exact: true }).fill('waist');
  await page.getByLabel('One sentence').fill('The narrow part between the bouts.');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  const own = page.locator('[data-own-terms]');
  await expect(own).toContainText('The narrow part');
  expect(await violations(page)).toEqual([]);
  if (shot) await page.screenshot({ path: '/tmp/glossary.png' });

  const { page: student } = await joinClass(await newContext());
  await openFirstSheet(student);
  const term = student.locator('[data-term]');
  await expect(term.first()).toBeVisible();
  await test.step('by keyboard too', async () => {
    await student.locator('[data-term="controlPoint"]').focus();
    await student.keyboard.press('Enter');
    const card = student.locator('[data-term-card]');
    await expect(card).toContainText('One of the points that shape a curve');
    const [x] = await coordinatesOf(student, 'curve/P2');
    await drag(student, 'curve/P2', { x: 15, y: 20 });
    expect((await coordinatesOf(student, 'curve/P2'))[0]).not.toBe(x);
    expect(await violations(student)).toEqual([]);
    if (shot) await student.screenshot({ path: '/tmp/term.png' });
    await student.keyboard.press('Escape');
    await expect(card).toHaveCount(0);
  });
  await student
    .locator('[data-term]')
    .filter({ hasText: /^waist$/i })
    .first()
    .click();
  await expect(student.locator('[data-term-card]')).toContainText('The narrow part between the bouts.');

  // The other tests of this server find the glossary as it was.
  await page.getByRole('button', { name: 'Take waist away' }).click();
  await expect(own).not.toContainText('The narrow part');
});
