'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useDrag } from '@use-gesture/react';
import { addDays, format, parse } from 'date-fns';
import { useRef } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { cloudAt, evenCloud, type CloudHour } from '@/core/session/sessions';
import { fromLocalField, showTime, toLocalField } from '@/core/runsheet/time';
import type { Place, SunDay, SunSample } from '@/core/sun/day';
import type { Obstacle } from '@/core/sun/horizon';
import { cloudTransmission } from '@/core/sun/uvIndex';
import type { Values } from '@/ui/AnswerForm';
import { useNow } from '@/ui/clock';
import { begunAt, endedAt, moved, STEP_MIN, type DayWindow } from './dayWindow';

/** The sky that the day is drawn with. */
export interface DrawnSky {
  place: Place;
  shading: readonly Obstacle[];
  clouds: readonly CloudHour[];
}

interface Props {
  form: UseFormReturn<Values>;
  day: SunDay;
  sky: DrawnSky | null;
  timeZone: string;
  /** What the window brings, said to whoever does not see it. */
  brings: string;
}

const MINUTE_MS = 60_000;
const LOCAL = "yyyy-MM-dd'T'HH:mm";
/** Less than this the sun does nothing. */
const SEEN_UVI = 0.3;
const SHOWN = { width: 1000, height: 210, top: 26, bottom: 184 };

interface Hold {
  box: React.RefObject<HTMLDivElement | null>;
  window: DayWindow;
  /** Minutes that are drawn. */
  shownMin: number;
  lay: (window: DayWindow) => void;
}

/** Dragged by this, the window changes from what it was when it was taken hold of. */
function useHeld({ box, window, shownMin, lay }: Hold, change: (held: DayWindow, byMin: number) => DayWindow) {
  const held = useRef(window);
  return useDrag(({ first, movement: [x], event }) => {
    event.stopPropagation();
    if (first) held.current = window;
    lay(change(held.current, (x * shownMin) / (box.current?.clientWidth ?? 1)));
  });
}

/** The day of an exposure, drawn: the window is dragged over the sun's curve and the clouds, or moved with the arrow keys. */
export function DayPlanner({
  form,
  day: { samples, highestUvIndex, kind, highestElevationDeg },
  sky,
  timeZone,
  brings,
}: Props) {
  const box = useRef<HTMLDivElement>(null);
  const now = useNow();
  const begins = Date.parse(samples[0]!.time);
  const dayMin = (Date.parse(samples[samples.length - 1]!.time) - begins) / MINUTE_MS;
  const minuteOf = ({ time }: SunSample) => (Date.parse(time) - begins) / MINUTE_MS;
  const { windowStart = '', durationMin, turnEveryMin } = form.watch();
  const start = Date.parse(fromLocalField(windowStart, timeZone) ?? samples[0]!.time);
  const window: DayWindow = { from: (start - begins) / MINUTE_MS, minutes: Number(durationMin) || 0 };
  // Of the day only the hours in which the sun does something, and the window.
  const lit = samples.filter(({ uvIndexClear }) => uvIndexClear > SEEN_UVI).map(minuteOf);
  const first = 60 * Math.floor(Math.max(0, Math.min(window.from, (lit[0] ?? 360) - 60)) / 60);
  // A window may run past midnight: all of it is shown.
  const last =
    60 * Math.ceil(Math.max(window.from + window.minutes, Math.min(dayMin, (lit[lit.length - 1] ?? 1080) + 60)) / 60);
  const at = (minutes: number) => `${(100 * (minutes - first)) / (last - first)}%`;
  const clock = (minutes: number) => showTime(new Date(begins + minutes * MINUTE_MS).toISOString(), timeZone, 'HH:mm');

  function lay({ from, minutes }: DayWindow) {
    const opens = new Date(begins + from * MINUTE_MS);
    form.setValue('windowStart', toLocalField(opens.toISOString(), timeZone), { shouldDirty: true });
    form.setValue('durationMin', String(minutes), { shouldDirty: true });
    cloudFor(opens, minutes);
  }
  /** The cloud that is known of goes with the window, unless somebody typed another. */
  function cloudFor(opens: Date, minutes: number) {
    if (!sky || form.getFieldState('cloudPercent').isDirty) return;
    const cloud = evenCloud(sky, { from: opens, to: new Date(opens.getTime() + minutes * MINUTE_MS) });
    form.setValue('cloudPercent', String(Math.round(100 * cloud)));
  }
  function toDay(days: number) {
    const other = format(addDays(parse(windowStart, LOCAL, new Date(0)), days), LOCAL);
    form.setValue('windowStart', other, { shouldDirty: true });
    const opens = fromLocalField(other, timeZone);
    if (opens) cloudFor(new Date(opens), window.minutes);
  }
  const hold = { box, window, shownMin: last - first, lay };
  const body = useHeld(hold, (from, by) => moved(from, by, dayMin));
  const left = useHeld(hold, begunAt);
  const right = useHeld(hold, (from, by) => endedAt(from, by, dayMin));
  const onKey = (event: React.KeyboardEvent) => {
    const by = event.key === 'ArrowRight' ? STEP_MIN : event.key === 'ArrowLeft' ? -STEP_MIN : 0;
    if (by === 0) return;
    event.preventDefault();
    lay(event.shiftKey ? endedAt(window, by, dayMin) : moved(window, by, dayMin));
  };

  const most = Math.max(2, ...samples.map(({ uvIndexClear }) => uvIndexClear));
  const y = (uv: number) => SHOWN.bottom - ((SHOWN.bottom - SHOWN.top) * uv) / most;
  const curve = (of: (sample: SunSample) => number) =>
    samples
      .filter((sample) => minuteOf(sample) >= first && minuteOf(sample) <= last)
      .map(
        (sample) =>
          `${((SHOWN.width * (minuteOf(sample) - first)) / (last - first)).toFixed(1)},${y(of(sample)).toFixed(1)}`,
      )
      .join(' ');
  // Cloud that was typed lies over the whole day.
  const typed = form.getFieldState('cloudPercent').isDirty;
  const under = ({ time, uvIndex, uvIndexClear }: SunSample) =>
    sky && !typed ? uvIndexClear * cloudTransmission(cloudAt(sky.clouds, new Date(time))) : uvIndex;
  const clouds =
    sky?.clouds.filter(
      ({ at: hour }) => hour.getTime() >= begins + first * MINUTE_MS && hour.getTime() < begins + last * MINUTE_MS,
    ) ?? [];
  const turns = Number(turnEveryMin) > 0 ? Math.min(60, Math.ceil(window.minutes / Number(turnEveryMin)) - 1) : 0;
  const nowMin = (now - begins) / MINUTE_MS;
  const words = `${clock(window.from)} to ${clock(window.from + window.minutes)}`;
  return (
    <Box mb="3">
      <Flex align="center" justify="space-between" gap="2" mb="2">
        <Button onClick={() => toDay(-1)} aria-label="The day before">
          ←
        </Button>
        <Text
          fontFamily="heading"
          fontWeight="650"
          fontSize={{ base: '19px', md: '22px' }}
          textAlign="center"
          lineHeight="1.2"
        >
          {showTime(new Date(start).toISOString(), timeZone, 'EEEE d MMMM')}, {words}
        </Text>
        <Button onClick={() => toDay(1)} aria-label="The day after">
          →
        </Button>
      </Flex>
      <div className="day" ref={box}>
        {clouds.map(({ at: hour, cloud }) => (
          <div
            key={hour.getTime()}
            className="cloud"
            title={`${Math.round(100 * cloud)} % cloud`}
            style={{
              left: at((hour.getTime() - begins) / MINUTE_MS),
              width: `${6000 / (last - first)}%`,
              opacity: 0.08 + 0.6 * cloud,
            }}
          />
        ))}
        <svg viewBox={`0 0 ${SHOWN.width} ${SHOWN.height}`} preserveAspectRatio="none" aria-hidden>
          <polyline
            points={curve(({ uvIndexClear }) => uvIndexClear)}
            fill="none"
            stroke="var(--chakra-colors-soft)"
            strokeDasharray="6 5"
            vectorEffect="non-scaling-stroke"
          />
          <polygon
            points={`0,${SHOWN.bottom} ${curve(under)} ${SHOWN.width},${SHOWN.bottom}`}
            fill="var(--chakra-colors-sun)"
            fillOpacity="0.25"
            stroke="var(--chakra-colors-sun)"
            strokeWidth="3"
            vectorEffect="non-scaling-stroke"
          />
        </svg>
        {nowMin > first && nowMin < last && <div className="nowline" style={{ left: at(nowMin) }} aria-hidden />}
        <div
          {...body()}
          className="window"
          role="slider"
          tabIndex={0}
          aria-label="Window of the exposure. Arrow keys move it by a quarter of an hour, with shift they move its end."
          aria-valuemin={0}
          aria-valuemax={Math.round(dayMin)}
          aria-valuenow={Math.round(window.from)}
          aria-valuetext={`${words}; ${brings}`}
          onKeyDown={onKey}
          style={{ left: at(window.from), width: `${(100 * window.minutes) / (last - first)}%` }}
        >
          <div {...left()} className="edge" style={{ left: -24 }} />
          <div {...right()} className="edge" style={{ right: -24 }} />
          {Array.from({ length: turns }, (_, i) => (
            <div
              key={i}
              className="bell"
              style={{ left: `${(100 * (i + 1) * Number(turnEveryMin)) / window.minutes}%` }}
            />
          ))}
        </div>
        {Array.from({ length: 23 }, (_, i) => 60 * (i + 1))
          .filter((minutes) => minutes % 180 === 0 && minutes > first && minutes < last)
          .map((minutes) => (
            <span key={minutes} className="hour" style={{ left: at(minutes) }} aria-hidden>
              {clock(minutes)}
            </span>
          ))}
      </div>
      <Text color="soft" fontSize="15px" mt="1">
        {kind === 'polar night' && 'Polar night: the sun does not rise here that day. '}
        {kind === 'midnight sun' && 'Midnight sun: it does not set here that day. '}
        Sun up to {highestElevationDeg.toFixed(0)}°, UV index up to {highestUvIndex.toFixed(1)}; dashed were it clear.
        Darker above is more cloud. Ticks are turns.
      </Text>
    </Box>
  );
}
