import type { Content } from 'pdfmake';
import { showMinutes, showTime } from '@/core/runsheet/time';
import { pdf } from '@/edge/pdf';
import type { ShownDay, ShownPlan, ShownTask } from './plan';
import { inDay } from './strip';

const listed = (tasks: readonly ShownTask[], day: ShownDay): ShownTask[] =>
  inDay(tasks, day).filter(
    ({ hands, place, from }) => (hands || place !== null) && Date.parse(from) >= Date.parse(day.start),
  );

const sunOf = ({ samples }: ShownDay): string => {
  const most = Math.max(0, ...samples.map(({ uvIndex }) => uvIndex));
  return samples.length === 0 ? '' : `UV index up to ${most.toFixed(1)}`;
};

/** What lies in a day, with a box to tick. */
function dayTable(tasks: readonly ShownTask[], day: ShownDay, timeZone: string, size: number): Content {
  const rows = listed(tasks, day);
  if (rows.length === 0) return { text: 'Nothing is planned.', color: '#555555', margin: [0, 2, 0, 6] };
  return {
    margin: [0, 2, 0, 8],
    fontSize: size,
    table: {
      widths: [14, 38, '*', 110, 52],
      body: rows.map((task) => [
        task.hands ? '☐' : '',
        showTime(task.from, timeZone, 'HH:mm'),
        {
          text: [
            { text: [task.tag, task.words].filter(Boolean).join(' '), bold: task.hands },
            task.who ? `, ${task.who}` : '',
          ],
        },
        task.title,
        showMinutes((Date.parse(task.to) - Date.parse(task.from)) / 60_000),
      ]),
    },
    layout: 'lightHorizontalLines',
  };
}

/** A day, or a week, for the wall. */
export function planPdf(
  plan: ShownPlan,
  days: readonly ShownDay[],
  workshop: string,
  timeZone: string,
): Promise<Buffer> {
  const one = days.length === 1;
  const title = one
    ? showTime(days[0]!.start, timeZone, 'EEEE d MMMM yyyy')
    : `${showTime(days[0]!.start, timeZone, 'd MMMM')} to ${showTime(days.at(-1)!.start, timeZone, 'd MMMM yyyy')}`;
  return pdf({
    info: { title: `${workshop}: ${title}` },
    footerTitle: `${workshop}, as planned ${showTime(plan.at, timeZone)}`,
    content: [
      { text: title, fontSize: 20, bold: true },
      { text: `${workshop}${one ? `. ${sunOf(days[0]!)}` : ''}`, color: '#555555', margin: [0, 0, 0, 8] },
      ...days.flatMap((day): Content[] => [
        ...(one
          ? []
          : [
              {
                text: `${showTime(day.start, timeZone, 'EEEE d MMMM')}  ${sunOf(day)}`,
                bold: true,
                fontSize: 12,
                margin: [0, 4, 0, 0] as [number, number, number, number],
              },
            ]),
        dayTable(plan.tasks, day, timeZone, one ? 12 : 9.5),
      ]),
      ...(plan.ready.length > 0
        ? [
            {
              text: 'Ready, 9 in 10',
              bold: true,
              fontSize: 12,
              margin: [0, 8, 0, 2] as [number, number, number, number],
            },
            ...plan.ready.map(({ title: machine, nine }) => ({
              text: `${machine}: ${nine ? showTime(nine, timeZone, 'EEE d MMM') : 'later than is planned'}`,
            })),
            ...(plan.machines > plan.ready.length
              ? [{ text: `${plan.machines - plan.ready.length} more are planned to be ready after these.` }]
              : []),
          ]
        : []),
    ],
  });
}
