import type { ExerciseKind } from '../../api/client';

/** What each exercise is called, and what is done in it. */
export const EXERCISES: Record<ExerciseKind, readonly [string, string]> = {
  swap: ['Guess the swap', 'Which way does it move the drink?'],
  fault: ['Name the fault', 'One pour is wrong: what is tasted first?'],
  correction: ['Find the correction', 'Which one change brings it back?'],
};
