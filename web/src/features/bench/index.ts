export { BenchPage } from './BenchPage';
export { GlassDrawing } from './glass';
export { rememberReplaced, settleLeftBehind, USUAL } from './keep';
