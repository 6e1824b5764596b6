'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { showMinutes, showTime } from '@/core/runsheet/time';
import { Button } from '@/ui/Button';
import { Chips } from '@/ui/Chips';
import { LinkButton } from '@/ui/links';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { DayStrip, type Dragged } from './DayStrip';
import {
  AT_FIRST,
  firstAtPlaces,
  firstListed,
  inDay,
  ofFirstMachines,
  ROWS_BY,
  type Beyond,
  type RowsBy,
} from './strip';
import type { ShownDay, ShownPlan, ShownTask } from './plan';
import { freeTask, pinTask } from './planActions';

/** What a move costs, as the server answers it. */
interface Cost {
  laterMin: { title: string; min: number }[];
  moreLater: number;
  moved: number;
  impossible: boolean;
}

type Answered = { ok: true; value: Cost } | { ok: false; errors: { message: string }[] };

interface Props {
  plan: ShownPlan;
  days: readonly ShownDay[];
  timeZone: string;
  /** Which of the pages of days this is. */
  page: number;
  /** Whether all of the days is here, or what is shown at first. */
  whole: boolean;
  /** What each day has beyond what is here. */
  beyond: readonly Beyond[];
  costOfMove: (given: Record<string, unknown>) => Promise<Answered>;
}

const BY_WORDS: Record<RowsBy, string> = { machine: 'By machine', place: 'By hands and places' };
/** After a finger has rested so long the cost is asked for. */
const REST_MS = 200;

/** The days one below the other; a task is dragged or moved by keys, and what that costs is said before it is let go. */
export function DaysPart({ plan, days, timeZone, page, whole, beyond, costOfMove }: Props) {
  const { wrong, busy, send } = useSend();
  const [by, setBy] = useState<RowsBy>('machine');
  const [chosen, setChosen] = useState<string | null>(null);
  const [over, setOver] = useState<{ dragged: Dragged; cost: Cost | string | null } | null>(null);
  const resting = useRef<ReturnType<typeof setTimeout>>(undefined);
  const asking = useRef<Dragged | null>(null);
  useEffect(() => () => clearTimeout(resting.current), []);
  const when = (iso: string) => showTime(iso, timeZone, 'EEE HH:mm');
  // One question at a time: where it takes long, what was dragged on meanwhile is asked for after it.
  const askFor = (dragged: Dragged): void => {
    const isUnderWay = asking.current !== null;
    asking.current = dragged;
    if (isUnderWay) return;
    const tell = (cost: Cost | string) => setOver((now) => (now?.dragged === dragged ? { dragged, cost } : now));
    costOfMove({ task: dragged.task.id, startAt: dragged.startAt })
      .then((answered) => tell(answered.ok ? answered.value : answered.errors[0]!.message))
      .catch(() => tell(UNKNOWN))
      .finally(() => {
        const next = asking.current;
        asking.current = null;
        if (next !== null && next !== dragged) askFor(next);
      });
  };
  const ask = (dragged: Dragged) => {
    setOver({ dragged, cost: null });
    clearTimeout(resting.current);
    resting.current = setTimeout(() => askFor(dragged), REST_MS);
  };
  const move = ({ task, startAt }: Dragged) =>
    send(
      (once) => pinTask(once({ task: task.id, startAt })),
      () => {
        setOver(null);
        say(`Pinned to ${when(startAt)}. The rest goes round it.`);
      },
    );
  const task = plan.tasks.find(({ id }) => id === chosen) ?? null;
  const most = whole ? Infinity : AT_FIRST.tasks;
  const shownOf = (day: ShownDay) =>
    by === 'place'
      ? firstAtPlaces(inDay(plan.tasks, day), most).tasks
      : ofFirstMachines(inDay(plan.tasks, day), whole ? Infinity : AT_FIRST.machines).tasks;
  const hidden = Math.max(...beyond.map(({ machines, places }) => (by === 'place' ? places : machines)));
  const all = `/plan?page=${page}&whole=1`;
  return (
    <Box>
      <Box display={{ base: 'none', md: 'block' }}>
        <Chips label="Rows" of={ROWS_BY} words={BY_WORDS} chosen={by} onChoose={setBy} />
        <Box minHeight="46px" role="status" aria-live="polite">
          {over ? (
            <Text>
              <b>{over.dragged.task.words}</b> at {when(over.dragged.startAt)}: {costWords(over.cost)}
            </Text>
          ) : task ? (
            <TaskLine
              task={task}
              timeZone={timeZone}
              busy={busy}
              onFree={() =>
                send(
                  (once) => freeTask(once({ task: task.id })),
                  () => say('Free again: it lies where the plan wants it.'),
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
        <Box mb="3" _empty={{ display: 'none' }}>
          {hidden > 0 && (
            <LinkButton href={all}>
              {by === 'place' ? `Show up to ${hidden} more tasks a day` : `Show up to ${hidden} more machines a day`}
            </LinkButton>
          )}
          {whole && <LinkButton href={`/plan?page=${page}`}>Show less</LinkButton>}
        </Box>
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
        {days.map((day, i) => (
          <DayList
            key={day.day}
            day={day}
            tasks={firstListed(inDay(plan.tasks, day), day, most).tasks}
            more={beyond[i]!.listed}
            {...{ timeZone, all }}
          />
        ))}
        {whole && <LinkButton href={`/plan?page=${page}`}>Show less</LinkButton>}
      </Box>
    </Box>
  );
}

const dayWords = ({ start }: ShownDay, timeZone: string): string => showTime(start, timeZone, 'EEEE d MMMM');

const UNKNOWN = 'Kvell was not reached; what that costs is not known.';

/** What a move costs, in words; or why that is not known. */
function costWords(cost: Cost | string | null): string {
  if (!cost) return 'working out what that costs';
  if (typeof cost === 'string') return cost;
  if (cost.impossible) return 'it cannot be there: what it needs is not there then, or what it waits for is not over.';
  const dates = cost.laterMin.map(
    ({ title, min }) => `${title} ${showMinutes(Math.abs(min))} ${min > 0 ? 'later' : 'sooner'}`,
  );
  if (cost.moreLater > 0)
    dates.push(cost.moreLater === 1 ? 'one more machine by less' : `${cost.moreLater} more machines by less`);
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
function DayList({
  day,
  tasks,
  more,
  all,
  timeZone,
}: {
  day: ShownDay;
  tasks: readonly ShownTask[];
  /** How many more the day has, and where they are. */
  more: number;
  all: string;
  timeZone: string;
}) {
  return (
    <Box as="section" mb="4">
      <Text fontFamily="heading" fontWeight="650" fontSize="20px" borderBottomWidth="1px" borderColor="lineStrong">
        {dayWords(day, timeZone)}
      </Text>
      {tasks.length === 0 && (
        <Text color="soft" py="1">
          Nothing for hands.
        </Text>
      )}
      {tasks.map((task) => (
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
      {more > 0 && (
        <Box mt="2">
          <LinkButton href={all}>{`Show ${more} more of this day`}</LinkButton>
        </Box>
      )}
    </Box>
  );
}
