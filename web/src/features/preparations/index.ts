export { PreparationPage } from './PreparationPage';
export { PreparationsPage } from './PreparationsPage';
