import { NewBoard } from './NewBoard';
import { keyPhotos } from './view';

/** How a keyboard begins: the same on every view of a machine that has none. */
export async function Start({ restorationId }: { restorationId: string }) {
  const { photos } = await keyPhotos(restorationId, undefined);
  return <NewBoard restorationId={restorationId} photos={photos} first />;
}
