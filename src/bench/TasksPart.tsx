'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { showLength, showTime, toLocalField } from '@/core/runsheet/time';
import { PLACES } from '@/core/schedule/facts/facts';
import { AnswerForm, type FieldDef } from '@/ui/AnswerForm';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { LinkButton } from '@/ui/links';
import { Select } from '@/ui/Select';
import { say } from '@/ui/toast';
import { TextBox } from '@/ui/Typed';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import type { ShownPlan, ShownTask } from './plan';
import { addTask, dropTask, freeTask, giveTask, lengthenTask, notDone, pinTask, putTaskOff } from './planActions';

interface Props {
  plan: ShownPlan;
  timeZone: string;
  /** Whose tasks are shown; all machines’ where it is empty. */
  machine: string;
  /** How many tasks come before these, and how many there are in all. */
  before: number;
  of: number;
  /** Ways to the others. */
  children: React.ReactNode;
  /** Machines that a task may be for. */
  machines: readonly { value: string; label: string }[];
  /** What they were looked for by, how many are so named, and whether these are only some of them. */
  choice: { named: string; all: number; isShort: boolean };
  /** What was done lately, the newest first. */
  done: readonly { id: string; words: string; at: string; minutes: number | null }[];
  /** Marks of tasks that are dropped. */
  dropped: readonly { id: string; words: string }[];
}

/** So many tasks stand here at first. */
const AT_FIRST = 8;
const SAID: readonly FieldDef[] = [{ name: 'startAt', label: 'When', kind: 'time', half: true }];

/** Every task of the plan, with all that can be said of it; and tasks of one’s own. */
export function TasksPart({ plan, timeZone, machine, machines, choice, done, dropped, before, of, children }: Props) {
  const router = useRouter();
  const { wrong, busy, send } = useSend();
  const [all, setAll] = useState(false);
  const { tasks } = plan;
  // One alone is shown in place of the way to it.
  const shown = all || tasks.length === AT_FIRST + 1 ? tasks : tasks.slice(0, AT_FIRST);
  const tell = (words: string) => () => say(words);
  return (
    <Box>
      <Fold summary="Add a task of your own">
        <AnswerForm
          draftKey="own task"
          fields={[
            { name: 'what', label: 'What', half: true },
            { name: 'minutes', label: 'Takes', kind: 'number', unit: 'min', half: true },
            {
              name: 'restorationId',
              label: 'For',
              kind: 'choice',
              options: [{ value: '', label: 'the workshop' }, ...machines],
              half: true,
            },
            {
              name: 'place',
              label: 'Takes up',
              kind: 'choice',
              half: true,
              options: [
                { value: '', label: 'nothing but hands' },
                ...PLACES.map((place) => ({ value: place, label: place })),
              ],
            },
            {
              name: 'hands',
              label: 'Hands',
              kind: 'choice',
              half: true,
              options: [
                { value: 'true', label: 'are at it all the time' },
                { value: 'false', label: 'it goes by itself' },
              ],
            },
            {
              name: 'after',
              label: 'After',
              kind: 'choice',
              half: true,
              options: [
                { value: '', label: 'nothing' },
                ...plan.tasks.map(({ id, words, tag, title }) => ({
                  value: id,
                  label: [tag, words, title].filter(Boolean).join(', ').slice(0, 90),
                })),
              ],
            },
          ]}
          initial={{ what: '', minutes: '', restorationId: '', place: '', hands: 'true', after: '' }}
          submit="Add task"
          done="Added. The plan finds it a place."
          send={addTask}
        />
      </Fold>
      {(choice.isShort || choice.named !== '') && <FindMachine {...choice} />}
      <Flex gap="3" align="center" my="3" wrap="wrap">
        <Box width={{ base: '100%', md: '340px' }}>
          <Select
            aria-label="Tasks of"
            value={machine}
            onChange={(event) =>
              router.push(event.target.value === '' ? '/plan/tasks' : `/plan/tasks?machine=${event.target.value}`)
            }
            options={[{ value: '', label: 'all machines' }, ...machines]}
          />
        </Box>
        <Text color="soft">{whichOf(tasks.length, before, of)}, in the order of the plan</Text>
      </Flex>
      <Wrong words={wrong} />
      {plan.leftOut.map(({ id, words, title, why, waiting }) => (
        <Box key={id} borderLeftWidth="8px" borderColor="hazard" pl="3" mb="3">
          <Text fontWeight="650">
            No place for: {words}
            {title && `, ${title}`}
          </Text>
          <Text color="soft">
            {why}
            {waiting > 0 && ` ${waiting === 1 ? 'One more task falls' : `${waiting} more tasks fall`} with it.`}
          </Text>
        </Box>
      ))}
      {plan.moreLeftOut > 0 && (
        <Text mb="3">
          {plan.moreLeftOut === 1 ? 'One more task finds' : `${plan.moreLeftOut} more tasks find`} no place
          {machine === '' && ': choose a machine to see its own'}.
        </Text>
      )}
      {plan.unpinned.map((words) => (
        <Text key={words} mb="2">
          “{words}” cannot be at the time that was set for it: what it needs is not there then, or what it waits for is
          not over.
        </Text>
      ))}
      {plan.moreUnpinned > 0 && (
        <Text mb="2">
          {plan.moreUnpinned === 1 ? 'One more task cannot' : `${plan.moreUnpinned} more tasks cannot`}.
        </Text>
      )}
      {shown.map((task) => (
        <Fold key={task.id} summary={<Line task={task} timeZone={timeZone} />}>
          <Flex gap="2" wrap="wrap" mb="3">
            {task.href && <LinkButton href={task.href}>Go to it</LinkButton>}
            <Button
              disabled={busy}
              onClick={() => send((once) => dropTask(once({ task: task.id })), tell('Dropped from the plan.'))}
            >
              Drop it
            </Button>
            <Button
              disabled={busy}
              onClick={() => send((once) => freeTask(once({ task: task.id })), tell('Nothing is said of it any more.'))}
            >
              Let the plan decide
            </Button>
            {task.hands &&
              plan.people.length > 1 &&
              [...plan.people, { id: '', name: 'whoever is there' }].map(({ id, name }) => (
                <Button
                  key={id}
                  disabled={busy}
                  onClick={() => send((once) => giveTask(once({ task: task.id, personId: id })), tell(`For ${name}.`))}
                >
                  For {name}
                </Button>
              ))}
          </Flex>
          <AnswerForm
            draftKey={`pin:${task.id}`}
            fields={SAID}
            initial={{ startAt: toLocalField(task.from, timeZone) }}
            submit="Pin it there"
            done="Pinned. The rest goes round it."
            send={(values) => pinTask({ task: task.id, ...values })}
          />
          <AnswerForm
            draftKey={`off:${task.id}`}
            fields={SAID}
            initial={{ startAt: toLocalField(task.from, timeZone) }}
            submit="Not before then"
            done="Put off."
            send={(values) => putTaskOff({ task: task.id, ...values })}
          />
          <AnswerForm
            draftKey={`long:${task.id}`}
            fields={[{ name: 'minutes', label: 'Takes', kind: 'number', unit: 'min', half: true }]}
            initial={{ minutes: String(Math.round((Date.parse(task.to) - Date.parse(task.from)) / 60_000)) }}
            submit="Plan it so long"
            done="Kept."
            send={(values) => lengthenTask({ task: task.id, ...values })}
          />
        </Fold>
      ))}
      <Flex gap="3" wrap="wrap" my="3">
        {shown.length < tasks.length && (
          <Button onClick={() => setAll(true)}>Show the other {tasks.length - shown.length}</Button>
        )}
        {children}
      </Flex>
      {(done.length > 0 || dropped.length > 0) && (
        <Fold summary="Done or dropped" quiet>
          {done.map(({ id, words, at, minutes }) => (
            <Flex key={id} gap="3" align="center" wrap="wrap">
              <Text>
                {words}, {showTime(at, timeZone)}
                {minutes === null ? '' : `, ${minutes} min`}
              </Text>
              <Button
                disabled={busy}
                onClick={() => send((once) => notDone(once({ runId: id })), tell('In the plan again.'))}
              >
                Not done after all
              </Button>
            </Flex>
          ))}
          {dropped.map(({ id, words }) => (
            <Flex key={id} gap="3" align="center" wrap="wrap">
              <Text>{words}, dropped</Text>
              <Button
                disabled={busy}
                onClick={() => send((once) => freeTask(once({ task: id })), tell('In the plan again.'))}
              >
                Plan it again
              </Button>
            </Flex>
          ))}
        </Fold>
      )}
    </Box>
  );
}

/** Which of the tasks stand on this page. */
function whichOf(here: number, before: number, of: number): string {
  if (here === of) return of === 1 ? 'one task' : `${of} tasks`;
  return here === 1 ? `task ${of} of ${of}` : `tasks ${before + 1} to ${before + here} of ${of}`;
}

/** Where there are more machines than one can choose from: a plain form, that works before anything has loaded. */
function FindMachine({ named, all, isShort }: Props['choice']) {
  return (
    <form action="/plan/tasks">
      <Flex gap="3" wrap="wrap" align="flex-end" mt="3">
        <Box flex="0 1 340px">
          <label htmlFor="named">Find a machine by name or owner</label>
          <TextBox id="named" name="named" defaultValue={named} maxLength={100} />
        </Box>
        <Button type="submit">Find it</Button>
        <Text color="soft">
          {all === 0
            ? 'No open machine is called so. Fewer letters find more.'
            : `${all} open machines${named && ' are called so'}${isShort ? '; those that were worked on last stand in the list' : ''}`}
        </Text>
      </Flex>
    </form>
  );
}

function Line({ task, timeZone }: { task: ShownTask; timeZone: string }) {
  const minutes = (Date.parse(task.to) - Date.parse(task.from)) / 60_000;
  return (
    <>
      {showTime(task.from, timeZone, 'EEE d MMM, HH:mm')}: {task.tag ? `${task.tag} ` : ''}
      {task.words}
      <Text as="span" color="soft" fontWeight="400">
        {' '}
        {[task.title, showLength(minutes), task.who, task.pinned ? 'pinned' : null].filter(Boolean).join(', ')}
      </Text>
    </>
  );
}
