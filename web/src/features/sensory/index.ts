export { ExercisePage } from './ExercisePage';
export { SessionPage } from './SessionPage';
export { TrainingPage } from './TrainingPage';
