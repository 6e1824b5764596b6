'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Boxes, Camera, Clock3, ClipboardList, MapPin, NotebookPen, ScrollText, X } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useEffect, useRef, useState } from 'react';
import { useKeys } from '@/ui/useKeys';
import { countsOf, LEAF_TITLES, LEAVES, type Clip, type Leaf } from './clip';

// A leaf is loaded when somebody turns to it.
const ClipLeaf = dynamic(() => import('./ClipLeaf').then((part) => part.ClipLeaf));

const ICONS: Record<Leaf, typeof Camera> = {
  photographs: Camera,
  findings: MapPin,
  notes: NotebookPen,
  minutes: Clock3,
  materials: Boxes,
  log: ScrollText,
};

const KEPT = 'kvell-clipboard';
/** From this width on it lies beside the work. */
const BESIDE = '(min-width: 62em)';

/** The clipboard: what every stage documents, beside the work at a desk, over it from below on a phone. */
export function Clipboard({ clip }: { clip: Clip }) {
  const [open, setOpen] = useState<Leaf | null>(null);
  const [beside, setBeside] = useState(true);
  const over = useRef<HTMLDialogElement>(null);
  const counts = countsOf(clip);
  useEffect(() => {
    const wide = window.matchMedia(BESIDE);
    const look = () => setBeside(wide.matches);
    look();
    // Lying open beside the work it stays open from view to view; over the work it would hide what was asked for.
    const kept = LEAVES.find((leaf) => leaf === sessionStorage.getItem(KEPT));
    // eslint-disable-next-line react-hooks/set-state-in-effect -- what this device kept is known only here
    if (kept && wide.matches) setOpen(kept);
    wide.addEventListener('change', look);
    return () => wide.removeEventListener('change', look);
  }, []);
  const turnTo = (leaf: Leaf | null) => {
    setOpen(leaf);
    if (leaf) sessionStorage.setItem(KEPT, leaf);
    else sessionStorage.removeItem(KEPT);
  };
  useEffect(() => {
    if (open && !beside && over.current && !over.current.open) over.current.showModal();
  }, [open, beside]);
  const [keys] = useState(() => ({
    p: () => turnTo('photographs'),
    f: () => turnTo('findings'),
    l: () => turnTo('notes'),
    m: () => turnTo('minutes'),
  }));
  useKeys(keys);
  const tabs = (across: boolean) => (
    <Flex
      role="group"
      aria-label="Leaves of the clipboard"
      direction={across ? 'row' : 'column'}
      {...(across && { overflowX: 'auto' })}
    >
      {LEAVES.map((leaf) => {
        const Icon = ICONS[leaf];
        const here = open === leaf;
        return (
          <button
            key={leaf}
            type="button"
            className="leaf"
            aria-pressed={here}
            onClick={() => turnTo(here && !across ? null : leaf)}
          >
            <Icon aria-hidden size={20} />
            <span>{LEAF_TITLES[leaf]}</span>
            {counts[leaf] && <b>{counts[leaf]}</b>}
          </button>
        );
      })}
    </Flex>
  );
  return (
    <Box className="off-paper">
      <Flex
        as="aside"
        aria-label="Clipboard"
        display={{ base: 'none', lg: 'flex' }}
        position="sticky"
        top="3"
        maxHeight="calc(100dvh - 24px)"
        borderWidth="1.5px"
        borderTopWidth="8px"
        borderColor="lineStrong"
        bg="sheet"
      >
        {open && beside && (
          <Box width="340px" overflowY="auto" p="4" borderRightWidth="1px" borderColor="line">
            <ClipLeaf clip={clip} leaf={open} />
          </Box>
        )}
        {tabs(false)}
      </Flex>
      <button type="button" className="clip" aria-label="Clipboard" onClick={() => turnTo('photographs')}>
        <ClipboardList aria-hidden size={26} />
      </button>
      {open && !beside && (
        <dialog ref={over} className="board" aria-label="Clipboard" onClose={() => turnTo(null)}>
          <Flex align="center" justify="space-between" px="4">
            <Text fontFamily="heading" fontWeight="650" fontSize="20px">
              Clipboard
            </Text>
            <button
              type="button"
              aria-label="Put the clipboard away"
              onClick={() => over.current?.close()}
              style={{ minWidth: 48, minHeight: 48 }}
            >
              <X aria-hidden size={24} style={{ margin: 'auto' }} />
            </button>
          </Flex>
          {tabs(true)}
          <Box p="4" overflowY="auto" flex="1">
            <ClipLeaf clip={clip} leaf={open} />
          </Box>
        </dialog>
      )}
    </Box>
  );
}
