import type { Stage } from '@/core/runsheet/stages';
import type { Photo } from '../rows';
import { photosOf } from './store';

type ToMark = Pick<Photo, 'id' | 'originalName' | 'stage' | 'width' | 'height'>;

/** The photographs of a machine, those of a stage first, and the one that is asked for. */
export async function photosToMark(
  restorationId: string,
  first: Stage,
  asked: string | undefined,
): Promise<{ photos: ToMark[]; photo: ToMark | null }> {
  const photos = (await photosOf(restorationId))
    .map(({ id, originalName, stage, width, height }) => ({ id, originalName, stage, width, height }))
    .sort((a, b) => Number(b.stage === first) - Number(a.stage === first));
  return { photos, photo: photos.find(({ id }) => id === asked) ?? null };
}
