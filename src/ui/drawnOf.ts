/** What a form was drawn with, by its fields, as far as whoever types has seen it. */
export function drawnOf(first: Readonly<Record<string, string>>) {
  let fields: Record<string, unknown> = { ...first };
  return {
    fields: () => fields,
    saw: (more: Record<string, unknown>) => {
      fields = { ...fields, ...more };
    },
  };
}
