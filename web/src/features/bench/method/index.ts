export { MethodPanel } from './MethodPanel';
export { MethodDialog } from './MethodDialog';
export { SideTabs, type SideTab } from './SideTabs';
export { useStepTicks, withActualPours, type StepTicks } from './useStepTicks';
export { GarnishDialog } from './GarnishDialog';
export { StepsDialog } from './StepsDialog';
