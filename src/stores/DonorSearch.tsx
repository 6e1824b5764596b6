'use client';

import { Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { DONOR_SIZES } from '@/core/mending/donorMatch';
import { Button } from '@/ui/Button';
import { LabelledBox } from '@/ui/LabelledBox';
import { MainAction } from '@/ui/MainAction';
import { Select } from '@/ui/Select';
import { SIZE_WORDS } from './donorWords';

/** What is looked for, as the address of the page says it. */
export type Asked = Partial<Record<(typeof DONOR_SIZES)[number] | 'what' | 'toleranceMm' | 'piece', string>>;

/** A part that is needed: its name, the sizes that decide, and the piece whose colour it is to match. */
export function DonorSearch({ asked, pieces }: { asked: Asked; pieces: readonly { value: string; label: string }[] }) {
  const router = useRouter();
  const [typed, setTyped] = useState<Asked>(asked);
  const box = (name: keyof Asked, label: string, placeholder = '') => (
    <LabelledBox
      key={name}
      label={label}
      placeholder={placeholder}
      {...(name !== 'what' && { inputMode: 'decimal' as const, figures: true })}
      value={typed[name] ?? ''}
      onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
    />
  );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        const given = Object.entries(typed).filter(([, words]) => words.trim() !== '');
        router.push(`/stores/donors?${new URLSearchParams(given).toString()}`);
      }}
    >
      <Flex gap="3" wrap="wrap" align="end">
        {box('what', 'What is needed', 'rubber foot')}
        {DONOR_SIZES.map((name) => box(name, `${SIZE_WORDS[name]}, mm`))}
        {box('toleranceMm', 'Each may be off by, mm', '0.5')}
        <label>
          <Text fontSize="15px">To match in colour</Text>
          <Select
            value={typed.piece ?? ''}
            options={[{ value: '', label: 'no piece' }, ...pieces]}
            onChange={(event) => setTyped({ ...typed, piece: event.target.value })}
          />
        </label>
      </Flex>
      <MainAction>
        <Button look="go" type="submit">
          Look for it
        </Button>
      </MainAction>
    </form>
  );
}
