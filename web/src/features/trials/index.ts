export { NextTrialsPage } from './NextTrialsPage';
export { PalatesPage } from './PalatesPage';
export { SessionsPage } from './SessionsPage';
export { SpecsPage } from './SpecsPage';
export { TastingPage } from './TastingPage';
export { TrialsPage } from './TrialsPage';
