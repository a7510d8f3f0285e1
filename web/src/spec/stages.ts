import type { PourEntry } from '@/api';

export type Stage = PourEntry['stage'];

/** When a pour goes in, as it is said. */
export const STAGE_WORDS: Record<Stage, string> = {
  mixed: 'In the tin',
  glass: 'In the glass first',
  rinse: 'Rinse of the glass',
  topped: 'On top',
  floated: 'Floated',
  rim: 'On the rim',
  garnish: 'Garnish',
};

/** The groups in which pours stand on the bench, in the order in which they go in. */
export const STAGE_GROUPS: { title: string; stages: Stage[] }[] = [
  { title: STAGE_WORDS.mixed, stages: ['mixed'] },
  { title: STAGE_WORDS.glass, stages: ['glass', 'rinse'] },
  { title: STAGE_WORDS.topped, stages: ['topped', 'floated'] },
  { title: STAGE_WORDS.rim, stages: ['rim'] },
  { title: STAGE_WORDS.garnish, stages: ['garnish'] },
];
