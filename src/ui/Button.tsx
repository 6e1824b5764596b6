import { Button as Plain, type ButtonProps } from '@chakra-ui/react';

/** How an action looks: the one main one of a screen, any other, one that does harm, one in running text. */
type Look = 'go' | 'quiet' | 'hazard' | 'bare';

interface Props extends Omit<ButtonProps, 'variant' | 'size' | 'loading' | 'loadingText'> {
  look?: Look;
  /** It is tapped with a glove on. */
  bench?: boolean;
  /** What was tapped is under way. */
  loading?: boolean;
  /** Said meanwhile, in place of what it says else. */
  loadingText?: string;
}

/** A button in one of the looks of the house. */
export function Button({
  look = 'quiet',
  bench = false,
  loading = false,
  loadingText,
  disabled,
  children,
  ...props
}: Props) {
  return (
    // The library knows the types of its own looks alone.
    <Plain
      {...props}
      variant={look as never}
      size={(bench ? 'bench' : 'desk') as never}
      disabled={loading || disabled === true}
      {...(loading && { 'aria-busy': true })}
    >
      {/* Its words stay: whoever hears it hears which it is, and nothing moves beside it. */}
      {(loading && loadingText) || children}
    </Plain>
  );
}
