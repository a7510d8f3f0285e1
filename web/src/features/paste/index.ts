export { PastePage } from './PastePage';
