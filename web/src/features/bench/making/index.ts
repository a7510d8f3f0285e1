export { MakingPanel } from './MakingPanel';
export { MethodDialog } from './MethodDialog';
export { SideTabs, type SideTab } from './SideTabs';
export { useTicks, withPoured, type Ticks } from './useTicks';
export { GarnishDialog } from './GarnishDialog';
export { StepsDialog } from './StepsDialog';
