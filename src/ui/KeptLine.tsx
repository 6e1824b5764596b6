import { Flex } from '@chakra-ui/react';

/** One thing of a list that was kept, with what can be done about it at its end. */
export function KeptLine({ children, aside }: { children: React.ReactNode; aside: React.ReactNode }) {
  return (
    <Flex gap="3" wrap="wrap" align="center" justify="space-between" borderTopWidth="1px" borderColor="line" py="1">
      {children}
      {aside}
    </Flex>
  );
}
