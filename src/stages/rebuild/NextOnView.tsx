import { NothingOff } from './NothingOff';
import { wayOf } from './way';
import { listPeople } from '@/data/people';
import { photosOf } from '@/data/photos/store';
import { teardownOf } from '@/data/teardown';
import { NextOn } from './NextOn';

/** The next thing on. */
export async function NextOnView({ restorationId }: { restorationId: string }) {
  const [teardown, photos, people] = await Promise.all([
    teardownOf(restorationId),
    photosOf(restorationId),
    listPeople(),
  ]);
  if (teardown.steps.length === 0) return <NothingOff restorationId={restorationId} />;
  const sizes = Object.fromEntries(photos.map(({ id, width, height }) => [id, { width, height }]));
  return (
    <NextOn
      restorationId={restorationId}
      {...teardown}
      way={wayOf(teardown)}
      sizes={sizes}
      people={people.map(({ name }) => name)}
    />
  );
}
