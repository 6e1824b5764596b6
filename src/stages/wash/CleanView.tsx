import { measurementsOf } from '@/data/measurements';
import { piecesOf } from '@/data/pieces';
import { CleanPart } from './CleanPart';

/** How clean, measured before and after. */
export async function CleanView({ restorationId }: { restorationId: string }) {
  const [pieces, measurements] = await Promise.all([piecesOf(restorationId), measurementsOf(restorationId)]);
  return (
    <CleanPart
      restorationId={restorationId}
      pieces={pieces.map(({ id, tag, name }) => ({
        id,
        tag,
        name,
        measured: measurements.filter(({ pieceId, stage }) => pieceId === id && stage === 'wash').length,
      }))}
    />
  );
}
