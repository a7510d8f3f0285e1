export { DrinkTitle } from './DrinkTitle';
export { LeftoverNotice } from './LeftoverNotice';
export { SaveNotice } from './SaveNotice';
export { SaveTrial } from './SaveTrial';
export { TrialList } from './TrialList';
