export { ImportPage } from './ImportPage';
