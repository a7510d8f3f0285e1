export { ExercisePage } from './ExercisePage';
export { SittingPage } from './SittingPage';
export { TonguePage } from './TonguePage';
