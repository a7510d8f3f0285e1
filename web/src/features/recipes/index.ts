export { RecipesPage } from './RecipesPage';
