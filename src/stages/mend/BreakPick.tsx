import { Flex } from '@chakra-ui/react';
import { LinkButton } from '@/ui/links';

/** Which of several breaks: links, so that each has an address. */
export function BreakPick({
  breaks,
  here,
  href,
}: {
  breaks: readonly { id: string; name: string }[];
  here: string;
  href: string;
}) {
  if (breaks.length < 2) return null;
  return (
    <Flex as="nav" aria-label="Which break" gap="2" wrap="wrap" mb="3">
      {breaks.map(({ id, name }) => (
        <LinkButton key={id} look={id === here ? 'go' : 'quiet'} href={`${href}?finding=${id}`}>
          {name.length > 34 ? `${name.slice(0, 33)}…` : name}
        </LinkButton>
      ))}
    </Flex>
  );
}
