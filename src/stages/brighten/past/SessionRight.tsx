'use client';

import { SCHOOL, type SchoolId } from '@/core/session/schools';
import { toLocalField } from '@/core/runsheet/time';
import type { Session } from '@/data/rows';
import { AnswerForm, type FieldDef } from '@/ui/AnswerForm';
import { TakeBack } from '@/undo/TakeBack';
import { takeBackSession, correctKeptSession } from '../actions';

interface Props {
  session: Session;
  school: SchoolId;
  timeZone: string;
}

/** Puts a session right that was written down wrong: its times, its sky or lamp, its turns; or takes it back whole. */
export function SessionRight({ session, school, timeZone }: Props) {
  const { driver } = SCHOOL[school];
  const over = session.endedAt !== null;
  const fields: (FieldDef | false)[] = [
    { name: 'startedAt', label: 'Began at', kind: 'time', half: true },
    over && { name: 'endedAt', label: 'Ended at', kind: 'time', half: true },
    driver === 'sun' && {
      name: 'cloudPercent',
      label: 'Cloud on the whole',
      kind: 'number',
      unit: '% of the sky',
      third: true,
    },
    driver === 'lamp' && {
      name: 'lampMwPerCm2',
      label: 'UV-A at the piece',
      kind: 'number',
      unit: 'mW/cm²',
      third: true,
    },
    { name: 'temperatureC', label: 'Temperature on the whole', kind: 'number', unit: '°C', third: true },
    { name: 'turns', label: 'Turns', kind: 'number', third: true },
    { name: 'words', label: 'What happened', kind: 'long', optional: true },
  ];
  return (
    <>
      <AnswerForm
        fields={fields.filter((field): field is FieldDef => field !== false)}
        initial={{
          startedAt: toLocalField(session.startedAt, timeZone),
          endedAt: session.endedAt ? toLocalField(session.endedAt, timeZone) : '',
          cloudPercent: String(Math.round(100 * session.cloudFraction)),
          lampMwPerCm2: String(session.lampMwPerCm2),
          temperatureC: String(session.temperatureC),
          turns: String(session.turns.length),
          words: session.words ?? '',
        }}
        submit="Correct it"
        keeps
        send={(values) => correctKeptSession({ ...values, sessionId: session.id })}
        done="Corrected. What it said before stays in the log."
        draftKey={`right-${session.id}`}
      />
      <TakeBack act={() => takeBackSession(session.id)} done="Taken back, with what it took of the bottle.">
        It never was: take it back
      </TakeBack>
    </>
  );
}
