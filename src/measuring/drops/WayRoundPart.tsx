import { Text } from '@chakra-ui/react';
import type { TestDrop } from '@/core/finish/testDrops';
import { wayRound, type WayRound } from '@/core/finish/wayRound';
import { sparedFromPeroxide } from '@/core/materials/surfaces';
import { surfacesOfPiece } from '@/core/materials/pieceSurfaces';
import { HIDDEN_REGION, latestOf, PIECE_REGION } from '@/data/measurements';
import type { Piece } from '@/data/rows';

interface Props {
  drops: readonly TestDrop[];
  /** How near the paints come to the piece as it is, ΔE00. */
  now: number;
  piece: Piece | null;
}

/** Whether the paint goes to the piece, or the piece is brightened first. */
export async function WayRoundPart({ drops, now, piece }: Props) {
  if (!piece) return null;
  const measured = (await latestOf([piece.id])).get(piece.id)?.result.regions ?? [];
  const labOf = (region: string) => measured.find(({ id }) => id === region)?.lab ?? null;
  const lab = labOf(PIECE_REGION);
  const spared = sparedFromPeroxide(surfacesOfPiece(piece)).length > 0;
  if (!lab && !spared) return null;
  return (
    <Text my="2">
      {roundWords(wayRound(drops, { lab: lab ?? [0, 0, 0], hidden: labOf(HIDDEN_REGION), spared }, now))}
    </Text>
  );
}

function roundWords(round: WayRound): string {
  switch (round.kind) {
    case 'as it is':
      if (round.yellowerB <= 0) return 'It is no yellower than its hidden patch: the paint goes to the piece.';
      return `It is ${round.yellowerB.toFixed(1)} b* yellower than its hidden patch: too little to brighten it first.`;
    case 'brighten first':
      return `The better way round: brighten the rest first, which is ${round.yellowerB.toFixed(1)} b* yellower than its hidden patch, and mix for the colour of that. These paints come within ΔE00 ${round.deltaE00.toFixed(1)} of it. A paint matched to the yellow shows as soon as somebody brightens the piece.`;
    case 'paints do not reach it':
      return `It is ${round.yellowerB.toFixed(1)} b* yellower than its hidden patch, and these paints come no nearer to that than ΔE00 ${round.deltaE00.toFixed(1)}: match it as it is, or get another paint before it is brightened.`;
    case 'spared':
      return 'Its surface is not brightened: the paint goes to the piece.';
    case 'not known':
      return 'No hidden patch of it was measured: whether to brighten it first is not known.';
  }
}
