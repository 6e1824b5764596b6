'use client';

import { Link as PlainLink, type ButtonProps } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import NextLink from 'next/link';

interface Props extends Pick<ButtonProps, 'width' | 'alignSelf' | 'flexShrink'> {
  href: string;
  children: React.ReactNode;
  look?: 'go' | 'quiet' | 'bare';
  bench?: boolean;
  label?: string;
}

/** A link that looks like a button: the one main action of a screen is `go`. */
export function LinkButton({ href, children, look = 'quiet', bench = false, label, ...rest }: Props) {
  return (
    <Button asChild look={look} bench={bench} {...rest}>
      {/* Only the one main way on is fetched before somebody takes it. */}
      <NextLink href={href} aria-label={label} {...(look !== 'go' && { prefetch: false })}>
        {children}
      </NextLink>
    </Button>
  );
}

/** A link in running text. */
export function TextLink({
  href,
  children,
  external = false,
}: {
  href: string;
  children: React.ReactNode;
  external?: boolean;
}) {
  return (
    <PlainLink asChild color="work" textDecoration="underline" textUnderlineOffset="3px" minHeight="24px">
      {external ? (
        <a href={href}>{children}</a>
      ) : (
        <NextLink href={href} prefetch={false}>
          {children}
        </NextLink>
      )}
    </PlainLink>
  );
}

interface Way {
  href: string;
  words: string;
}

interface OtherPagesProps {
  of: string;
  back: Way | null;
  on: Way | null;
  /** Other ways beside them. */
  children?: React.ReactNode;
}

/** Ways to the pages before and after this one of a long list; nothing where it is the only one. */
export function OtherPages({ of, back, on, children }: OtherPagesProps) {
  const ways = [back, on].filter((way) => way !== null);
  if (ways.length === 0 && !children) return null;
  return (
    <nav aria-label={of} style={{ display: 'flex', gap: 12, flexWrap: 'wrap' }}>
      {ways.map(({ href, words }) => (
        <LinkButton key={href} href={href}>
          {words}
        </LinkButton>
      ))}
      {children}
    </nav>
  );
}
