import { demoClass, instructor } from '@bogen/demo';
import { expect, joinByDoor, test } from '../bogen.js';

test('a student joins with the class code and a name, and comes back elsewhere with the return key', async ({
  newContext,
}) => {
  const { returnKey } = await joinByDoor(await newContext(), 'Sunniva Hale');

  const elsewhere = await (await newContext()).newPage();
  await elsewhere.goto('/join');
  await elsewhere.getByRole('button', { name: 'I have a return key' }).click();
  await elsewhere.getByLabel('Class code').fill(demoClass.code);
  await elsewhere.getByLabel('Return key').fill(returnKey);
  await elsewhere.getByRole('button', { name: 'Come back' }).click();
  await expect(elsewhere.getByRole('heading', { name: 'Lessons' })).toBeVisible();
  await expect(elsewhere.getByText('Sunniva Hale')).toBeVisible();
});

test('an instructor signs in with an address and a password', async ({ newContext }) => {
  const page = await (await newContext()).newPage();
  await page.goto('/shelf');
  await page.getByLabel('Address').fill(instructor.email);
  await page.getByLabel('Password').fill(instructor.password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
});
