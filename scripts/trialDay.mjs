// Every test stands on one day, whatever the calendar says: a morning in June at the trial workshop's place.
export const TRIAL_DAY = '2026-06-21T12:05:00.000Z';

process.env.KVELL_CLOCK_SHIFT_MS = String(Date.parse(TRIAL_DAY) - Date.now());
