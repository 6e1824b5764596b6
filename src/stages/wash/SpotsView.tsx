import { sinkOf } from './sink';
import { photosOf } from '@/data/photos/store';
import { SpotsPart } from './SpotsPart';
import { spotView } from './view';

/** The spots on their photographs, one ladder at a time. */
export async function SpotsView({ restorationId, spot }: { restorationId: string; spot: string | null }) {
  const [{ own, spots, units }, photos] = await Promise.all([sinkOf(restorationId), photosOf(restorationId)]);
  const pinned = new Set(spots.flatMap(({ finding }) => finding.photoId ?? []));
  return (
    <SpotsPart
      restorationId={restorationId}
      spots={spots.map((of) => ({ ...spotView(of, own, units), photoId: of.finding.photoId, pin: of.finding.pin }))}
      photos={photos
        .filter(({ id }) => pinned.has(id))
        .map(({ id, width, height, originalName }) => ({ id, width, height, originalName }))}
      first={spot}
    />
  );
}
