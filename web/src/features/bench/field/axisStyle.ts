import type { AxisName } from '@/lib';

export const TITLES: Record<AxisName, string> = { sugar: 'Sweetness', acid: 'Acidity', abv: 'Strength' };
export const COLOURS: Record<AxisName, string> = { sugar: 'text-sweet', acid: 'text-sharp', abv: 'text-strong' };
export const FILLS: Record<AxisName, string> = { sugar: 'bg-sweet', acid: 'bg-sharp', abv: 'bg-strong' };
/** Decimals in which parts of a figure still tell something. */
export const DECIMALS: Record<AxisName, number> = { sugar: 2, acid: 3, abv: 2 };
