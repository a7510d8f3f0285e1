export { TreePage } from './TreePage';
