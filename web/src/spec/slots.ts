import type { PourEntry } from '@/api';

/** What each ingredient does in the drink, as a bar says it. */
export const SLOT_NAMES: Record<NonNullable<PourEntry['slot']>, string> = {
  base: 'Base',
  sour: 'Sour',
  sweet: 'Sweet',
  liqueur: 'Liqueur',
  accent: 'Accent',
  texture: 'Texture',
  lengthener: 'Mixer',
  seasoning: 'Seasoning',
  edge: 'Rim',
  garnish: 'Garnish',
  other: 'Other',
};
