export { PreparationPage } from './PreparationPage';
export { StillroomPage } from './StillroomPage';
