export { DrinkTitle } from './DrinkTitle';
export { LeftoverNotice } from './LeftoverNotice';
export { SaveNotice } from './SaveNotice';
export { TrialList } from './TrialList';
