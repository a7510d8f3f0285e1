export { ImportTextPage } from './ImportTextPage';
