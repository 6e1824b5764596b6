import { findingsOf } from '@/data/findings';
import { photosOf } from '@/data/photos/store';
import { piecesOf } from '@/data/pieces';
import { needRow } from '@/data/table';
import { Survey } from './Survey';

/** The survey of a restoration, with what was photographed and found so far. */
export async function SurveyView({ restorationId }: { restorationId: string }) {
  const [{ aim }, photos, pieces, findings] = await Promise.all([
    needRow('restorations', restorationId),
    photosOf(restorationId),
    piecesOf(restorationId),
    findingsOf(restorationId),
  ]);
  return (
    <Survey
      restorationId={restorationId}
      photos={photos.filter(({ stage }) => stage === 'intake')}
      pieces={pieces}
      findings={findings}
      aim={aim}
    />
  );
}
