import type { Metadata } from 'next';
import { PlanHead } from '@/bench/PlanHead';
import { WhatIfPart } from '@/bench/WhatIfPart';
import { planHead } from '@/data/plans';
import { getWorkshop } from '@/data/workshop';
import { clock } from '@/edge/clock';
import { needsEntered } from '@/edge/entered';
import { whatIf } from '../cost';

export const metadata: Metadata = { title: 'What if, bench' };

/** Today’s plan beside others. */
export default async function WhatIfPage() {
  await needsEntered();
  const { timeZone } = await getWorkshop();
  const plan = await planHead();
  return (
    <>
      <PlanHead here="/plan/what-if" under={plan ? 'Side by side with the plan as it stands' : null} />
      {plan && <WhatIfPart {...{ timeZone, whatIf }} at={clock().toISOString()} />}
    </>
  );
}
