export { NextPage } from './NextPage';
export { PalatesPage } from './PalatesPage';
export { SessionsPage } from './SessionsPage';
export { SpecsPage } from './SpecsPage';
export { TastePage } from './TastePage';
export { TrialsPage } from './TrialsPage';
