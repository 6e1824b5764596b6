'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useRouter } from 'next/navigation';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { Fold } from '@/ui/Fold';
import { Part } from '@/ui/layout';
import { Select } from '@/ui/Select';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { addVerdict, setAgentHere, addSurface } from './actions';
import { OwnAgentForm } from './OwnAgentForm';

export interface AgentRow {
  agent: string;
  title: string;
  does: string;
  roughness: number;
  verdict: 'fine' | 'test first' | 'never';
  reason: string;
  own: boolean;
  source: string;
}

interface Choice {
  value: string;
  label: string;
}

interface Props {
  surface: string;
  surfaces: readonly Choice[];
  rows: readonly AgentRow[];
  meanings: readonly string[];
  /** Surfaces of the data set. */
  known: readonly Choice[];
  families: readonly Choice[];
  soils: readonly Choice[];
}

const TONE = { fine: 'work', 'test first': 'ink', never: 'hazard' } as const;
const VERDICTS = ['fine', 'test first', 'never'] as const;
const HEADINGS = { fine: 'May touch it', 'test first': 'On a hidden spot first', never: 'Never here' } as const;
const MARK = { fine: '+', 'test first': '?', never: '–' } as const;

/** What may touch a surface, gentlest first, with the reason; and which agents this workshop has. */
export function AgentsScreen({ surface, surfaces, rows, meanings, known, families, soils }: Props) {
  const router = useRouter();
  const { wrong, busy, send } = useSend();
  return (
    <>
      <Flex as="label" direction="column" maxWidth="420px" mb="5">
        <Text fontWeight="650">Surface</Text>
        <Select
          value={surface}
          onChange={(event) => router.push(`/stores/agents?surface=${event.target.value}`)}
          options={surfaces}
        />
      </Flex>
      <Wrong words={wrong} />
      {VERDICTS.map((verdict) => {
        const some = rows.filter((row) => row.verdict === verdict);
        if (some.length === 0) return null;
        return (
          <Part key={verdict} title={`${HEADINGS[verdict]}: ${some.length}`}>
            <Fold summary="Each with its reason, gentlest first">
              {some.map((row) => (
                <AgentLine
                  key={row.agent}
                  row={row}
                  meaning={meanings[row.roughness]!}
                  busy={busy}
                  onHave={(own) => send(() => setAgentHere(row.agent, own))}
                />
              ))}
            </Fold>
          </Part>
        );
      })}
      <Part title="Stricter in this workshop">
        <Fold summary="Forbid something here, or ask for a test first">
          <AnswerForm
            draftKey={`forbid:${surface}`}
            fields={[
              {
                name: 'agent',
                label: 'Agent',
                kind: 'choice',
                half: true,
                options: rows.map(({ agent, title }) => ({ value: agent, label: title })),
              },
              {
                name: 'verdict',
                label: 'Verdict',
                kind: 'choice',
                half: true,
                options: options(['test first', 'never']),
              },
              { name: 'reason', label: 'Because' },
            ]}
            initial={{ agent: rows[0]!.agent, verdict: 'test first', reason: '' }}
            submit="Keep this verdict"
            done="Kept. Every ladder follows it."
            send={(values) => addVerdict({ surface, ...values })}
          />
        </Fold>
        <Text color="soft">
          A verdict of your own can only be stricter than the data set; harm at the sink writes one by itself.
        </Text>
      </Part>
      <Part title="Not in the list">
        <Fold summary="An agent of your own">
          <OwnAgentForm families={families} soils={soils} meanings={meanings} />
        </Fold>
        <Fold summary="A surface of your own">
          <AnswerForm
            draftKey="own-surface"
            fields={[
              { name: 'title', label: 'Name', half: true },
              { name: 'like', label: 'Bears what this bears', kind: 'choice', half: true, options: known },
            ]}
            initial={{ title: '', like: known[0]!.value }}
            submit="Add this surface"
            done="Added. Name it on a piece, and make it stricter above where it bears less."
            send={(values) => addSurface(values)}
          />
        </Fold>
      </Part>
      <Fold summary="What the roughness means" quiet>
        <ol style={{ listStyle: 'none' }}>
          {meanings.map((words, i) => (
            <li key={words}>
              <code>{i}</code> {words}
            </li>
          ))}
        </ol>
      </Fold>
    </>
  );
}

interface LineProps {
  row: AgentRow;
  meaning: string;
  busy: boolean;
  onHave: (own: boolean) => void;
}

/** An agent in one line: how rough, what it is called, what it may do here; opened, what it does and why. */
function AgentLine({
  row: { title, does, roughness, verdict, reason, own, source },
  meaning,
  busy,
  onHave,
}: LineProps) {
  return (
    <Box borderTopWidth="1px" borderColor="line">
      <Fold
        quiet
        summary={
          <Text as="span" color="ink">
            <Text as="span" fontFamily="mono" title={meaning}>
              {roughness}
            </Text>{' '}
            <Text as="span" fontWeight="650" {...(!own && { textDecoration: 'line-through', color: 'soft' })}>
              {title}
            </Text>{' '}
            <Text as="span" fontWeight="650" color={TONE[verdict]}>
              {MARK[verdict]}
            </Text>
          </Text>
        }
      >
        <Text>{reason}</Text>
        <Text color="soft" fontSize="15px">
          {does} ({source})
        </Text>
        <Button
          my="2"
          disabled={busy}
          onClick={() => onHave(!own)}
          aria-label={`${own ? 'Not here' : 'It is here'}: ${title}`}
        >
          {own ? 'Not here' : 'It is here'}
        </Button>
      </Fold>
    </Box>
  );
}
