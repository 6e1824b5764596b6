import { attack } from './attack';
import { accuracy } from './accuracy';
import { keyboardDiagnosis } from './keyboardDiagnosis';
import { keyFinder } from './keyFinder';
import { marks } from './marks';
import { outlines } from './outline';
import { drawings } from './drawings';
import { pages } from './pages';
import { photoSpeed } from './photoSpeed';
import { faults } from './faults';
import { faultsSeen } from './faultsSeen';
import { capsCompared } from './capsCompared';
import { forecasts } from './forecast';
import { forecastsWithErrors } from './forecastErrors';
import { greySheets } from './greySheet';
import { registration } from './registration';
import { benchPage } from './benchPage';
import { readyByTheirDates } from './readyDates';
import { rebuildOrders } from './rebuildOrder';
import { haze } from './haze';
import { rust } from './rust';
import { scale } from './scale';
import { schedules } from './schedule';
import { solids } from './solids';
import { sun } from './sun';
import { sure } from './sure';
import { tints } from './tint';
import { turnPlans } from './turnPlan';

/**
 * `npm run benchmark` runs all but the attack, `npm run benchmark -- accuracy` one, `npm run benchmark -- scale /wash` its pages with `/wash` in their address,
 * `npm run benchmark -- attack /kill` one of the attacks.
 */
const only = process.argv.slice(2).filter((word) => word.startsWith('/'));

const BENCHMARKS: Record<string, () => Promise<void>> = {
  'photo-speed': photoSpeed,
  accuracy,
  sure,
  'grey-sheet': greySheets,
  pages,
  scale: () => scale(only),
  'rebuild-order': rebuildOrders,
  'turn-plan': turnPlans,
  forecast: forecasts,
  'forecast-errors': forecastsWithErrors,
  sun,
  'keyboard-diagnosis': keyboardDiagnosis,
  'key-finder': keyFinder,
  'caps-compared': capsCompared,
  outline: outlines,
  marks,
  drawings,
  solids,
  tint: tints,
  rust,
  schedule: schedules,
  'ready-dates': readyByTheirDates,
  'bench-page': benchPage,
  haze,
  faults,
  'faults-seen': faultsSeen,
  registration,
  attack: () => attack(only),
};

const wanted = process.argv.slice(2).filter((word) => !word.startsWith('/'));
for (const name of wanted)
  if (!BENCHMARKS[name])
    throw new Error(`There is no benchmark “${name}”. One of: ${Object.keys(BENCHMARKS).join(', ')}.`);
for (const [name, run] of Object.entries(BENCHMARKS))
  if (wanted.includes(name) || (wanted.length === 0 && name !== 'attack')) await run();
