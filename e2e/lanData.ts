import { tick } from '@/work/trial';
import { setDoor, setPassphrase } from '@/data/door';
import { openRestoration } from '../src/work/restorations';
import { takeOff } from '../src/work/teardown';
import { addPerson } from '../src/work/workshop';
import { PASSPHRASE } from './passphrase';

// A workshop of two with one machine half apart, behind a passphrase.
await setPassphrase(PASSPHRASE, null, tick());
await setDoor(true, tick());
for (const name of ['Lindra', 'Osk']) await addPerson(name, tick());
const { id } = await openRestoration(
  { title: 'Machine at the sink', machine: '', source: '', pricePaidMinor: 0, condition: '' },
  tick(),
);
await takeOff({ restorationId: id, name: 'Lid', joint: 'clips', way: '', springs: '' }, tick());
