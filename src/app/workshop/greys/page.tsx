import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { sheetCalibrations } from '@/data/greySheets';
import { lastCardColour } from '@/data/measurements';
import { getWorkshop } from '@/data/workshop';
import { USUAL_CARD } from '@/ui/picture/shapes';
import { GreysPart } from '@/measuring/GreysPart';
import { WorkshopHead } from '@/workshop/WorkshopHead';

export const metadata: Metadata = { title: 'Greys, workshop' };

export default async function GreysPage() {
  await needsEntered();
  const [calibrations, { timeZone }, cardSrgb] = await Promise.all([
    sheetCalibrations(),
    getWorkshop(),
    lastCardColour(),
  ]);
  return (
    <>
      <WorkshopHead view="/greys" />
      <GreysPart calibrations={calibrations} timeZone={timeZone} cardSrgb={cardSrgb ?? USUAL_CARD} />
    </>
  );
}
