'use client';

interface Props extends React.ComponentProps<'select'> {
  options: readonly { value: string; label: string }[];
}

/** A choice from a list, as the device shows lists. */
export function Select({ options, ...props }: Props) {
  return (
    <select className="select" {...props}>
      {options.map(({ value, label }) => (
        <option key={value} value={value}>
          {label}
        </option>
      ))}
    </select>
  );
}
