export { EventPlanPage } from './EventPlanPage';
