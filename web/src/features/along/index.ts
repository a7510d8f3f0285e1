export { TakeAlong } from './TakeAlong';
