import { setDoor, setPassphrase, signEveryoneOut } from '@/data/door';
import { inTrialWorkshop, tick } from '@/work/trial';
import { feedIsOpen, feedToken } from './feed';

inTrialWorkshop();

it('opens the calendar by its own token, on a network that is let in, until every device is signed out', async () => {
  const token = await feedToken();
  // As long as nobody is let in, no token opens it.
  expect(await feedIsOpen(token)).toBe(false);
  await setPassphrase('three or four words', null, tick());
  await setDoor(true, tick());
  const now = await feedToken();
  expect(await feedIsOpen(now)).toBe(true);
  for (const wrong of [null, '', 'x', `${now}0`, now.replace(/./, (sign) => (sign === '0' ? '1' : '0'))])
    expect(await feedIsOpen(wrong)).toBe(false);
  await signEveryoneOut(tick());
  expect(await feedIsOpen(now)).toBe(false);
  expect(await feedIsOpen(await feedToken())).toBe(true);
});
