import { figuresOf } from '@/core/mending/repair/choose';
import { nextStep } from '@/core/mending/orderSteps';
import { MEND, MEND_CAUTIONS, type MendWay } from '@/core/mending/repair/ways';
import { aimsOf, askedFor } from '@/data/findings';
import { ordersOf } from '@/data/orders';
import { piecesOf } from '@/data/pieces';
import { repairsOf } from '@/data/repairs';
import type { Finding, OrderRow, RepairRow, Timer } from '@/data/rows';
import { timersOf } from '@/data/timers';
import { getWorkshop } from '@/data/workshop';
import { meanwhile } from './meanwhile';
import { NowPart, type OpenBreak } from './NowPart';
import type { RunningRepair } from './RepairSteps';

/** A repair that goes on, with what its steps need. */
const TOOLS: Partial<Record<MendWay, NonNullable<RunningRepair['tool']>>> = {
  'new film': 'films',
  'set of feet': 'feet',
};

/** How far something is that a repair waits for. */
function orderWords(order: OrderRow): string {
  const { what } = order;
  switch (nextStep(order)) {
    case 'ordered':
      return `${what}: not ordered yet.`;
    case 'arrived':
      return `${what}: on its way.`;
    case 'compared':
      return `${what}: here. Hold it beside the old one first.`;
    default:
      return `${what}: here.`;
  }
}

const runningView = (repair: RepairRow, clocks: readonly Timer[], orders: readonly OrderRow[]): RunningRepair => {
  const { title, steps, needs, check, clamp } = MEND[repair.way!];
  return {
    ...{ id: repair.id, name: repair.name, title, needs, check, clamp, roomC: repair.roomC },
    tool: TOOLS[repair.way!] ?? null,
    orders: orders.filter(({ repairId, fittedAt }) => repairId === repair.id && fittedAt === null).map(orderWords),
    figures: figuresOf(repair.way!, repair.damage),
    // The clock that is over last.
    cure:
      clocks.filter(({ repairId }) => repairId === repair.id).sort((a, b) => b.dueAt.localeCompare(a.dueAt))[0] ?? null,
    steps: steps.map(({ words, caution, glue, minutes }, at) => ({
      ...{ words, done: repair.done.includes(at), clock: glue !== undefined || minutes !== undefined },
      glue: glue ?? null,
      caution: caution ? MEND_CAUTIONS[caution]! : null,
    })),
  };
};

/** What is to be mended on a machine: what is begun, what is open, and what was done. */
export async function mendNow(restorationId: string, asked?: string) {
  const [repairs, findings] = await Promise.all([repairsOf(restorationId), askedFor(restorationId)]);
  const begun = repairs.filter(({ way, endedAt }) => way !== null && endedAt === null);
  const running = begun.sort((a, b) => Number(b.id === asked) - Number(a.id === asked));
  const open = (findings.get('mend') ?? []).filter(({ id }) => !begun.some(({ findingId }) => findingId === id));
  return { running, open, past: repairs.filter(({ endedAt, way }) => endedAt !== null && way !== null) };
}

interface Props {
  restorationId: string;
  running: readonly RepairRow[];
  open: readonly Finding[];
  past: readonly RepairRow[];
}

/** The first view of Mend: the steps of what is begun, else the next break to choose for. */
export async function NowScreen({ restorationId, running, open, past }: Props) {
  const [pieces, { timeZone }, aimOf, others, clocks, orders] = await Promise.all([
    piecesOf(restorationId),
    getWorkshop(),
    aimsOf(restorationId),
    running.length > 0 ? meanwhile(restorationId) : [],
    running.length > 0 ? timersOf(restorationId) : [],
    running.length > 0 ? ordersOf(restorationId) : [],
  ]);
  const breaks = open.map((finding): OpenBreak => ({ finding, aim: aimOf(finding) }));
  return (
    <NowPart
      {...{ restorationId, timeZone, others, pieces }}
      running={running.map((repair) => runningView(repair, clocks, orders))}
      open={breaks}
      past={past.map(({ id, name, way, outcome, endedAt, brokeAt, words }) => ({
        ...{ id, name, outcome, words, brokeAt, endedAt: endedAt! },
        title: MEND[way!].title,
      }))}
    />
  );
}
