export { BalanceField } from './BalanceField';
export type { Levels, OnField } from './fieldFrame';
export { FigureSentences } from './FigureSentences';
export { remember, trailOf } from './trail';
