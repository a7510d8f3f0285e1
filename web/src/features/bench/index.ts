export { BenchPage } from './BenchPage';
export { rememberReplaced, settleLeftBehind } from './keep';
