'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Observed } from '@/core/keyboard/evidence';
import { KIND } from '@/core/keyboard/kinds';
import { viewHref } from '@/core/runsheet/views';
import type { KeyboardRow } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { alignTheKeys, joinTheKeys, removeKey, saveKey, splitTheKey } from './actions';
import { BoardChoice } from './BoardChoice';
import { BoardDrawing } from './BoardDrawing';
import { hasMap, MAP_TITLES, MAPS } from '@/core/keyboard/drawing/maps';
import { marksOf } from './marks';
import type { KeyPhoto } from './view';

const StickingPart = dynamic(() => import('./StickingPart').then((part) => part.StickingPart));
const NewBoard = dynamic(() => import('./NewBoard').then((part) => part.NewBoard));

interface Props {
  restorationId: string;
  boards: readonly { id: string; name: string }[];
  board: KeyboardRow;
  photos: readonly KeyPhoto[];
  /** What its keys did last. */
  seen: Readonly<Record<string, Observed>>;
  tested: boolean;
}

/** The keyboard as it is drawn; keys that are tapped can be named, moved, split, joined and laid in a row. */
export function BoardPart({ restorationId, boards, board, photos, seen, tested }: Props) {
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [several, setSeveral] = useState(false);
  const [adding, setAdding] = useState(false);
  const { wrong, send } = useSend();
  const files = `/api/restorations/${restorationId}/keys?board=${board.id}`;
  const dead = Object.values(seen).filter((one) => one !== 'works').length;
  const href = (view: string) => `${viewHref(restorationId, 'keys', view)}?board=${board.id}`;
  const [one] = chosen;
  const key = board.keys.find(({ id }) => id === one);
  const leave = () => (setChosen([]), setSeveral(false), setAdding(false));
  const marks = {
    ...marksOf(seen),
    ...Object.fromEntries(chosen.map((id) => [id, { tone: 'chosen' as const, sign: '›', words: 'chosen' }])),
  };
  return (
    <>
      <BoardChoice restorationId={restorationId} view="" boards={boards} here={board.id} />
      <Text mb="3">
        <b>{board.name}</b>, {board.keys.length === 1 ? 'one key' : `${board.keys.length} keys`}.{' '}
        {KIND[board.kind].title}.{' '}
        {tested
          ? dead === 0
            ? 'All that was tried works.'
            : `${dead} did not work when last tried.`
          : 'Not tested yet.'}
      </Text>
      <BoardDrawing
        board={board}
        label={`Drawing of ${board.name}`}
        marks={marks}
        {...(key &&
          !several && {
            movable: {
              key: key.id,
              onMove: (x, y) =>
                send(() => saveKey({ keyboardId: board.id, was: key.id, id: key.id, w: key.w, h: key.h, x, y })),
            },
          })}
        onTap={(id) => {
          setAdding(false);
          if (several) setChosen(chosen.includes(id) ? chosen.filter((other) => other !== id) : [...chosen, id]);
          else setChosen(id === one ? [] : [id]);
        }}
      />
      {several ? (
        <SeveralKeys board={board} chosen={chosen} onDone={leave} />
      ) : one !== undefined || adding ? (
        <KeyForm
          key={adding ? 'new' : JSON.stringify(key)}
          board={board}
          name={adding ? null : one!}
          onDone={leave}
          onSeveral={() => setSeveral(true)}
        />
      ) : (
        <MainAction>
          <LinkButton look="go" bench href={href(tested && dead > 0 ? 'find' : 'test')}>
            {tested && dead > 0 ? 'Find the fault' : 'Test every key'}
          </LinkButton>
          <Button onClick={() => setAdding(true)}>Add a key</Button>
        </MainAction>
      )}
      <Wrong words={wrong} />
      <Fold summary="A key sticks, rubs or is stiff">
        <StickingPart kind={board.kind} />
      </Fold>
      <Fold summary="Files of this keyboard, or take it back">
        {MAPS.filter((map) => hasMap(board.kind, map)).map((map) => (
          <Flex key={map} gap="2" wrap="wrap" align="center" mb="2">
            <Text flex="1 1 180px">{MAP_TITLES[map]}</Text>
            {(['pdf', 'svg'] as const).map((as) => (
              <Button key={as} asChild>
                <a
                  href={`${files}&as=${as}&map=${map}`}
                  download
                  aria-label={`${MAP_TITLES[map]} as ${as.toUpperCase()}`}
                >
                  {as.toUpperCase()}
                </a>
              </Button>
            ))}
          </Flex>
        ))}
        <Flex gap="2" wrap="wrap" align="center">
          <Text flex="1 1 180px">The whole drawing</Text>
          {(['json', 'csv'] as const).map((as) => (
            <Button key={as} asChild>
              <a href={`${files}&as=${as}`} download>
                {as.toUpperCase()}
              </a>
            </Button>
          ))}
        </Flex>
        <Flex mt="2">
          <TakeThingBack what="keyboard" id={board.id} name={board.name}>
            Take the drawing back
          </TakeThingBack>
        </Flex>
      </Fold>
      <Fold summary="Another keyboard of this machine">
        <NewBoard restorationId={restorationId} photos={photos} first={false} />
      </Fold>
    </>
  );
}

const length = (name: string, label: string) => ({ name, label, kind: 'number', unit: 'mm', third: true }) as const;

/** Keys that were chosen together: one row, or one key. */
function SeveralKeys({ board, chosen, onDone }: { board: KeyboardRow; chosen: readonly string[]; onDone: () => void }) {
  const { wrong, busy, send } = useSend();
  const act = (of: typeof joinTheKeys, done: string) =>
    send(
      () => of({ keyboardId: board.id, keys: [...chosen] }),
      () => {
        say(done);
        onDone();
      },
    );
  return (
    <Box borderLeftWidth="8px" borderColor="work" pl="4" mt="3">
      <Text aria-live="polite">
        {chosen.length === 0 ? 'Tap the keys that belong together.' : `Chosen: ${chosen.join(', ')}.`}
      </Text>
      <Flex gap="2" mt="2" wrap="wrap">
        <Button
          look="go"
          bench
          disabled={busy || chosen.length < 2}
          onClick={() => act(alignTheKeys, 'Laid in one row.')}
        >
          These are one row
        </Button>
        <Button bench disabled={busy || chosen.length < 2} onClick={() => act(joinTheKeys, 'They are one key now.')}>
          These are one key
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </Flex>
      <Wrong words={wrong} />
    </Box>
  );
}

/** A name that no key has yet, for the other half of one. */
function nameBeside(name: string, keys: KeyboardRow['keys']): string {
  for (let n = 2; ; n++) if (!keys.some(({ id }) => id === `${name} ${n}`)) return `${name} ${n}`;
}

function KeyForm({
  board,
  name,
  onDone,
  onSeveral,
}: {
  board: KeyboardRow;
  name: string | null;
  onDone: () => void;
  onSeveral: () => void;
}) {
  const { wrong, busy, send } = useSend();
  const key = board.keys.find(({ id }) => id === name);
  const size = board.keys[0]!;
  const initial = key
    ? { id: key.id, x: String(key.x), y: String(key.y), w: String(key.w), h: String(key.h) }
    : { id: '', x: '', y: '', w: String(size.w), h: String(size.h) };
  return (
    <Box borderLeftWidth="8px" borderColor="work" pl="4" mt="3">
      <AnswerForm<void>
        draftKey={`key-${board.id}-${name ?? 'new'}`}
        fields={[
          { name: 'id', label: name === null ? 'What is on the new key' : 'What is on its cap', half: true },
          length('x', 'From the left'),
          length('y', 'From above'),
          length('w', 'Width'),
          length('h', 'Height'),
        ]}
        initial={initial}
        submit={name === null ? 'Add the key' : 'Keep the key so'}
        done={name === null ? 'Key added.' : 'Key drawn anew.'}
        send={(values) => saveKey({ keyboardId: board.id, was: name ?? '', ...values })}
        onDone={() => {
          onDone();
        }}
      />
      {name !== null && <Text color="soft">It can be dragged on the drawing as well.</Text>}
      <Flex gap="2" mt="2" wrap="wrap">
        <Button onClick={onDone}>Leave it</Button>
        {name !== null && (
          <>
            <Button
              disabled={busy}
              onClick={() =>
                send(
                  () => splitTheKey({ keyboardId: board.id, key: name, second: nameBeside(name, board.keys) }),
                  () => say(`${name} is two keys now.`),
                )
              }
            >
              It is two keys
            </Button>
            <Button onClick={onSeveral}>Choose more with it</Button>
          </>
        )}
        {name !== null && (
          <Button
            look="bare"
            disabled={busy}
            onClick={() =>
              send(
                () => removeKey({ keyboardId: board.id, key: name }),
                () => {
                  say(`Key ${name} taken away.`);
                  onDone();
                },
              )
            }
          >
            There is no such key
          </Button>
        )}
      </Flex>
      <Wrong words={wrong} />
    </Box>
  );
}
