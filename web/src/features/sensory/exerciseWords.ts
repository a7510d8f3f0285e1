import type { ExerciseKind } from '@/api';

/** What each exercise is called, and what is done in it. */
export const EXERCISES: Record<ExerciseKind, readonly [string, string]> = {
  swap: ['Guess the swap', 'How does it change the drink?'],
  fault: ['Name the fault', 'One amount is wrong. What do you taste first?'],
  correction: ['Find the correction', 'Which change rebalances it?'],
};
