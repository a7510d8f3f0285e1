export { BalanceField } from './BalanceField';
export type { Levels, OnField } from './fieldFrame';
export { Sentences } from './Sentences';
export { remember, trailOf } from './trail';
