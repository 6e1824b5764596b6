'use client';

import { Box, Text } from '@chakra-ui/react';
import { useDrag } from '@use-gesture/react';
import { useRef, useState } from 'react';
import { showLength, showTime } from '@/core/runsheet/time';
import { useNow } from '@/ui/clock';
import type { ShownDay, ShownTask } from './plan';
import { lanesOf, rowsOf, shownHours, type RowsBy } from './strip';

const MINUTE_MS = 60_000;
const STEP_MIN = 15;
const SUN = { width: 1000, height: 64, top: 4 };
/** Narrower than this a bar has no room for words. */
const WORDS_FROM = 9;

export interface Dragged {
  task: ShownTask;
  startAt: string;
}

interface Props {
  day: ShownDay;
  tasks: readonly ShownTask[];
  timeZone: string;
  by: RowsBy;
  /** Where a task was dragged to, or moved by the arrow keys; without it nothing can be moved. */
  onMove?: ((moved: Dragged) => void) | undefined;
  /** What is dragged at the moment, before it is let go. */
  onOver?: ((over: Dragged) => void) | undefined;
  chosen?: string | null;
  onChoose?: ((task: ShownTask) => void) | undefined;
}

/** A day as a strip: the sun’s arc with its cloud above, and below it what lies in it, a row for each machine or for each thing that is used. */
export function DayStrip({ day, tasks, timeZone, by, onMove, onOver, chosen = null, onChoose }: Props) {
  const now = useNow();
  const field = useRef<HTMLDivElement>(null);
  const [first, last] = shownHours(day, tasks);
  const span = last - first;
  const at = (ms: number) => (100 * (ms - first)) / span;
  const rows = rowsOf(tasks, day, by);
  const most = Math.max(2, ...day.samples.map(({ uvIndexClear }) => uvIndexClear));
  const points = day.samples
    .filter(({ time }) => Date.parse(time) >= first && Date.parse(time) <= last)
    .map(
      ({ time, uvIndex }) =>
        `${((SUN.width * (Date.parse(time) - first)) / span).toFixed(1)},${(SUN.height - ((SUN.height - SUN.top) * uvIndex) / most).toFixed(1)}`,
    )
    .join(' ');
  const hours = Array.from({ length: 23 }, (_, i) => Date.parse(day.start) + (i + 1) * 60 * MINUTE_MS).filter(
    (ms, i) => (i + 1) % 3 === 0 && ms > first && ms < last,
  );
  return (
    <Box className="strip" mb="3">
      <div className="strip-sun" aria-hidden>
        {day.clouds.map(({ at: hour, cloud, own }) => {
          const left = at(Date.parse(hour));
          return left >= 100 || left < -10 ? null : (
            <div
              key={hour}
              className="cloud"
              title={`${Math.round(100 * cloud)} % cloud${own ? '' : ', invented'}`}
              style={{ left: `${left}%`, width: `${(100 * 60 * MINUTE_MS) / span}%`, opacity: 0.06 + 0.55 * cloud }}
            />
          );
        })}
        <svg viewBox={`0 0 ${SUN.width} ${SUN.height}`} preserveAspectRatio="none">
          <polygon
            points={`0,${SUN.height} ${points} ${SUN.width},${SUN.height}`}
            fill="var(--chakra-colors-sun)"
            fillOpacity="0.28"
            stroke="var(--chakra-colors-sun)"
            strokeWidth="2.5"
            vectorEffect="non-scaling-stroke"
          />
        </svg>
        {hours.map((ms) => (
          <span key={ms} className="hour" style={{ left: `${at(ms)}%` }}>
            {showTime(new Date(ms).toISOString(), timeZone, 'HH:mm')}
          </span>
        ))}
      </div>
      <div ref={field} className="strip-field">
        {hours.map((ms) => (
          <div key={ms} className="tick" style={{ left: `${at(ms)}%` }} aria-hidden />
        ))}
        {now > first && now < last && <div className="nowline" style={{ left: `${at(now)}%` }} aria-hidden />}
        {rows.length === 0 && (
          <Text color="soft" py="3">
            Nothing is planned for this day.
          </Text>
        )}
        {rows.map(({ key, label, tasks: own }) => {
          const lanes = lanesOf(own);
          return (
            <div key={key} className="strip-row" role="group" aria-label={label}>
              <span className="strip-label">{label}</span>
              <div className="strip-lanes" style={{ height: 34 * Math.max(1, lanes.count) }}>
                {own.map((task) => (
                  <Bar
                    key={task.id}
                    {...{ task, first, last, timeZone, field, onMove, onOver, onChoose }}
                    lane={lanes.of.get(task.id) ?? 0}
                    isChosen={chosen === task.id}
                  />
                ))}
              </div>
            </div>
          );
        })}
      </div>
    </Box>
  );
}

interface BarProps extends Pick<Props, 'timeZone' | 'onMove' | 'onOver' | 'onChoose'> {
  task: ShownTask;
  first: number;
  last: number;
  lane: number;
  field: React.RefObject<HTMLDivElement | null>;
  isChosen: boolean;
}

/** One task of the strip; what waits is hatched, what needs hands is full. */
function Bar({ task, first, last, lane, timeZone, field, isChosen, onMove, onOver, onChoose }: BarProps) {
  const [byMin, setByMin] = useState(0);
  const span = last - first;
  const [from, to] = [Date.parse(task.from) + byMin * MINUTE_MS, Date.parse(task.to) + byMin * MINUTE_MS];
  const [left, right] = [Math.max(0, (100 * (from - first)) / span), Math.min(100, (100 * (to - first)) / span)];
  const movable = onMove !== undefined && task.begunAt === null && task.kind !== 'answer' && task.kind !== 'parcel';
  const at = (minutes: number) => new Date(Date.parse(task.from) + minutes * MINUTE_MS).toISOString();
  const drag = useDrag(
    ({ movement: [x], last: ended, tap }) => {
      if (tap) return onChoose?.(task);
      const minutes = STEP_MIN * Math.round((x * span) / (field.current?.clientWidth ?? 1) / MINUTE_MS / STEP_MIN);
      if (minutes !== byMin && minutes !== 0) onOver?.({ task, startAt: at(minutes) });
      setByMin(ended ? 0 : minutes);
      if (ended && minutes !== 0) onMove?.({ task, startAt: at(minutes) });
    },
    { filterTaps: true, enabled: movable },
  );
  const onKey = (event: React.KeyboardEvent) => {
    const step = event.key === 'ArrowRight' ? STEP_MIN : event.key === 'ArrowLeft' ? -STEP_MIN : 0;
    if (step !== 0 && movable) {
      event.preventDefault();
      setByMin(byMin + step);
      onOver?.({ task, startAt: at(byMin + step) });
    } else if (event.key === 'Escape') setByMin(0);
    else if (event.key === 'Enter' && byMin !== 0) {
      event.preventDefault();
      onMove?.({ task, startAt: at(byMin) });
      setByMin(0);
    }
  };
  const clock = (ms: number) => showTime(new Date(ms).toISOString(), timeZone, 'HH:mm');
  const words = `${task.tag ? `${task.tag} ` : ''}${task.words}`;
  const whole = `${words}${task.title ? `, ${task.title}` : ''}: ${showTime(task.from, timeZone, 'EEE HH:mm')} to ${showTime(task.to, timeZone, 'EEE HH:mm')}, ${showLength((to - from) / MINUTE_MS)}${task.who ? `, ${task.who}` : ''}${task.pinned ? ', pinned' : ''}`;
  return (
    <button
      {...(movable ? drag() : {})}
      type="button"
      className="bar"
      data-hands={task.hands}
      data-pinned={task.pinned}
      data-moving={byMin !== 0}
      aria-pressed={isChosen}
      aria-label={`${whole}${movable ? '. Arrow keys move it by a quarter of an hour, Enter leaves it there.' : ''}`}
      title={whole}
      onClick={movable ? undefined : () => onChoose?.(task)}
      onKeyDown={onKey}
      style={{ left: `${left}%`, width: `max(8px, calc(${Math.max(0, right - left)}% - 1px))`, top: 34 * lane }}
    >
      {byMin !== 0 ? `${clock(from)}` : right - left > WORDS_FROM ? words : ''}
    </button>
  );
}
