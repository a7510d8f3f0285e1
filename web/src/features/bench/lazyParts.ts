import { lazyComponent } from '@/ui';

const dialogs = () => import('./dialogs');
const sidePanel = () => import('./sidePanel');

export const ExportDrink = lazyComponent(async () => (await dialogs()).ExportDrink);
export const RebalancePanel = lazyComponent(async () => (await dialogs()).RebalancePanel);
export const SwapBoard = lazyComponent(async () => (await dialogs()).SwapBoard);
export const WhyDialog = lazyComponent(async () => (await dialogs()).WhyDialog);
export const ServeDialog = lazyComponent(async () => (await dialogs()).ServeDialog);
export const GarnishDialog = lazyComponent(async () => (await dialogs()).GarnishDialog);
export const MethodDialog = lazyComponent(async () => (await dialogs()).MethodDialog);
export const StepsDialog = lazyComponent(async () => (await dialogs()).StepsDialog);
export const AddPourPanel = lazyComponent(async () => (await dialogs()).AddPourPanel);
export const PourDialog = lazyComponent(async () => (await dialogs()).PourDialog);
export const MethodPanel = lazyComponent(async () => (await sidePanel()).MethodPanel);
export const SideTabs = lazyComponent(async () => (await sidePanel()).SideTabs);
export const SavedTrial = lazyComponent(async () => (await dialogs()).SavedTrial);
export const SaveTrial = lazyComponent(async () => (await dialogs()).SaveTrial);

/** Fetches what opens over the bench before it is asked for. */
export function preloadDialogs(): void {
  const parts = [
    AddPourPanel,
    ExportDrink,
    GarnishDialog,
    MethodDialog,
    PourDialog,
    RebalancePanel,
    SaveTrial,
    ServeDialog,
    StepsDialog,
    SwapBoard,
    WhyDialog,
  ];
  for (const part of parts) part.preload();
}
