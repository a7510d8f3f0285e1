/** What opens over the bench or beside its pours when it is asked for, in one script of its own. */
export { ExportDrink } from '@/features/export';
export { RebalancePanel, SwapBoard } from '@/features/swaps';
export { WhyDialog } from './field/WhyDialog';
export { ServeDialog } from './glass/ServeDialog';
export { GarnishDialog } from './method/GarnishDialog';
export { MethodDialog } from './method/MethodDialog';
export { StepsDialog } from './method/StepsDialog';
export { AddPourPanel } from './pours/AddPourPanel';
export { PourDialog } from './pours/PourDialog';
export { SavedTrial } from './SavedTrial';
export { SaveTrial } from './save/SaveTrial';
