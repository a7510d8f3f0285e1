export { AddBottle } from './AddBottle';
export { NoMatch } from './NoMatch';
export { useIngredientSearch, type SearchMatches } from './useIngredientSearch';
