'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Calculator, Hammer, House, Keyboard, PackageOpen, Search } from 'lucide-react';
import dynamic from 'next/dynamic';
import NextLink from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { STAGES } from '@/core/runsheet/stages';
import { viewByDigit } from '@/core/runsheet/views';
import type { NamedTimer } from '@/data/timers';
import { DrawnAt } from '@/ui/clock';
import { keeperComes } from '@/ui/outbox/keeper';
import { watchRequests } from '@/ui/outbox/requests';
import { useKeys } from '@/ui/useKeys';
import { TimersBar } from './TimersBar';
import { useFresh } from './useFresh';
import { useInHand } from './useInHand';

// Dialogs are loaded when somebody opens one.
const FindDialog = dynamic(() => import('./FindDialog').then((part) => part.FindDialog));
const KeysDialog = dynamic(() => import('./KeysDialog').then((part) => part.KeysDialog));
// There before Kvell is away: then it could not be fetched any more.
const OutboxBar = dynamic(() => import('@/ui/outbox/OutboxBar').then((part) => part.OutboxBar), { ssr: false });

const PLACES = [
  { href: '/', title: 'Bench', icon: Hammer },
  { href: '/restorations', title: 'Restorations', icon: Keyboard },
  { href: '/stores', title: 'Stores', icon: PackageOpen },
  { href: '/sums', title: 'Sums', icon: Calculator },
  { href: '/workshop', title: 'Workshop', icon: House },
] as const;

/** The piece in hand goes along from view to view. */
function withPiece(href: string): string {
  const piece = new URLSearchParams(window.location.search).get('piece');
  return piece ? `${href}?piece=${encodeURIComponent(piece)}` : href;
}

interface Props {
  timers: readonly NamedTimer[];
  /** How many more run than these. */
  more: number;
  mark: number;
  /** When the page was drawn. */
  drawnAt: string;
  children: React.ReactNode;
}

/** Head with the five places, what runs, and the page; on a phone the places stand under the thumb. */
export function Shell({ timers, more, mark, drawnAt, children }: Props) {
  useFresh(mark);
  const inHand = useInHand();
  // What is sent with the very first touch is noted as well, though what keeps it is only on its way.
  useEffect(watchRequests, []);
  useEffect(() => {
    if (inHand) keeperComes();
  }, [inHand]);
  const path = usePathname();
  const router = useRouter();
  const [finding, setFinding] = useState(false);
  const [keysShown, setKeysShown] = useState(false);
  // Where the last digit leads: pressed again before that page is there, it goes on from there.
  const heading = useRef(path);
  useLayoutEffect(() => {
    heading.current = path;
  }, [path]);
  const restoration = /^\/restorations\/([0-9a-f-]{36})/.exec(path)?.[1];
  const onStage =
    restoration !== undefined && STAGES.some((stage) => path.startsWith(`/restorations/${restoration}/${stage}`));
  const keys = useMemo(() => {
    const turnTo = (id: string, digit: number) => {
      heading.current = viewByDigit(id, heading.current, digit)!;
      router.push(withPiece(heading.current));
    };
    const stages = restoration
      ? Object.fromEntries(STAGES.map((_, i) => [String(i + 1), () => turnTo(restoration, i + 1)]))
      : {};
    return {
      ...stages,
      '/': () => setFinding(true),
      '?': () => setKeysShown(true),
      n: () => router.push(restoration ? `/restorations/${restoration}/pieces/new` : '/restorations/new'),
      // On a stage the clipboard takes it.
      ...(!onStage && { l: () => router.push(restoration ? `/restorations/${restoration}/log` : '/workshop/kept') }),
      t: () => router.push('/#timers'),
      b: () => router.push('/'),
      r: () => router.push(restoration ? `/restorations/${restoration}` : '/restorations'),
    };
  }, [restoration, onStage, router]);
  useKeys(keys);
  const isHere = (href: string) => (href === '/' ? path === '/' : path.startsWith(href));
  return (
    <DrawnAt value={Date.parse(drawnAt)}>
      <Flex direction="column" minHeight="100dvh">
        <a href="#main" className="skip">
          Skip to the page
        </a>
        <Box as="header" borderBottomWidth="1px" borderColor="lineStrong">
          <Flex maxWidth="1240px" mx="auto" px="4" align="center" gap="6" minHeight="56px">
            <NextLink prefetch={false} href="/" tabIndex={-1}>
              <Text fontFamily="heading" fontWeight="800" fontSize="26px" color="work" letterSpacing="-0.03em">
                Kvell
              </Text>
            </NextLink>
            <Flex as="nav" aria-label="Places" gap="1" flex="1" display={{ base: 'none', md: 'flex' }}>
              {PLACES.map(({ href, title }) => (
                <NextLink prefetch={false} key={href} href={href} aria-current={isHere(href) ? 'page' : undefined}>
                  <Flex
                    align="center"
                    px="3"
                    minHeight="56px"
                    fontWeight="600"
                    borderBottomWidth="4px"
                    borderColor={isHere(href) ? 'work' : 'transparent'}
                    color={isHere(href) ? 'ink' : 'soft'}
                  >
                    {title}
                  </Flex>
                </NextLink>
              ))}
            </Flex>
            <Box flex={{ base: '1', md: '0' }} />
            <button
              type="button"
              onClick={() => setFinding(true)}
              aria-label="Find anything"
              style={{ minWidth: 44, minHeight: 44, display: 'grid', placeItems: 'center' }}
            >
              <Search aria-hidden size={22} />
            </button>
            <Box display={{ base: 'none', md: 'block' }}>
              <button
                type="button"
                onClick={() => setKeysShown(true)}
                aria-label="List of keys"
                style={{ minWidth: 44, minHeight: 44, fontWeight: 650 }}
              >
                ?
              </button>
            </Box>
          </Flex>
        </Box>
        <TimersBar timers={timers} more={more} />
        {inHand && <OutboxBar drawnAt={drawnAt} mark={mark} />}
        <Box
          as="main"
          id="main"
          tabIndex={-1}
          flex="1"
          width="100%"
          maxWidth="1240px"
          mx="auto"
          px="4"
          pt="6"
          pb={{ base: '110px', md: '8' }}
        >
          {children}
        </Box>
        <Flex
          as="nav"
          aria-label="Places"
          position="fixed"
          bottom="0"
          insetX="0"
          bg="sheet"
          borderTopWidth="2px"
          borderColor="ink"
          zIndex="docked"
          display={{ base: 'flex', md: 'none' }}
        >
          {PLACES.map(({ href, title, icon: Icon }) => (
            <NextLink
              prefetch={false}
              key={href}
              href={href}
              aria-current={isHere(href) ? 'page' : undefined}
              style={{ flex: 1 }}
            >
              <Flex
                direction="column"
                align="center"
                justify="center"
                gap="0.5"
                minHeight="64px"
                borderTopWidth="4px"
                borderColor={isHere(href) ? 'work' : 'transparent'}
                color={isHere(href) ? 'ink' : 'soft'}
              >
                <Icon aria-hidden size={22} />
                <Text fontSize="12px">{title}</Text>
              </Flex>
            </NextLink>
          ))}
        </Flex>
        {finding && <FindDialog open onClose={() => setFinding(false)} />}
        {keysShown && <KeysDialog open onClose={() => setKeysShown(false)} />}
      </Flex>
    </DrawnAt>
  );
}
