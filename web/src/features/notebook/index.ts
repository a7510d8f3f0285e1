export { PalatesPage } from './PalatesPage';
export { SpecsPage } from './SpecsPage';
export { TastePage } from './TastePage';
export { TrialsPage } from './TrialsPage';
