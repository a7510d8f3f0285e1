import type { MakingEntry } from '@/api';

/** What the server fills in: what the forecast of the day supposed. */
export const DEFAULT_MAKING: MakingEntry['supposed'] = {
  dilution: 'curve',
  ice_c: 0,
  start_c: 22,
  room_c: 22,
  factors: {},
};
