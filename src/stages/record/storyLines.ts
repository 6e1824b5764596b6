import { showMinutes, showTime } from '@/core/runsheet/time';
import { counted, type Story } from './story';

/** A day of the record, as its workshop’s clock shows it. */
export const dayIn =
  ({ bundle: { workshop } }: Story) =>
  (iso: string): string =>
    showTime(iso, workshop.timeZone, 'd MMMM yyyy');

/** What a record begins with, by name; what is not known or not for this reader is left out. */
export function factsOf(story: Story): [string, string][] {
  const { restoration, workshop } = story.bundle;
  const day = dayIn(story);
  const facts: [string, string][] = [
    ['Machine', restoration.machine],
    ['From', restoration.source],
    ['Opened', day(restoration.openedAt)],
    ['Finished', restoration.closedAt ? day(restoration.closedAt) : ''],
    ['Workshop', workshop.name],
    ['As it came', restoration.condition],
    ['Aim', restoration.aim],
    ['Worth keeping', restoration.worthKeeping],
    ['Owner', restoration.owner],
  ];
  return facts.filter(([, value]) => value !== '');
}

/** What was written, found, tried and booked in a stage, each a line. */
export function saidIn(story: Story, stage: Story['stages'][number]): string[] {
  return counted([
    ...stage.notes,
    ...stage.findings.map(({ kind, words, settledAs, settledWords }) =>
      [`${kind}: ${words}`, settledAs ?? 'open', settledWords].filter(Boolean).join('; '),
    ),
    ...(stage.stage === 'wash' ? story.passes.map(({ what, came }) => `${what}: ${came}`) : []),
    ...stage.ledger.map(({ words, minutes }) => `${words}${minutes > 0 ? `, ${showMinutes(minutes)}` : ''}`),
  ]);
}

export const testedLines = (story: Story): string[] =>
  story.tested.map(({ at, phase, found }) => `${dayIn(story)(at)}, ${phase}: ${found}`);

export const askedLines = (story: Story): string[] =>
  story.asked.map(
    ({ what, answer, answerWords }) =>
      `${what} ${answer ?? 'Not answered yet'}${answerWords ? `: ${answerWords}` : ''}`,
  );

/** `null` where it is not for this reader. */
export const costLine = ({ cost }: Story): string | null =>
  cost &&
  `Price ${cost.price}, materials ${cost.materials}, own work ${showMinutes(cost.minutes)} (${cost.work}), in all ${cost.total}.`;

export const originalLine = ({ original }: Story): string =>
  `${original}, of its outer surface. What nobody wrote down counts as original.`;
