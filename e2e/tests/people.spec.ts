import { expect, signIn, test } from '../bogen.js';
import { violations } from '../violations.js';

test('an administrator invites, the invited makes an account, and the log tells', async ({ newContext }) => {
  const page = await signIn(await newContext());
  await page.getByRole('link', { name: 'People' }).click();
  const email = `orla.${Date.now()}@ellerbrook.example`;
  let address = '';

  await test.step('the link', async () => {
    await page.getByRole('button', { name: 'Invite' }).click();
    await page.getByLabel('Email address').fill('nonsense');
    await page.getByRole('button', { name: 'Make the link' }).click();
    await expect(page.getByRole('alert')).toContainText('not an email address');
    await page.getByLabel('Email address').fill(email);
    await page.getByRole('button', { name: 'Make the link' }).click();
    address = await page.locator('[data-link]').innerText();
    expect(await violations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Done' }).click();
    await expect(page.locator('[data-invitations]')).toContainText(email);
  });

  const orla = await (await newContext()).newPage();
  await test.step('the account', async () => {
    await orla.goto(address);
    await expect(orla.getByText(email)).toBeVisible();
    await orla.getByLabel('Your name').fill('Orla Finch');
    await orla.getByLabel(/Password/).fill('password123');
    await orla.getByRole('button', { name: 'Make the account' }).click();
    await expect(orla.getByRole('alert')).toContainText('tried first');
    await orla.getByLabel(/Password/).fill('spruce under the bridge');
    await orla.getByRole('button', { name: 'Make the account' }).click();
    await expect(orla.getByRole('heading', { name: 'Shelf' })).toBeVisible();
    await expect(orla.getByRole('link', { name: 'People' })).toHaveCount(0);
    const again = await (await newContext()).newPage();
    await again.goto(address);
    await expect(again.getByRole('alert')).toContainText('no longer works');
  });

  await test.step('name, password and sessions', async () => {
    await orla.getByRole('link', { name: 'Orla Finch' }).click();
    await orla.getByLabel('Name', { exact: true }).fill('Orla Finch-Adair');
    await orla.getByRole('button', { name: 'Save' }).click();
    await expect(orla.getByRole('link', { name: 'Orla Finch-Adair' })).toBeVisible();
    await orla.getByLabel('Present password').fill('wrong');
    await orla.getByLabel('New password').fill('maple under the fingers');
    await orla.getByRole('button', { name: 'Set the password' }).click();
    await expect(orla.getByRole('alert')).toContainText('not your present password');
    await orla.getByLabel('Present password').fill('spruce under the bridge');
    await orla.getByRole('button', { name: 'Set the password' }).click();
    await expect(orla.getByText('The password is set.')).toBeVisible();
    await expect(orla.locator('[data-sessions] li')).toHaveCount(1);
    expect(await violations(orla)).toEqual([]);
  });

  await test.step('a forgotten password', async () => {
    await page.reload();
    await page.getByRole('button', { name: 'What to do with Orla Finch-Adair' }).click();
    await page.getByRole('button', { name: 'Link for a new password' }).click();
    const reset = await page.locator('[data-link]').innerText();
    await page.getByRole('button', { name: 'Done' }).click();
    const other = await (await newContext()).newPage();
    await other.goto(reset);
    await other.getByLabel(/Password/).fill('willow inside the corners');
    await other.getByRole('button', { name: 'Set the password' }).click();
    await expect(other.getByRole('heading', { name: 'Shelf' })).toBeVisible();
    // Who was signed in before is out.
    await orla.reload();
    await expect(orla.getByRole('heading', { name: 'Instructors' })).toBeVisible();
  });

  await test.step('teaching along, and handing over', async () => {
    await page.goto('/shelf');
    await page.getByRole('button', { name: 'What to do with the course Lines of a viol' }).click();
    await page.getByRole('button', { name: 'Who teaches it' }).click();
    await page.getByLabel('Address of an instructor').fill(email);
    await page.getByRole('button', { name: 'Let teach along' }).click();
    await expect(page.locator('[data-teachers]')).toContainText('Orla Finch-Adair');
    const helper = await (await newContext()).newPage();
    await helper.goto('/sign-in');
    await helper.getByLabel('Email address').fill(email);
    await helper.getByLabel('Password').fill('willow inside the corners');
    await helper.getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(helper.getByText('of Mirela Kastan')).toBeVisible();
    await helper.getByRole('link', { name: 'Class desk' }).first().click();
    await expect(helper.getByRole('rowheader', { name: 'Anouk Tessel' })).toBeVisible();
    await expect(helper.getByRole('button', { name: 'The class' })).toHaveCount(0);
    await page.getByRole('button', { name: /No longer/ }).click();
    await expect(page.locator('[data-teachers]')).not.toContainText('Orla Finch-Adair');
  });

  await test.step('the log, and erasing', async () => {
    await page.goto('/people');
    await page.getByRole('button', { name: 'What to do with Orla Finch-Adair' }).click();
    await page.getByRole('button', { name: 'Erase', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Erase for good' })).toBeDisabled();
    await page.getByLabel(/Write “Orla/).fill('Orla Finch-Adair');
    await page.getByRole('button', { name: 'Erase for good' }).click();
    await expect(page.getByText('Orla Finch-Adair is erased.')).toBeVisible();
    await page.getByRole('link', { name: 'Log' }).click();
    await expect(page.locator('[data-audit]')).toContainText('erased an instructor');
    await expect(page.locator('[data-audit]')).not.toContainText('Orla');
    expect(await violations(page)).toEqual([]);
  });
});

test('a class is filled from a list, run, closed and deleted, and its students notice', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await page.getByRole('button', { name: 'New class' }).click();
  const name = `Evening bench ${Date.now()}`;
  await page.getByLabel('Name of the class').fill(name);
  await page.getByRole('button', { name: 'Create' }).click();
  await page
    .getByRole('listitem')
    .filter({ hasText: name })
    .getByRole('link', { name: 'Class desk' })
    .click();
  await expect(page.getByRole('heading', { name })).toBeVisible();
  let code = '';
  let key = '';

  await test.step('a list', async () => {
    await page.getByRole('button', { name: 'Add students' }).click();
    await page
      .getByLabel('Names', { exact: true })
      .fill('Surname,First name\nFerrier,Maud\nAlder,Nico\nTeague,Oona');
    await expect(page.getByLabel('Names from')).toHaveValue('1,0');
    await page.getByRole('button', { name: 'Add 3 students' }).click();
    const slip = page.locator('[data-keys] li').filter({ hasText: 'Maud Ferrier' });
    await expect(slip).toBeVisible();
    [code, key] = (await slip.locator('.font-mono').allInnerTexts()) as [string, string];
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
    await expect(slip).toBeVisible();
    await page.emulateMedia({ media: 'screen' });
    await page.getByRole('button', { name: 'Back to the desk' }).click();
    await expect(page.getByText('has not come yet')).toHaveCount(3);
  });

  const maud = await (await newContext()).newPage();
  await test.step('one comes with the key', async () => {
    await maud.goto('/join');
    await maud.getByRole('button', { name: 'I have a return key' }).click();
    await maud.getByLabel('Class code').fill(code);
    await maud.getByLabel('Return key').fill(key.toLowerCase());
    await maud.getByRole('button', { name: 'Come back' }).click();
    await expect(maud.getByRole('heading', { name: 'Lessons' })).toBeVisible();
    await page.reload();
    await expect(page.getByText('has not come yet')).toHaveCount(2);
  });

  await test.step('students are renamed, removed, brought back and merged', async () => {
    const menu = async (student: string, row: string) => {
      await page.getByRole('button', { name: `What to do with ${student}`, exact: true }).click();
      await page.locator('[data-menu]').getByRole('button', { name: row }).click();
    };
    await menu('Nico Alder', 'Give another name');
    await page.getByLabel('Name in the class').fill('MAUD  FERRIER');
    await page.getByRole('button', { name: 'Set the name' }).click();
    await expect(page.getByRole('alert')).toContainText('looks the same');
    await page.getByLabel('Name in the class').fill('Nicolas Alder');
    await page.getByRole('button', { name: 'Set the name' }).click();
    await expect(page.getByRole('rowheader', { name: 'Nicolas Alder' })).toBeVisible();
    await menu('Nicolas Alder', 'Remove');
    await expect(page.getByRole('rowheader', { name: 'Nicolas Alder' })).toHaveCount(0);
    await page.getByRole('button', { name: 'Bring back: Nicolas Alder' }).click();
    await expect(page.getByRole('rowheader', { name: 'Nicolas Alder' })).toBeVisible();
    await menu('Maud Ferrier', 'Is the same person as …');
    await page.getByLabel('The other one, who goes').selectOption({ label: 'Oona Teague' });
    await page.getByRole('button', { name: 'Make one' }).click();
    await expect(page.getByText('Oona Teague is part of Maud Ferrier now.')).toBeVisible();
    await expect(page.getByRole('rowheader', { name: 'Oona Teague' })).toHaveCount(0);
    await page.getByPlaceholder('Find a student').fill('maud');
    await expect(page.getByRole('rowheader', { name: 'Nicolas Alder' })).toHaveCount(0);
    await page.getByPlaceholder('Find a student').fill('');
    expect(await violations(page)).toEqual([]);
  });

  const ofClass = async (row: string) => {
    await page.getByRole('button', { name: 'The class' }).click();
    await page.locator('[data-menu]').getByRole('button', { name: row, exact: true }).click();
  };
  await test.step('closed', async () => {
    await ofClass('How long work is kept');
    await page.getByLabel(/Days after closing/).fill('-3');
    await page.getByRole('button', { name: 'Set it' }).click();
    await expect(page.getByRole('alert')).toContainText('1 to 3650');
    await page.getByLabel(/Days after closing/).fill('60');
    await page.getByRole('button', { name: 'Set it' }).click();
    await ofClass('Close it');
    await expect(page.locator('[data-closed]')).toContainText('are removed on');
    await maud.reload();
    await expect(maud.locator('[data-closed]')).toContainText('Your class is closed');
    await ofClass('Open it again');
    await expect(page.locator('[data-closed]')).toHaveCount(0);
  });

  await test.step('deleted, and back', async () => {
    await ofClass('Delete');
    await page.getByRole('button', { name: 'Delete', exact: true }).click();
    await expect(page.locator('[data-deleted]')).toContainText(name);
    await maud.reload();
    await expect(maud.getByRole('heading', { name: 'Students' })).toBeVisible();
    await page.getByRole('button', { name: `Bring back: ${name}` }).click();
    await expect(page.getByRole('status').filter({ hasText: `${name} is back.` })).toBeVisible();
    await maud.goto('/class');
    await expect(maud.getByRole('heading', { name: 'Lessons' })).toBeVisible();
  });
});
