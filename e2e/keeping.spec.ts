import { readdir, rm } from 'node:fs/promises';
import path from 'node:path';
import { expect, test } from './day';
import { open } from './open';
import { testPhoto } from './photographs';

/** Where this project’s workshop lies. */
const DATA = '.test-desk';

test('a workshop is backed up, sealed, looked into and put back; what is gone from the disk comes back', async ({
  page,
}) => {
  test.slow();
  const name = 'Machine to be kept';
  const later = 'Machine that came later';
  const openOne = async (title: string) => {
    await open(page, '/restorations/new');
    await page.getByLabel('Name you will know it by').fill(title);
    await page.getByRole('button', { name: 'Open restoration' }).click();
    await page.waitForURL(/\/intake$/);
  };
  const listed = async (title: string) => {
    await open(page, `/restorations?words=${encodeURIComponent(title)}`);
    return page.getByRole('main').getByRole('link', { name: title });
  };

  await test.step('a machine with a photograph is opened, and all is backed up with one tap', async () => {
    await openOne(name);
    await page
      .locator('#survey')
      .getByLabel('Choose photographs')
      .first()
      .setInputFiles({ name: 'kept.jpg', mimeType: 'image/jpeg', buffer: (await testPhoto(41)).jpeg });
    await expect(page.getByAltText('kept.jpg, tap it to pin what you find')).toBeVisible();
    await open(page, '/workshop/backup');
    await page.getByRole('button', { name: 'Back up now' }).click();
    await expect(page.getByText('Backed up, and read back.')).toBeVisible();
    await expect(page.getByText(/everything that was written is in it/)).toBeVisible();
  });

  await test.step('a folder that cannot be written to is refused, and what was typed stays', async () => {
    await page.getByText('Where, how often, sealed').click();
    await page.getByRole('textbox', { name: 'Folder' }).fill('not/from/the/root');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText(/Give the whole path/)).toBeVisible();
    await expect(page.getByRole('textbox', { name: 'Folder' })).toHaveValue('not/from/the/root');
  });

  await test.step('put back, what came later is gone, and its own backup brings it again', async () => {
    await openOne(later);
    await open(page, '/workshop/backup');
    await page
      .getByRole('button', { name: /^Look into it: the backup of/ })
      .first()
      .click();
    await expect(page.getByText(`Not in it, and gone from here then: ${later}.`)).toBeVisible();
    await page.getByRole('button', { name: 'Put it back' }).click();
    await page.getByRole('alertdialog').getByRole('button', { name: 'Put it back' }).click();
    await expect(page.getByText(/^Put back\. What was here before/)).toBeVisible();
    await expect(await listed(later)).toHaveCount(0);
    await expect(await listed(name)).toHaveCount(1);
    await open(page, '/workshop/backup');
    await page
      .getByRole('button', { name: /^Look into it: the backup of/ })
      .first()
      .click();
    await expect(page.getByText('No restoration that is here is missing from it.')).toBeVisible();
    await page.getByRole('button', { name: 'Put it back' }).click();
    await page.getByRole('alertdialog').getByRole('button', { name: 'Put it back' }).click();
    await expect(page.getByText(/^Put back\. What was here before/)).toBeVisible();
    await expect(await listed(later)).toHaveCount(1);
  });

  await test.step('saved as a sealed file it asks for its passphrase, and says when it is another one', async () => {
    await open(page, '/workshop/backup');
    await page.getByText('Save it as a file').click();
    await page.getByLabel('Sealed with the passphrase').fill('four dry key caps');
    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the file' }).click();
    const file = await (await saved).path();
    const typed = page.getByLabel('Passphrase, where it is sealed');
    const look = () => page.getByLabel('A backup that was saved as a file').setInputFiles(file);
    await look();
    await expect(page.getByText('This backup is sealed. Type its passphrase.')).toBeVisible();
    await typed.fill('four wet key caps');
    await look();
    await expect(page.getByText(/This passphrase does not open it/)).toBeVisible();
    await typed.fill('four dry key caps');
    await look();
    await expect(page.getByText('No restoration that is here is missing from it.')).toBeVisible();
    await page.getByRole('button', { name: 'Leave it' }).click();
    await page
      .getByLabel('A backup that was saved as a file')
      .setInputFiles({ name: 'holiday.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip at all') });
    await expect(page.getByText(/not a ZIP file, or it broke off/)).toBeVisible();
  });

  await test.step('a photograph that is gone from the disk is named, and comes back from the backup', async () => {
    await page.getByRole('button', { name: 'Back up now' }).click();
    await expect(page.getByText('Backed up, and read back.')).toBeVisible();
    const photos = (await readdir(path.join(DATA, 'photos'), { recursive: true })).filter((file) =>
      file.endsWith('.jpg'),
    );
    await rm(path.join(DATA, 'photos', photos[0]!));
    await page.getByRole('button', { name: 'Look everything over' }).click();
    await expect(page.getByText(/is gone from the disk/)).toBeVisible();
    await page.getByRole('button', { name: 'Mend what can be mended' }).click();
    await expect(page.getByText(/Brought back from the backup/)).toBeVisible();
    await page.getByRole('button', { name: 'Look everything over' }).click();
    await expect(page.getByText(/nothing is missing, changed or left over/)).toBeVisible();
  });

  await test.step('what was learnt comes up at the same stage of the next machine, and is found by its words', async () => {
    await open(page, `${await (await listed(name)).getAttribute('href')}/brighten`);
    const board = page.getByRole('complementary', { name: 'Clipboard' });
    await board.getByRole('button', { name: /^Notes/ }).click();
    await board.getByText('Make it a rule for the next machine').click();
    await board.getByRole('button', { name: 'Keep the rule' }).click();
    await expect(board.getByText(/Write the rule/)).toBeVisible();
    await board.getByLabel('Rule', { exact: true }).fill('Smooth the film from the middle');
    await board.getByLabel('What came of it').selectOption('went wrong');
    await board.getByRole('button', { name: 'Keep the rule' }).click();
    await expect(page.getByText(/Kept. It comes up/)).toBeVisible();
    await open(page, `${await (await listed(later)).getAttribute('href')}/brighten`);
    const rule = page.getByRole('region', { name: 'From your own machines' });
    await expect(rule.getByText('Smooth the film from the middle')).toBeVisible();
    await rule.getByRole('button', { name: 'It held: Smooth the film from the middle' }).click();
    await expect(rule.getByText(/held on 1 of 1 machine since/)).toBeVisible();
    await page.keyboard.press('/');
    await page.getByLabel('Words to find').fill('smooth film');
    await page.getByRole('link', { name: /in everything that was written/ }).click();
    await expect(page.getByRole('main').getByText('Smooth the film from the middle').first()).toBeVisible();
    await page.getByLabel('Among').selectOption({ label: 'rule' });
    await page.waitForURL(/kind=lessons/);
    await page.getByRole('link', { name: /Smooth the film/ }).click();
    await page.waitForURL(/\/workshop\/learnt\?rule=/);
    const found = page.getByRole('region', { name: 'The rule that was found' });
    await found.getByRole('button', { name: 'Let it go: Smooth the film from the middle' }).click();
    await expect(found.getByRole('button', { name: /^Let it count again/ })).toBeVisible();
    await open(page, '/workshop/learnt');
    await page.getByText('Let go: 1').click();
    await page.getByRole('button', { name: 'Let it count again: Smooth the film from the middle' }).click();
    await expect(page.getByText('Let go: 1')).toBeHidden();
  });

  await test.step('a machine that is deleted is out of every list, and comes back at once or from its place', async () => {
    const address = (await (await listed(later)).getAttribute('href'))!;
    const deleteIt = async () => {
      await open(page, address);
      await page.getByText('Put it away or delete it').click();
      await page.getByRole('button', { name: 'Delete it' }).click();
      await page.waitForURL(/\/restorations$/);
      await expect(page.getByText(/^Deleted\. For 30 days/)).toBeVisible();
    };
    await deleteIt();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText('It is among the others again.')).toBeVisible();
    await expect(await listed(later)).toHaveCount(1);
    await deleteIt();
    await expect(await listed(later)).toHaveCount(0);
    await open(page, '/workshop/deleted');
    await expect(page.getByText(new RegExp(`^${later}, deleted .* goes for good on`))).toBeVisible();
    await page.getByRole('button', { name: 'Bring it back' }).click();
    await expect(page.getByText('It is back.')).toBeVisible();
    await expect(page.getByText(/Nothing was deleted or taken back/)).toBeVisible();
    await expect(await listed(later)).toHaveCount(1);
  });
});
