export { BenchPage } from './BenchPage';
export { rememberReplaced, settleLeftBehind, USUAL } from './keep';
