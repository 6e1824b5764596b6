'use client';

import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { CAP_STATES, lying, STEM_PLACES, wayBack, wideKeys, type BackStep, type CapState } from '@/core/keyboard/caps';
import { KIND } from '@/core/keyboard/kinds';
import { viewHref } from '@/core/runsheet/views';
import type { CapRow, KeyboardPictureRow, KeyboardRow, LoosePartRow } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { photoUrl } from '@/ui/photoUrl';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { KEYBOARD_PHOTO } from './asked';
import { keepTheCount, sayCaps } from './actions';
import { BoardChoice } from './BoardChoice';
import { BoardDrawing, type Mark } from './BoardDrawing';
import { Chips } from '@/ui/Chips';
import type { CapCrop } from './capCrops';
import { CAP_SIGN } from '@/core/keyboard/drawing/maps';
import { STEM_WORDS } from '@/core/keyboard/drawing/signs';
import { PhotoPick } from '@/ui/picture/PhotoPick';
import { WholeRows } from './WholeRows';
import type { KeyPhoto } from './view';

const CompareCaps = dynamic(() => import('./CompareCaps').then((part) => part.CompareCaps));

interface Props {
  restorationId: string;
  boards: readonly { id: string; name: string }[];
  board: KeyboardRow;
  pictures: readonly KeyboardPictureRow[];
  caps: readonly CapRow[];
  counts: readonly LoosePartRow[];
  photos: readonly KeyPhoto[];
  /** The one that is being marked. */
  photo: KeyPhoto | null;
  /** Caps that go back one by one, as the photograph before shows them. */
  crops: Readonly<Record<string, CapCrop>>;
}

type Doing = 'off' | 'on' | CapState;
const DOING: readonly Doing[] = ['off', 'on', ...CAP_STATES];
const DOING_WORDS: Record<Doing, string> = {
  off: 'Comes off',
  on: 'Is back on',
  good: 'Good',
  'worn legend': 'Worn legend',
  'cracked stem': 'Cracked stem',
  'stub in the cap': 'Stub in the cap',
  missing: 'Missing',
};

const STUB_STEPS = [
  'Do not pry: the cap is worth more than the stem. Stems can be had, caps hardly.',
  'Hold the cap in a soft clamp, print down on cloth.',
  'By hand, a drill a good deal thinner than the stub, slowly; then a screw a few turns into the hole, and pull straight.',
  'Clear what is left with the next drill, by hand. Try the cap on a sound stem before it goes back.',
];

/** Caps off and on again, each with how it was found. */
export function CapsPart(props: Props) {
  const { restorationId, boards, board, pictures, caps, counts, photos, photo, crops } = props;
  const here = `${viewHref(restorationId, 'keys', 'caps')}?board=${board.id}`;
  const [doing, setDoing] = useState<Doing>('off');
  const [unseen, setUnseen] = useState(false);
  const { wrong, busy, send } = useSend();
  const of = (key: string) => caps.find((cap) => cap.key === key);
  const off = board.keys.filter(({ id }) => of(id)?.isOff && of(id)!.state !== 'missing').map(({ id }) => id);
  const gate = pictures.length === 0 && !unseen && off.length === 0;
  const wide = wideKeys(board.keys).map(({ id }) => id);
  const stems = Object.fromEntries(wide.map((key) => [key, of(key)?.stem ?? null]));
  const toLook = wide.filter((key) => stems[key] === null);
  const say = (keys: readonly string[], what: Doing) => {
    if (keys.length === 0) return;
    const to = what === 'off' || what === 'on' ? { isOff: what === 'off' } : { state: what };
    send((once) => sayCaps(once({ keyboardId: board.id, keys: [...keys], unseen, ...to })));
  };
  const marks: Record<string, Mark> = Object.fromEntries(
    caps.flatMap(({ key, state, isOff }): [string, Mark][] => {
      if (state === 'good' && !isOff) return [];
      const words = [isOff ? 'off' : 'on', state].join(', ');
      const tone = state === 'missing' || state === 'stub in the cap' ? 'bad' : isOff ? 'warn' : 'chosen';
      return [[key, { tone, sign: `${isOff ? '↑' : ''}${CAP_SIGN[state]}` || '·', words }]];
    }),
  );
  const stubs = caps.filter(({ state }) => state === 'stub in the cap').map(({ key }) => key);
  if (photo) return <CompareCaps key={photo.id} {...{ board, pictures, photo, here }} />;
  return (
    <>
      <BoardChoice restorationId={restorationId} view="caps" boards={boards} here={board.id} />
      {gate ? (
        <Box borderLeftWidth="8px" borderColor="work" pl="4" mb="4">
          <Heading as="h2" fontSize="22px">
            A photograph first
          </Heading>
          <Text mb="3" maxWidth="62ch">
            It tells later where every cap belongs, and which of them stand otherwise than before.
          </Text>
          <PhotoPick {...KEYBOARD_PHOTO} restorationId={restorationId} photos={photos} href={here} />
          <Button mt="3" onClick={() => setUnseen(true)}>
            Go on without a photograph
          </Button>
        </Box>
      ) : (
        <>
          <Text mb="2" aria-live="polite">
            {off.length === 0 ? 'All caps are on.' : `${off.length} of ${board.keys.length} caps are off.`}{' '}
            {wide.length > 0 &&
              doing === 'off' &&
              `Wide ones: pull straight above the stem, seldom in the middle; levered in the middle they snap.${toLook.length > 0 ? ` Look from the side where it stands: ${toLook.join(', ')}.` : ''}`}
          </Text>
          <Chips
            label="What is said of a tapped cap"
            of={DOING}
            words={DOING_WORDS}
            chosen={doing}
            onChoose={setDoing}
          />
          <BoardDrawing
            board={board}
            label={`Caps of ${board.name}: tap them as they come off`}
            marks={marks}
            stems={stems}
            onTap={(key) => say([key], doing)}
          />
          <WholeRows board={board} busy={busy} onKeys={(keys) => say(keys, doing)} />
          {off.length > 0 ? (
            <WayBack steps={wayBack(board.keys, off)} crops={crops} busy={busy} onBack={(keys) => say(keys, 'on')} />
          ) : (
            <MainAction>
              <Button
                look="go"
                bench
                disabled={busy}
                onClick={() =>
                  say(
                    board.keys.map(({ id }) => id),
                    'off',
                  )
                }
              >
                All of them are off
              </Button>
              <LinkButton href={`${viewHref(restorationId, 'keys', 'test')}?board=${board.id}`}>
                Test every key
              </LinkButton>
            </MainAction>
          )}
          {wide.length > 0 && (
            <Fold
              summary={
                toLook.length > 0 ? `Where stems stand: ${toLook.length} not looked for` : 'Where stems stand: all seen'
              }
            >
              {wide.map((key) => (
                <Flex key={key} gap="3" wrap="wrap" align="baseline">
                  <Text minWidth="80px">{key}</Text>
                  <Chips
                    label={`Stem of ${key}`}
                    of={STEM_PLACES}
                    words={STEM_WORDS}
                    chosen={stems[key] ?? null}
                    onChoose={(stem) =>
                      send((once) => sayCaps(once({ keyboardId: board.id, keys: [key], unseen, stem })))
                    }
                  />
                </Flex>
              ))}
            </Fold>
          )}
          {stubs.length > 0 && (
            <Fold summary={`A stub is left in the cap: ${stubs.join(', ')}`}>
              <Text fontWeight="650">
                Caution first: a drill slips. Glasses; the cap in a clamp, never in the hand.
              </Text>
              <Box as="ol" ps="6">
                {STUB_STEPS.map((words) => (
                  <li key={words}>{words}</li>
                ))}
              </Box>
              <Text>Follow the product’s sheet and your local rules.</Text>
            </Fold>
          )}
          <Fold
            summary={
              pictures.length > 0 ? 'Are they where they were? Compare with a new photograph' : 'Photograph of the caps'
            }
          >
            <PhotoPick {...KEYBOARD_PHOTO} restorationId={restorationId} photos={photos} href={here} />
            {pictures.map(({ id, photoId }) => (
              <Flex key={id} gap="3" align="center" mt="2">
                <Text flex="1 1 200px">
                  Marked: {photos.find((one) => one.id === photoId)?.originalName ?? 'a photograph that is gone'}
                </Text>
                <TakeThingBack what="marked photograph" id={id} name="these marks" />
              </Flex>
            ))}
          </Fold>
        </>
      )}
      <Counts board={board} counts={counts} />
      <Wrong words={wrong} />
    </>
  );
}

const BACK_WORDS: Record<BackStep['kind'], string> = {
  wide: 'Wide: its wire under both tabs with a trace of silicone grease, its own spring, then press above the stem.',
  'look-alikes': 'These look alike: each to its own place, one by one.',
  row: '',
};

/** The way back, one step after the other; the first is what hands do now. */
function WayBack({
  steps: [first, ...others],
  crops,
  busy,
  onBack,
}: {
  steps: readonly BackStep[];
  crops: Props['crops'];
  busy: boolean;
  onBack: (keys: readonly string[]) => void;
}) {
  if (!first) return null;
  return (
    <>
      <Box borderLeftWidth="8px" borderColor="work" pl="4" mt="3">
        <Text fontWeight="650" fontSize="20px">
          When they go back: {first.keys.join(', ')}
        </Text>
        {BACK_WORDS[first.kind] && <Text>{BACK_WORDS[first.kind]}</Text>}
        <Flex gap="3" wrap="wrap" mt="2">
          {first.keys.map((key) => crops[key] && <CapPicture key={key} name={key} crop={crops[key]} />)}
        </Flex>
        <MainAction>
          {first.kind === 'look-alikes' ? (
            first.keys.map((key) => (
              <Button key={key} look="go" bench disabled={busy} onClick={() => onBack([key])}>
                {key} is on
              </Button>
            ))
          ) : (
            <Button look="go" bench disabled={busy} onClick={() => onBack(first.keys)}>
              {first.keys.length === 1 ? 'It is on' : 'They are on'}
            </Button>
          )}
        </MainAction>
      </Box>
      {others.length > 0 && (
        <Fold summary={`Then ${others.length} more steps`}>
          <Box as="ol" ps="6">
            {others.map(({ kind, keys }) => (
              <li key={keys.join()}>{kind === 'look-alikes' ? `look alike: ${keys.join(', ')}` : keys.join(', ')}</li>
            ))}
          </Box>
        </Fold>
      )}
    </>
  );
}

/** A cap as it stood on the photograph before. */
function CapPicture({ name, crop: { photoId, picture, x, y, width, height } }: { name: string; crop: CapCrop }) {
  return (
    <Box as="figure">
      <svg
        viewBox={`${x} ${y} ${width} ${height}`}
        height="88"
        width={Math.min(260, (88 * width) / height)}
        role="img"
        aria-label={`${name} as it stood on the photograph`}
        style={{ display: 'block', border: '1px solid var(--chakra-colors-line-strong)' }}
      >
        <image
          href={photoUrl(photoId, 'large')}
          width={picture.width}
          height={picture.height}
          preserveAspectRatio="none"
        />
      </svg>
      <Text as="figcaption" fontSize="15px">
        {name}
      </Text>
    </Box>
  );
}

const figure = (name: string, label: string) => ({ name, label, kind: 'number', third: true }) as const;

/** Parts that come out in numbers; the stage is held while they do not add up. */
function Counts({ board, counts }: { board: KeyboardRow; counts: readonly LoosePartRow[] }) {
  const open = counts.filter((count) => lying(count) !== 0);
  const parts = [...KIND[board.kind].parts.map((part) => `${part}s`), 'screws'];
  return (
    <Fold
      summary={
        counts.length === 0
          ? 'Count what comes out: springs, plungers, screws'
          : open.length === 0
            ? `Counted: ${counts.length}, all back`
            : `Counted: ${open.map((count) => `${lying(count)} of ${count.part} not back`).join(', ')}`
      }
    >
      {counts.map((count) => (
        <Flex key={count.id} gap="3" wrap="wrap" align="center" borderTopWidth="1px" borderColor="line" py="2">
          <Text flex="1 1 260px">
            <b>{count.part}</b>: {count.came} out, {count.cleaned} cleaned, {count.back} back, {count.lost} lost
            {count.donor > 0 && `, ${count.donor} from a donor`}
            {lying(count) !== 0 && `. ${lying(count)} not back yet`}
          </Text>
          <TakeThingBack what="count" id={count.id} name={`count of ${count.part}`} />
        </Flex>
      ))}
      <Text color="soft" my="2">
        On this kind: {parts.join(', ')}. Keeping a part again puts its count right.
      </Text>
      <AnswerForm<void>
        draftKey={`count-${board.id}`}
        fields={[
          { name: 'part', label: 'Part', hint: parts.join(', '), half: true },
          figure('came', 'Came out'),
          figure('cleaned', 'Cleaned'),
          figure('back', 'Back'),
          figure('lost', 'Lost'),
          figure('donor', 'From a donor'),
        ]}
        initial={{ part: '', came: '', cleaned: '', back: '', lost: '', donor: '' }}
        submit="Keep the count"
        done="Count kept."
        send={(values) => keepTheCount({ keyboardId: board.id, ...values })}
      />
    </Fold>
  );
}
