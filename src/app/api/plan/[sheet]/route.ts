import { shownDay, shownPlan, type Wanted } from '@/bench/plan';
import { planPdf } from '@/bench/sheetPdf';
import { inDay } from '@/bench/strip';
import { dayAround } from '@/core/runsheet/time';
import { getWorkshop } from '@/data/workshop';
import { clock } from '@/edge/clock';
import { insideOnly, refusal } from '@/edge/entered';
import { asFile } from '@/edge/fileName';
import { sky } from '../../../sky';

const DAY_MS = 86_400_000;
/** So many machines stand on a sheet with the day on which they are ready. */
const MACHINES = 40;
const DAYS: Record<string, number> = { day: 1, week: 7 };

interface Given {
  params: Promise<{ sheet: string }>;
}

/** `GET /api/plan/day` or `/api/plan/week`: the plan as a PDF for the wall. */
export const GET = insideOnly(async (_: Request, { params }: Given): Promise<Response> => {
  const { sheet } = await params;
  const count = DAYS[sheet];
  if (count === undefined)
    return refusal('There is a sheet for the day and one for the week: /api/plan/day, /api/plan/week.', 404);
  const workshop = await getWorkshop();
  const { start } = dayAround(clock(), workshop.timeZone);
  const days = await Promise.all(
    Array.from({ length: count }, (_, i) => shownDay(workshop, new Date(start.getTime() + (i + 0.5) * DAY_MS), sky)),
  );
  const inDays: Wanted<null> = (tasks) => ({ tasks: days.flatMap((day) => inDay(tasks, day)), beyond: null });
  const plan = await shownPlan(workshop.timeZone, inDays, { ready: { count: MACHINES } });
  if (!plan) return refusal('There is no plan yet. It is made as soon as a restoration is open.', 404);
  return asFile(
    new Uint8Array(await planPdf(plan, days, workshop.name, workshop.timeZone)),
    'application/pdf',
    `${sheet}.pdf`,
  );
});
