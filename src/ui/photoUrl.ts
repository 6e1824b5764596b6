/** Where the browser finds a photograph: the original, or a small upright picture of it. */
export const photoUrl = (id: string, size?: 'small' | 'large'): string =>
  `/api/photos/${id}${size ? `?size=${size}` : ''}`;
