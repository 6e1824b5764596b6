'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { showMinutes, showTime } from '@/core/runsheet/time';
import { Button } from '@/ui/Button';
import { Chips } from '@/ui/Chips';
import { LinkButton } from '@/ui/links';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { DayStrip, type Dragged } from './DayStrip';
import { inDay, ofFirstMachines, ROWS_BY, type RowsBy } from './strip';
import type { ShownDay, ShownPlan, ShownTask } from './plan';
import { freeTask, pinTask } from './planActions';

/** What a move costs, as the server answers it. */
interface Cost {
  laterMin: { machine: string; min: number }[];
  moved: number;
  impossible: boolean;
}

type Answered = { ok: true; value: Cost } | { ok: false; errors: { message: string }[] };

interface Props {
  plan: ShownPlan;
  days: readonly ShownDay[];
  timeZone: string;
  costOfMove: (given: Record<string, unknown>) => Promise<Answered>;
}

const BY_WORDS: Record<RowsBy, string> = { machine: 'By machine', place: 'By hands and places' };
/** After a finger has rested so long the cost is asked for. */
const REST_MS = 200;
/** So many machines have a row of a day before somebody asks for all. */
const ROWS = 8;

/** The days one below the other; a task is dragged or moved by keys, and what that costs is said before it is let go. */
export function DaysPart({ plan, days, timeZone, costOfMove }: Props) {
  const router = useRouter();
  const { wrong, busy, send } = useSend();
  const [by, setBy] = useState<RowsBy>('machine');
  const [whole, setWhole] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const [over, setOver] = useState<{ dragged: Dragged; cost: Cost | null } | null>(null);
  const resting = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(resting.current), []);
  const titleOf = (machine: string) => plan.ready.find((one) => one.machine === machine)?.title ?? '';
  const when = (iso: string) => showTime(iso, timeZone, 'EEE HH:mm');
  const ask = (dragged: Dragged) => {
    setOver({ dragged, cost: null });
    clearTimeout(resting.current);
    resting.current = setTimeout(() => {
      void costOfMove({ task: dragged.task.id, startAt: dragged.startAt }).then((answered) => {
        if (answered.ok) setOver((now) => (now?.dragged === dragged ? { dragged, cost: answered.value } : now));
      });
    }, REST_MS);
  };
  const move = ({ task, startAt }: Dragged) =>
    send(
      (once) => pinTask(once({ task: task.id, startAt })),
      () => {
        setOver(null);
        say(`Pinned to ${when(startAt)}. The rest goes round it.`);
        router.refresh();
      },
    );
  const task = plan.tasks.find(({ id }) => id === chosen) ?? null;
  const shownOf = (day: ShownDay) =>
    by === 'machine' && !whole ? ofFirstMachines(inDay(plan.tasks, day), ROWS).tasks : inDay(plan.tasks, day);
  const hidden =
    by === 'machine' ? Math.max(...days.map((day) => ofFirstMachines(inDay(plan.tasks, day), ROWS).more)) : 0;
  return (
    <Box>
      <Box display={{ base: 'none', md: 'block' }}>
        <Chips label="Rows" of={ROWS_BY} words={BY_WORDS} chosen={by} onChoose={setBy} />
        <Box minHeight="46px" role="status" aria-live="polite">
          {over ? (
            <Text>
              <b>{over.dragged.task.words}</b> at {when(over.dragged.startAt)}: {costWords(over.cost, titleOf)}
            </Text>
          ) : task ? (
            <TaskLine
              task={task}
              timeZone={timeZone}
              busy={busy}
              onFree={() =>
                send(
                  (once) => freeTask(once({ task: task.id })),
                  () => {
                    say('Free again: it lies where the plan wants it.');
                    router.refresh();
                  },
                )
              }
            />
          ) : (
            <Text color="soft">
              Drag a task to another time, or move it with the arrow keys and Enter; tap one to read it. Full bars are
              hands, hatched ones wait.
            </Text>
          )}
        </Box>
        <Wrong words={wrong} />
        {hidden > 0 && (
          <Button onClick={() => setWhole(!whole)}>{whole ? 'Fewer machines' : `Show ${hidden} more machines`}</Button>
        )}
        {days.map((day) => (
          <Box key={day.day} as="section" aria-label={dayWords(day, timeZone)} mb="2">
            <Text fontFamily="heading" fontWeight="650" fontSize="18px">
              {dayWords(day, timeZone)}
            </Text>
            <DayStrip
              day={day}
              tasks={shownOf(day)}
              {...{ timeZone, by, chosen }}
              onMove={move}
              onOver={ask}
              onChoose={({ id }) => setChosen(id)}
            />
          </Box>
        ))}
      </Box>
      <Box display={{ base: 'block', md: 'none' }}>
        {days.map((day) => (
          <DayList key={day.day} day={day} tasks={inDay(plan.tasks, day)} timeZone={timeZone} />
        ))}
      </Box>
    </Box>
  );
}

const dayWords = ({ start }: ShownDay, timeZone: string): string => showTime(start, timeZone, 'EEEE d MMMM');

/** What a move costs, in words. */
function costWords(cost: Cost | null, titleOf: (machine: string) => string): string {
  if (!cost) return 'working out what that costs';
  if (cost.impossible) return 'it cannot be there: what it needs is not there then, or what it waits for is not over.';
  const dates = cost.laterMin.map(
    ({ machine, min }) => `${titleOf(machine)} ${showMinutes(Math.abs(min))} ${min > 0 ? 'later' : 'sooner'}`,
  );
  const others =
    cost.moved === 0
      ? 'nothing else moves'
      : cost.moved === 1
        ? 'one other task moves'
        : `${cost.moved} other tasks move`;
  return `${dates.length > 0 ? dates.join(', ') : 'no machine is ready later'}; ${others}.`;
}

/** One task in a line, with what can be done about it. */
function TaskLine({
  task,
  timeZone,
  busy,
  onFree,
}: {
  task: ShownTask;
  timeZone: string;
  busy: boolean;
  onFree: () => void;
}) {
  return (
    <Flex gap="3" align="center" wrap="wrap">
      <Text>
        <b>
          {task.tag ? `${task.tag} ` : ''}
          {task.words}
        </b>
        , {task.title || 'the workshop'}: {showTime(task.from, timeZone, 'EEE HH:mm')} to{' '}
        {showTime(task.to, timeZone, 'EEE HH:mm')}
        {task.who ? `, ${task.who}` : ''}
        {task.pinned ? ', pinned' : ''}
      </Text>
      {task.href && <LinkButton href={task.href}>Go to it</LinkButton>}
      {task.pinned && (
        <Button disabled={busy} onClick={onFree}>
          Take the pin out
        </Button>
      )}
    </Flex>
  );
}

/** A day as a list, for a narrow screen: what hands do, in its order. */
function DayList({ day, tasks, timeZone }: { day: ShownDay; tasks: readonly ShownTask[]; timeZone: string }) {
  const listed = tasks.filter(
    ({ hands, place, from }) =>
      (hands || place === 'sun' || place === 'lamp') && Date.parse(from) >= Date.parse(day.start),
  );
  return (
    <Box as="section" mb="4">
      <Text fontFamily="heading" fontWeight="650" fontSize="20px" borderBottomWidth="1px" borderColor="lineStrong">
        {dayWords(day, timeZone)}
      </Text>
      {listed.length === 0 && (
        <Text color="soft" py="1">
          Nothing for hands.
        </Text>
      )}
      {listed.map((task) => (
        <Flex key={task.id} gap="3" py="1" borderBottomWidth="1px" borderColor="line" align="baseline">
          <Text fontFamily="mono" flexShrink="0" minWidth="5ch">
            {showTime(task.from, timeZone, 'HH:mm')}
          </Text>
          <Box minWidth="0">
            {task.href ? (
              <a href={task.href} style={{ textDecoration: 'underline', textUnderlineOffset: 3 }}>
                {task.tag ? `${task.tag} ` : ''}
                {task.words}
              </a>
            ) : (
              <>
                {task.tag ? `${task.tag} ` : ''}
                {task.words}
              </>
            )}
            <Text as="span" color="soft">
              {task.title ? `, ${task.title}` : ''}
              {task.who ? `, ${task.who}` : ''}
            </Text>
          </Box>
        </Flex>
      ))}
    </Box>
  );
}
