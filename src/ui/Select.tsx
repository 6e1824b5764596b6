'use client';

import { useFieldContext } from '@chakra-ui/react';

interface Props extends React.ComponentProps<'select'> {
  options: readonly { value: string; label: string }[];
}

/** A choice from a list, as the device shows lists; inside a field it answers to its label and says what is wrong. */
export function Select({ options, ...props }: Props) {
  const field: ReturnType<typeof useFieldContext> | undefined = useFieldContext();
  return (
    <select className="select" {...field?.getSelectProps()} {...props}>
      {options.map(({ value, label }) => (
        <option key={value} value={value}>
          {label}
        </option>
      ))}
    </select>
  );
}
