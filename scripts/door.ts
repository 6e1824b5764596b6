// Says as JSON whether the local network is let in; with `--open` it is asked to be.
import { doorState, setDoor } from '@/data/door';
import { Refusal } from '@/core/refusal';
import { clock } from '@/edge/clock';

const wanted = process.argv.includes('--open');
let refused: string | null = null;
if (wanted)
  await setDoor(true, clock()).catch((error: unknown) => {
    if (!(error instanceof Refusal)) throw error;
    refused = `${error.message} Open Kvell here, go to Workshop, and start it again afterwards.`;
  });
const { open, hasPassphrase } = await doorState();
process.stdout.write(JSON.stringify({ open: open && hasPassphrase, refused }));
