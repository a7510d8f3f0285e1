export { AddBottle } from './lazyAddBottle';
export { NoMatch } from './NoMatch';
export { useIngredientSearch, type SearchMatches } from './useIngredientSearch';
