export type { SideTab } from './SideTabs';
export { useStepTicks, withActualPours, type StepTicks } from './useStepTicks';
