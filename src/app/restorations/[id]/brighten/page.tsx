import { needsEntered } from '@/edge/entered';
import { clock } from '@/edge/clock';
import { BrightenStage } from '@/stages/brighten/BrightenStage';
import { sky } from '../../../sky';
import { StageScreen } from '../StageScreen';

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ piece?: string; way?: string; by?: string }>;
}

export default async function BrightenPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  const { piece, way, by } = await searchParams;
  return (
    <StageScreen
      restorationId={id}
      stage="brighten"
      tool={<BrightenStage restorationId={id} pieceId={piece ?? null} way={way ?? null} by={by ?? null} sky={sky} now={clock()} />}
    />
  );
}
