import { SURFACE_IDS, surfaceOf } from '@/core/cleaning/surfaces';

/** The surfaces to choose from, in words: the data set itself stays on the server. */
export const surfaceOptions = (): { value: string; label: string }[] => SURFACE_IDS.map((value) => ({ value, label: surfaceOf(value).title }));
