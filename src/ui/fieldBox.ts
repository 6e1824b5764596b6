/** How what is typed into looks, in forms and outside them. */
export const FIELD_BOX = {
  bg: 'sheet',
  borderColor: 'lineStrong',
  borderWidth: '1.5px',
  borderRadius: '3px',
  minHeight: '46px',
} as const;
