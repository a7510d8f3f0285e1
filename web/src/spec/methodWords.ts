import type { Rules, Spec } from '@/api';

type Method = Spec['method'];

export const DONE: Record<Method['technique'], string> = {
  shake: 'Shaken',
  stir: 'Stirred',
  build: 'Built',
  blend: 'Blended',
  swizzle: 'Swizzled',
  roll: 'Rolled',
  none: 'No method',
};
export const ICE_IN: Record<Method['ice'], string> = {
  none: 'without ice',
  cubes: 'with cubes',
  large: 'with a large cube',
  crushed: 'with crushed ice',
};
const PIECES: Partial<Record<Method['ice'], string>> = { cubes: 'cubes', large: 'large cubes' };
/** The ice that it is served on. */
export const SERVED: Record<Spec['serve']['ice'], string> = {
  none: 'up',
  cubes: 'on cubes',
  large: 'on a large cube',
  crushed: 'on crushed ice',
};
/** By which school the water was foreseen. */
export const SCHOOL_OF_WATER: Record<string, string> = {
  curve: 'the standard estimate',
  'heat balance': 'the heat balance',
  estimate: 'a rough estimate',
};

/** "Shaken 12 s with cubes, 10 s dry"; `reference` are the seconds of techniques that go by the clock. */
export function methodWords(method: Method, reference: Rules['reference_seconds'] | undefined): string {
  const usual = reference?.[method.technique];
  const seconds = Array.isArray(method.seconds) ? method.seconds.join('–') : method.seconds;
  const time = usual !== undefined ? ` ${seconds ?? usual} s` : '';
  const dry = method.dry_shake_seconds > 0 ? `, ${method.dry_shake_seconds} s dry` : '';
  const ice =
    method.ice_pieces == null ? ICE_IN[method.ice] : `with ${method.ice_pieces} ${PIECES[method.ice] ?? 'pieces'}`;
  return `${DONE[method.technique]}${time} ${ice}${dry}`;
}
