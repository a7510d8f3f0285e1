export { TakeAlong } from './TakeAlong';
export { TakeHouseAlong } from './TakeHouseAlong';
