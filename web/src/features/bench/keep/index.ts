export { anythingUnsaved, type Autosave } from './autosave';
export type { Draft } from './draftHistory';
export { DrinkTitle } from './DrinkTitle';
export { KeepTrial } from './KeepTrial';
export { LeftoverNotice } from './LeftoverNotice';
export { useRecovered, type Recovered } from './recovered';
export { SaveNotice } from './SaveNotice';
export { TrialList } from './TrialList';
export { useDraft } from './useDraft';
