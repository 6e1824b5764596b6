import { cp } from 'node:fs/promises';
import path from 'node:path';
import { dataFolder } from '@/data/folder';
import { freshFolder } from '@/work/trial';
import { loadWorkshop } from './workshop';

/**
 * The demo workshop at midsummer in a folder of its own: a copy of the one that `npm test` has loaded for the browser too;
 * by itself it is loaded now, which takes minutes.
 */
export async function demoForTests(): Promise<void> {
  await freshFolder();
  const loaded = process.env.KVELL_DEMO_LOADED;
  if (loaded) await cp(path.resolve(loaded), dataFolder(), { recursive: true });
  else await loadWorkshop(new Date('2026-06-21T13:40:00Z'), () => {});
}
