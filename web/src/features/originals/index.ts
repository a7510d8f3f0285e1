export { KinshipPage } from './KinshipPage';
export { MenuPage } from './MenuPage';
export { OriginalsPage } from './OriginalsPage';
