'use client';

type BoxProps = Omit<React.ComponentProps<'input'>, 'className'> & {
  /** It takes figures. */
  figures?: boolean;
};

/** A line to type into, as it looks everywhere: plain, so that every page can have it for nothing. */
export function TextBox({ figures = false, ...props }: BoxProps) {
  return <input {...props} className={figures ? 'box figures' : 'box'} />;
}

/** Several lines to type into; it grows with what is typed. */
export function LongBox(props: Omit<React.ComponentProps<'textarea'>, 'className'>) {
  return <textarea rows={3} {...props} className="box long" />;
}

/** What is typed in, behind the line. */
export function InUnit({ unit, children }: { unit: string; children: React.ReactNode }) {
  return (
    <span className="in-unit">
      {children}
      <span aria-hidden>{unit}</span>
    </span>
  );
}
