export { MethodPanel } from './MethodPanel';
export { SideTabs, type SideTab } from './SideTabs';
export { useStepTicks, withActualPours, type StepTicks } from './useStepTicks';
