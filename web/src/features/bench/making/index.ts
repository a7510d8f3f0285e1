export { MakingPanel } from './MakingPanel';
export { MethodDialog } from './MethodDialog';
export { SideTabs, type SideTab } from './SideTabs';
export { useTicks, withPoured, type Ticks } from './useTicks';
