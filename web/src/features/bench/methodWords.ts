import type { Spec } from '../../api/client';

type Method = Spec['method'];

export const DONE: Record<Method['technique'], string> = {
  shake: 'Shaken',
  stir: 'Stirred',
  build: 'Built',
  blend: 'Blended',
  swizzle: 'Swizzled',
  roll: 'Rolled',
  none: 'Not mixed',
};
export const ICE_IN: Record<Method['ice'], string> = {
  none: 'without ice',
  cubes: 'with cubes',
  large: 'with a large cube',
  crushed: 'with crushed ice',
};
/** Seconds of the techniques that go by the clock, where the drink tells none. */
export const REFERENCE: Partial<Record<Method['technique'], number>> = { shake: 12, stir: 30 };
/** By which school the water was foreseen. */
export const SCHOOL_OF_WATER: Record<string, string> = {
  curve: 'the curve',
  'heat balance': 'heat balance',
  estimate: 'estimate',
};

/** "Shaken 12 s with cubes, 10 s dry". */
export function methodWords(method: Method): string {
  const seconds = method.seconds ?? REFERENCE[method.technique];
  const time = seconds !== undefined && REFERENCE[method.technique] !== undefined ? ` ${seconds} s` : '';
  const dry = method.dry_shake_seconds > 0 ? `, ${method.dry_shake_seconds} s dry` : '';
  return `${DONE[method.technique]}${time} ${ICE_IN[method.ice]}${dry}`;
}
