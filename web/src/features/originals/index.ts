export { PairingsPage } from './PairingsPage';
export { MenuPage } from './MenuPage';
export { OriginalsPage } from './OriginalsPage';
