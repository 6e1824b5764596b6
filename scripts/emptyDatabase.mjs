// Where the unit tests of one run keep an empty database in its newest shape: to bring one there takes a second, a copy a moment.
import { mkdtemp, rm } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';

export default async function make() {
  process.env.KVELL_EMPTY_DATABASE = path.join(await mkdtemp(path.join(os.tmpdir(), 'kvell-empty-')), 'kvell.sqlite');
}

export const remove = () => rm(path.dirname(process.env.KVELL_EMPTY_DATABASE), { recursive: true, force: true });
