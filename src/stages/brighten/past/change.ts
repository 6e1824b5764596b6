import type { MeasureSpec } from '@/core/picture/spec';
import { Refusal } from '@/core/refusal';
import { measurementsOfPiece } from '@/data/measurements';
import { findPiece } from '@/data/pieces';

interface Taken {
  photoId: string;
  spec: MeasureSpec;
  at: string;
}

/** Two pictures of a face, to be laid over each other. */
export interface ChangeInput {
  first: Taken;
  later: Taken;
  /** b* of the hidden patch; `null` where it is not known. */
  targetB: number | null;
}

/**
 * The first and the newest picture of a face.
 *
 * @throws Refusal with fewer than two
 */
export async function changeInput(pieceId: string): Promise<ChangeInput> {
  const taken = (await measurementsOfPiece(pieceId)).filter(({ basis }) => basis === 'card');
  const [first, later] = [taken[0], taken[taken.length - 1]];
  if (!first || !later || first === later)
    throw new Refusal(
      'pieceId',
      'Two measurements with a card are needed. Measure the piece, expose it, and measure the same face again.',
    );
  const of = ({ photoId, spec, measuredAt }: typeof first): Taken => ({ photoId, spec, at: measuredAt });
  return { first: of(first), later: of(later), targetB: (await findPiece(pieceId))?.hiddenLab?.[2] ?? null };
}
