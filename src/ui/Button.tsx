import { Button as Plain, type ButtonProps } from '@chakra-ui/react';

/** How an action looks: the one main one of a screen, any other, one that does harm, one in running text. */
type Look = 'go' | 'quiet' | 'hazard' | 'bare';

interface Props extends Omit<ButtonProps, 'variant' | 'size'> {
  look?: Look;
  /** It is tapped with a glove on. */
  bench?: boolean;
}

/** A button in one of the looks of the house. */
export function Button({ look = 'quiet', bench = false, ...props }: Props) {
  // The library knows the types of its own looks alone.
  return <Plain {...props} variant={look as never} size={(bench ? 'bench' : 'desk') as never} />;
}
